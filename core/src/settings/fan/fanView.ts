import { fanDemand, type FanDemand } from './law/fanDemand'
import type { FanBehaviour, PlanOf } from '../behaviour'
import type { LoopContext } from '../../loop/context'
import type { Consequence } from '../consequences'
import { outputScale, type OutputScale } from '../band/bandView'

interface FanView {
  readonly lowC: number
  readonly highC: number
  readonly lowPercent: number
  readonly highPercent: number
  /** Rows from damp to dry, cells from cool to warm. */
  readonly cells: readonly (readonly FanDemand[])[]
  readonly scale: OutputScale
  readonly lines: readonly Consequence[]
}

const ACROSS = 24
const UP = 16

const inputOf = (plan: FanBehaviour, temperatureC: number, humidityPercent: number) => ({
  temperatureC,
  temperatureSetC: plan.setpointC,
  temperatureBandK: plan.bandK,
  ...(plan.humidityPercent !== undefined && plan.humidityBandPercent !== undefined
    ? {
        humidityPercent,
        humiditySetPercent: plan.humidityPercent,
        humidityBandPercent: plan.humidityBandPercent,
      }
    : {}),
  minimumPercent: plan.minimumPercent,
  minimumMode: plan.minimumMode,
})

/** What the fan does in air of this temperature and humidity. */
export const fanAt = (plan: FanBehaviour, temperatureC: number, humidityPercent: number): FanDemand =>
  fanDemand(inputOf(plan, temperatureC, humidityPercent))

/** Which demand commands, in words. */
export const commandWords = {
  temperature: 'temperature asks',
  humidity: 'humidity asks',
  minimum: 'least speed',
  off: 'off',
} as const

/** Demand over temperature and humidity as a map, and what the fan does at a working point. */
export function fanView(
  context: LoopContext,
  plan: PlanOf<FanBehaviour>,
  at: { readonly temperatureC: number; readonly humidityPercent: number },
): FanView {
  const lowC = plan.setpointC - plan.bandK
  const highC = plan.setpointC + 2 * plan.bandK
  const [set, band] = [plan.humidityPercent ?? 50, plan.humidityBandPercent ?? 20]
  const lowPercent = Math.max(0, set - 1.5 * band)
  const highPercent = Math.min(100, set + 2 * band)
  const cells = Array.from({ length: UP }, (_, row) =>
    Array.from({ length: ACROSS }, (_each, i) =>
      fanAt(
        plan,
        lowC + ((highC - lowC) * (i + 0.5)) / ACROSS,
        highPercent - ((highPercent - lowPercent) * (row + 0.5)) / UP,
      ),
    ),
  )
  const scale = outputScale(context, plan)
  const here = fanAt(plan, at.temperatureC, at.humidityPercent)
  const call = (output: string) => ({
    calc: 'fan.demand',
    input: inputOf(plan, at.temperatureC, at.humidityPercent),
    output,
  })
  const { words } = context
  const restPercent = plan.minimumPercent === 'off' ? 0 : plan.minimumPercent
  return {
    lowC,
    highC,
    lowPercent,
    highPercent,
    cells,
    scale,
    lines: [
      { id: 'here', label: 'At the point', value: here.percent, quantity: 'percent', worked: call('percent') },
      {
        id: 'command',
        label: 'Because',
        value: null,
        quantity: 'percent',
        text: commandWords[here.command],
      },
      { id: 'signal', label: scale.title, value: null, quantity: 'percent', text: scale.text(here.percent) },
      {
        id: 'rest',
        label: 'When nothing asks',
        value: null,
        quantity: 'percent',
        text: restPercent > 0 ? `${words.say(restPercent, 'percent')}, ${scale.text(restPercent)}` : 'the fan stands',
      },
      {
        id: 'full-warm',
        label: 'Full at',
        value: plan.setpointC + plan.bandK,
        quantity: 'temperature',
      },
      ...(plan.humidityPercent !== undefined && plan.humidityBandPercent !== undefined
        ? [
            {
              id: 'full-damp',
              label: 'or full at',
              value: null,
              quantity: 'percent' as const,
              text: `${words.say(Math.min(100, plan.humidityPercent + plan.humidityBandPercent), 'percent')} humidity`,
            },
          ]
        : []),
    ],
  }
}
