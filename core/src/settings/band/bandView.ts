import { bandEnds, droop, proportionalPercent, proportionalTemperature, type Droop } from './law/proportional'
import { relayLifeYears } from '../../control/worstCycling'
import { driveHz } from '../fan/law/fanDemand'
import { boundTo } from '../../device/bound'
import type { BandBehaviour, PlanOf } from '../behaviour'
import { fieldValue } from '../../plant/fieldValue'
import { plannedValues } from '../plannedValues'
import { signalSpan, signalValue } from '../../signal/signal'
import { signalTitle } from '../../signal/signalTitle'
import { shownText } from '../../units/quantity'
import { reachOf } from '../../wiring/reach'
import type { LoopContext } from '../../loop/context'
import { type Consequence, outdoorNow } from '../consequences'

/** What stands on the second axis: the output as it is measured. */
export interface OutputScale {
  readonly title: string
  readonly unit: string
  readonly at: (percent: number) => number
  readonly text: (percent: number) => string
}

/**
 * Output as a meter or a display shows it: hertz where a drive makes them, volts or milliamps of a signal, seconds of a valve's travel,
 * the share of a cycle.
 */
export function outputScale(
  context: LoopContext,
  plan: Pick<PlanOf, 'output'> & { readonly travelS?: number; readonly cycleS?: number },
): OutputScale {
  const { chain } = context
  const port = chain.devices.find(({ id }) => id === plan.output.device)?.facts.ports[plan.output.port]
  const drive = reachOf(chain, plan.output)
    .flatMap(({ via }) => via)
    .find(({ facts }) => facts.category === 'drive')
  if (drive) {
    const values = plannedValues(context, drive)
    const keyed = (binds: 'slowest' | 'fastest') =>
      Number(values.get(boundTo(drive.facts.controller ?? { parameters: {} }, binds)?.code ?? '') || 0)
    const [low, high] = [keyed('slowest'), keyed('fastest')]
    const at = (percent: number) => driveHz(percent, Math.min(low, high), Math.max(low, high))
    return {
      title: `${drive.tag} ${drive.name}`,
      unit: 'Hz',
      at,
      text: (percent) => `${shownText(at(percent), 1)}\u00a0Hz`,
    }
  }
  if (port?.kind === 'signal-out') {
    const span = signalSpan(port.signal, plan.travelS)
    const at = (percent: number) => signalValue(span, percent)
    const decimals = span.unit === 'V' || span.unit === 'mA' ? 1 : 0
    return {
      title: signalTitle(port.signal),
      unit: span.unit,
      at,
      text: (percent) => `${shownText(at(percent), decimals)}\u00a0${span.unit}`,
    }
  }
  const cycleS = plan.cycleS ?? 0
  const at = (percent: number) => (cycleS * percent) / 100
  return {
    title: `on in each ${shownText(cycleS, cycleS < 10 ? 1 : 0)} s`,
    unit: 's',
    at,
    text: (percent) => `${shownText(at(percent), cycleS < 10 ? 1 : 0)}\u00a0s`,
  }
}

interface BandView {
  readonly zeroC: number
  readonly fullC: number
  /** Temperature and output, corner by corner. */
  readonly corners: readonly (readonly [celsius: number, percent: number])[]
  readonly rest?: Droop
  readonly scale: OutputScale
  readonly lines: readonly Consequence[]
}

/** Output of a band at a temperature, held between its least and its most. */
export const bandPercent = (plan: BandBehaviour, temperatureC: number): number =>
  Math.min(plan.maximumPercent, proportionalPercent(plan, temperatureC, plan.minimumPercent))

/** What stands beside the band: where it comes to rest, at design and now, what a meter shows, how long its relay lasts. */
export function bandView(context: LoopContext, plan: PlanOf<BandBehaviour>): BandView {
  const { survey, words, data, chain } = context
  const { zeroC, fullC } = bandEnds(plan)
  const at = (percent: number) => proportionalTemperature(plan, percent)
  const towards = fullC > zeroC ? 1 : -1
  const corners = [
    [zeroC - towards * plan.bandK * 0.5, plan.minimumPercent],
    [at(plan.minimumPercent), plan.minimumPercent],
    [at(plan.maximumPercent), plan.maximumPercent],
    [fullC + towards * plan.bandK * 0.5, plan.maximumPercent],
  ] as const
  const scale = outputScale(context, plan)
  const seen = survey?.seen
  const fits = seen && seen.action === plan.action && (seen.fullPowerW ?? seen.powerW) > 0
  const input = fits
    ? {
        action: plan.action,
        anchor: plan.anchor,
        setpointC: plan.setpointC,
        bandK: plan.bandK,
        powerW: seen.fullPowerW ?? seen.powerW,
        lossWPerK: seen.lossWPerK,
        outdoorC: seen.restC,
      }
    : undefined
  const restAt = (shiftK: number) => input && droop({ ...input, outdoorC: input.outdoorC + shiftK })
  const rest = restAt(0)
  const now = outdoorNow(context)
  const integral = plan.integralS > 0
  const settle = (id: string, label: string, shiftK: number): Consequence[] => {
    const made = restAt(shiftK)
    if (!input || !made) return []
    const call = (output: string) => ({
      calc: 'control.droop',
      input: { ...input, outdoorC: input.outdoorC + shiftK },
      output,
    })
    return integral && !made.saturated
      ? [{ id, label, value: plan.setpointC, quantity: 'temperature' }]
      : [{ id, label, value: made.settlesC, quantity: 'temperature', worked: call('settlesC') }]
  }
  const port = chain.devices.find(({ id }) => id === plan.output.device)?.facts.ports[plan.output.port]
  // A solid-state output does not wear by its beats.
  const contact = port?.kind === 'contact' && !port.solidState ? port : undefined
  const cycles = plan.cycleS ? 3600 / plan.cycleS : undefined
  const hoursPerYear = fieldValue(data, 'relay.life.hours').typical
  return {
    zeroC,
    fullC,
    corners,
    scale,
    ...(rest ? { rest: integral && !rest.saturated ? { ...rest, settlesC: plan.setpointC, offsetK: 0 } : rest } : {}),
    lines: [
      {
        id: 'zero',
        label: 'Nothing at',
        value: zeroC,
        quantity: 'temperature',
      },
      { id: 'full', label: 'Full at', value: fullC, quantity: 'temperature' },
      ...settle('settles', 'Settles at design', 0),
      ...(now ? settle('now', `Now, ${now.says}`, now.shiftK) : []),
      ...(rest && !integral && Math.abs(rest.offsetK) >= 0.05
        ? [
            {
              id: 'droop',
              label: 'Off the setpoint then',
              value: rest.offsetK,
              quantity: 'difference' as const,
              ...(input ? { worked: { calc: 'control.droop', input, output: 'offsetK' } } : {}),
            },
          ]
        : []),
      ...(rest
        ? [
            {
              id: 'output',
              label: 'Output then',
              value: null,
              quantity: 'percent' as const,
              text: `${words.say(rest.percent, 'percent')}, ${scale.text(rest.percent)}`,
            },
          ]
        : []),
      ...(cycles && contact
        ? [
            {
              id: 'operations',
              label: 'Relay moves a year',
              value: cycles * hoursPerYear,
              quantity: 'count' as const,
              worked: {
                calc: 'cycling.relayLife',
                input: { cyclesPerHour: cycles, hoursPerYear, ratedOperations: contact.ratedOperations },
                output: 'operationsPerYear',
              },
            },
            {
              id: 'life',
              label: 'Relay life',
              value: relayLifeYears(cycles, hoursPerYear, contact.ratedOperations),
              quantity: 'years' as const,
              worked: {
                calc: 'cycling.relayLife',
                input: { cyclesPerHour: cycles, hoursPerYear, ratedOperations: contact.ratedOperations },
                output: 'years',
              },
            },
          ]
        : []),
    ],
  }
}
