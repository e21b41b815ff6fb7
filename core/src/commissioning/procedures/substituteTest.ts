import type { LoopContext } from '../../loop/context'
import type { PlanOf } from '../../settings/behaviour'
import type { PortRef } from '../../document/chain'
import { fieldValue } from '../../plant/fieldValue'
import { mismatch } from '../../probes/mismatch'
import type { Probe } from '../../probes/probe'
import { faultyProbe } from '../../probes/faultyProbe'
import type { NumberAsk, Judged, TestSpec } from '../proofTest'
import {
  around,
  cause,
  deviceOf,
  feeling,
  look,
  nameOf,
  sourceOfRow,
  spec,
  standIn,
  substitute,
  toKeying,
  toProbe,
  toWires,
} from './parts'

/** Kinds that an input is mistaken for, tried in this order. */
const usual: readonly { readonly title: string; readonly curve: Probe }[] = [
  { title: 'NTC 10 k, B 3977', curve: { kind: 'ntc', r25Ohm: 10_000, betaK: 3977 } },
  { title: 'NTC 10 k, B 3435', curve: { kind: 'ntc', r25Ohm: 10_000, betaK: 3435 } },
  { title: 'NTC 5 k', curve: { kind: 'ntc', r25Ohm: 5_000, betaK: 3977 } },
  { title: 'NTC 20 k', curve: { kind: 'ntc', r25Ohm: 20_000, betaK: 3977 } },
  { title: 'Pt1000', curve: { kind: 'rtd', r0Ohm: 1000 } },
  { title: 'Pt100', curve: { kind: 'rtd', r0Ohm: 100 } },
  { title: 'Ni1000', curve: { kind: 'nickel', r0Ohm: 1000, ppmPerK: 6180 } },
]

/** Temperatures at which an input is tried: its working point and one on each side. */
const STEPS_K = [-15, 0, 15] as const

/**
 * Any input with a box in place of its probe: ohms, millivolts, volts or milliamps dialled, the display read. Expected: what was dialled,
 * within tol.decade and half a display step (humidity: tol.rh). The pattern names another kind, an offset, or series and parallel ohms.
 */
export function substituteTest(context: LoopContext, plan: PlanOf, input: PortRef): TestSpec | undefined {
  const device = deviceOf(context, input.device)
  const port = device?.facts.ports[input.port]
  if (!device || (port?.kind !== 'probe-in' && port?.kind !== 'measure-in')) return undefined
  const { say } = context.words
  const humidity = port.kind === 'measure-in' && port.measures === 'humidity'
  const row = humidity ? 'tol.rh' : 'tol.decade'
  const step = device.facts.controller?.display.stepC ?? 0.1
  const tolerance = fieldValue(context.data, row).typical + (humidity ? 0 : step / 2)
  const span = port.kind === 'probe-in' ? [port.lowC, port.highC] : [port.low, port.high]
  const middle = humidity ? (span[0]! + span[1]!) / 2 : plan.setpointC
  const values = humidity
    ? [0.25, 0.5, 0.75].map((share) => span[0]! + share * (span[1]! - span[0]!))
    : STEPS_K.map((k) => Math.min(span[1]!, Math.max(span[0]!, middle + k)))
  const quantity = humidity ? 'percent' : 'temperature'
  const { feed } = feeling(context, input)
  const asks = values.map((value, i): [string, number, NumberAsk] => [
    `at-${i + 1}`,
    value,
    around('Display shows', quantity, value, tolerance, sourceOfRow(context, row), {
      nothing: 'a fault code',
      decimals: humidity ? 0 : 1,
    }),
  ])
  if (asks.some(([, value]) => substitute(context, input, value) === undefined)) return undefined
  return spec(context, {
    id: `substitute/${input.device}/${input.port}`,
    kind: 'substitute',
    title: `Input ${port.title}`,
    about: `${device.tag} ${port.title}`,
    purpose: 'The input by itself: what it shows for ohms, millivolts, volts or milliamps that are known.',
    have: [standIn(context, input)],
    how: `Lift ${feed ? nameOf(feed.fromDevice) : 'the probe'}; the ${standIn(context, input)} on the bare terminals, short leads.`,
    rule: `Within ${say(tolerance, humidity ? 'percent' : 'difference', humidity ? 0 : 2)} of what was dialled (${sourceOfRow(context, row)}).`,
    spare: true,
    steps: asks.map(([id, value, main]) => {
      const dial = substitute(context, input, value)!
      return {
        id,
        title: `Dialled ${say(value, quantity)}`,
        does: `${dial}: that is ${say(value, quantity)}. What does the display show?`,
        main,
        dial,
        at: { input, ...(humidity ? { humidityPercent: value } : { temperatureC: value }) },
      }
    }),
    judge: (found, wrong): Judged | undefined => {
      if (wrong.length === 0) return undefined
      const read = asks.flatMap(([id, value]) => {
        const shown = found.value(id)
        return shown === undefined ? [] : [{ value, shown }]
      })
      if (read.every(({ shown }) => shown === null))
        return look('substitute.input-kind', {}, cause('substitute.input-kind', {}, toKeying))
      const numbers = read.filter((each): each is { value: number; shown: number } => each.shown !== null)
      if (numbers.length < 2) return undefined
      const errors = numbers.map(({ value, shown }) => shown - value)
      const width = Math.max(...errors) - Math.min(...errors)
      if (width <= 2 * tolerance && port.kind === 'probe-in') {
        const by = errors.reduce((sum, e) => sum + e, 0) / errors.length
        return look('substitute.offset-left', { by }, cause('substitute.offset-left', {}, toKeying))
      }
      if (port.kind === 'probe-in') {
        const fitted = port.accepts
        const kind = usual.find(({ curve }) =>
          numbers.every(({ value, shown }) => {
            const { shownC } = mismatch(fitted, curve, value, [-100, 650])
            return shownC !== null && Math.abs(shownC - shown) <= 2 * tolerance + 0.2
          }),
        )
        if (kind)
          return look(
            'substitute.it-reads-as',
            { title: kind.title, shown: numbers[0]!.shown, value: numbers[0]!.value },
            cause('substitute.input-kind-known', { title: kind.title }, toProbe),
          )
        if (fitted.kind !== 'thermocouple') {
          const damp = [50_000, 100_000, 200_000].some((parallelOhm) =>
            numbers.every(
              ({ value, shown }) =>
                Math.abs((faultyProbe(fitted, value, { parallelOhm }).shownC ?? Infinity) - shown) < 1.5,
            ),
          )
          return look(
            'substitute.parallel',
            { damp, errors: errors[0]!, errors2: errors.at(-1)! },
            damp ? cause('substitute.parallel', {}, toWires) : cause('substitute.input-kind-or-card', {}, toKeying),
          )
        }
      }
      return look(
        'substitute.range',
        { shown: numbers[0]!.shown, quantity, value: numbers[0]!.value },
        cause('substitute.range', {}, toKeying),
      )
    },
  })
}
