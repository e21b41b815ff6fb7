import { fanAt } from '../../settings/fan/fanView'
import type { LoopContext } from '../../loop/context'
import type { FanBehaviour, PlanOf } from '../../settings/behaviour'
import { sourceOf } from '../../wiring/sources'
import type { Judged, StepSpec, TestSpec } from '../proofTest'
import {
  around,
  cause,
  deviceOf,
  loadName,
  look,
  outputName,
  parameterName,
  sourceOfRow,
  spec,
  substitute,
  toKeying,
  toProbe,
  toWires,
} from './parts'
import { dryPercent, metered } from './sweepTest'

/** The humidity input of a fan's controller. */
export function humidityInput(context: LoopContext, plan: PlanOf<FanBehaviour>) {
  const device = deviceOf(context, plan.output.device)
  const port = Object.entries(device?.facts.ports ?? {}).find(
    ([, p]) => p.kind === 'measure-in' && p.measures === 'humidity',
  )
  return port && { device: plan.output.device, port: port[0] }
}

const commands = {
  temperature: 'temperature asks',
  humidity: 'humidity asks',
  minimum: 'least speed',
  off: 'off',
} as const

/**
 * A fan at its minimum and at each of its two demands: output metered, what commands, and that air moves. Expected: `fan.demand`.
 */
export function fanTest(context: LoopContext, plan: PlanOf<FanBehaviour>): TestSpec {
  const { say } = context.words
  const meter = metered(context, plan)
  const source = sourceOfRow(context, meter.row)
  const damp = humidityInput(context, plan)
  const dry = dryPercent(plan)
  const cold = plan.setpointC - plan.bandK
  const wet = Math.min(100, (plan.humidityPercent ?? 50) + (plan.humidityBandPercent ?? 20))
  const step = (id: string, title: string, temperatureC: number, humidityPercent: number): StepSpec => {
    const { percent, command } = fanAt(plan, temperatureC, humidityPercent)
    const ohms = substitute(context, plan.input, temperatureC)
    const volts = damp && substitute(context, damp, humidityPercent)
    const dial = [ohms, volts].filter(Boolean).join(', ')
    return {
      id,
      title,
      does: `Temperature to ${say(temperatureC, 'temperature')}${damp ? `, humidity to ${say(humidityPercent, 'percent')}` : ''}${dial ? ` (${dial})` : ''}. It should give ${say(percent, 'percent')}.`,
      main: around('Meter reads', meter.quantity, meter.at(percent), meter.tolerance(percent), source, {
        decimals: meter.decimals,
        nothing: 'nothing',
      }),
      asides: {
        command: { kind: 'choice', label: 'Who commands', choices: commands, wants: command },
        turns: {
          kind: 'choice',
          label: loadName(context, plan),
          choices: { turns: 'turns', stands: 'stands' },
          wants: percent > 0 ? 'turns' : 'stands',
        },
      },
      ...(dial ? { dial } : {}),
      at: { input: plan.input, temperatureC, humidityPercent },
    }
  }
  const steps = [
    step('least', 'At its minimum', cold, dry),
    step('warm', 'Temperature asks', plan.setpointC + plan.bandK, dry),
    ...(damp && plan.humidityPercent !== undefined
      ? [
          step('damp', 'Humidity asks', cold, wet),
          step('half', 'Humidity asks half', cold, (plan.humidityPercent + wet) / 2),
        ]
      : []),
  ]
  const kindOf = sourceOf(context.chain, deviceOf(context, plan.output.device)!)
  return spec(context, {
    id: `fan/${plan.id}`,
    kind: 'fan',
    title: 'Fan: minimum and demands',
    about: outputName(context, plan),
    purpose: 'At least speed when nothing asks, and full by temperature and by humidity alone.',
    have: ['meter', 'resistance box', ...(damp ? ['signal source'] : [])],
    how: `Boxes in place of both sensors. ${kindOf.kind === 'own' ? '' : 'Hold a strip of paper at the grille: it must lift at least speed too.'}`.trim(),
    rule: `Output within what may stray (${source}); the fan turns at its minimum and goes on turning.`,
    safety: [
      'A fan starts by itself: guard on. Animals or people on forced air are never left without it: work with the second fan or the door open.',
    ],
    steps,
    judge: (found, wrong): Judged | undefined => {
      if (found.picked('least/turns') === 'stands' && fanAt(plan, cold, dry).percent > 0) {
        const low = found.value('least')
        const given =
          typeof low === 'number' && Math.abs(low - meter.at(fanAt(plan, cold, dry).percent)) <= meter.tolerance(0)
        return {
          ...look(
            'fan.least-too-low',
            { given },
            given
              ? cause(
                  'fan.least-too-low',
                  {
                    value:
                      `Raise the minimum by 5 % until it starts from standstill, every time. ${parameterName(context, plan, 'least') ?? ''}`.trim(),
                  },
                  toKeying,
                )
              : cause(
                  'fan.least-not-keyed',
                  { leastParameter: parameterName(context, plan, 'least'), minimumPercent: plan.minimumPercent },
                  toKeying,
                ),
          ),
          verdict: 'stop',
        }
      }
      const stands = ['warm', 'damp', 'half'].find((id) => found.picked(`${id}/turns`) === 'stands')
      if (stands) return look('fan.fan-not-following', {}, cause('fan.fan-not-following', {}, toWires))
      if (wrong.includes('least')) {
        const full = ['warm', 'damp'].every((id) => !wrong.includes(id))
        return look(
          'fan.least-not-keyed',
          {},
          cause('fan.least-otherwise', { full, leastParameter: parameterName(context, plan, 'least') }, toKeying),
        )
      }
      if (wrong.includes('damp') && !wrong.includes('warm'))
        return look(
          'fan.humidity-not-felt',
          {},
          cause('fan.humidity-not-felt', {}, toWires),
          cause(
            'fan.humidity-not-keyed',
            {
              humidityParameter: parameterName(context, plan, 'humidity'),
              humidityBandParameter: parameterName(context, plan, 'humidityBand'),
            },
            toKeying,
          ),
        )
      if (wrong.includes('warm') && !wrong.includes('damp') && found.value('damp') !== undefined)
        return look('fan.temperature-not-felt', {}, cause('fan.temperature-not-felt', {}, toProbe))
      return undefined
    },
  })
}
