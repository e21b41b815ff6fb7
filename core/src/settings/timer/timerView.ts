import { timerSequence, type TimerStretch } from './law/timerSequence'
import { spell } from '../../time/spell'
import type { ResolvedDevice } from '../../document/chain'
import type { TimerPlan } from './fields'
import { plansOf } from '../behaviour'
import { controllerPlanOf } from '../../survey/controllerPlanOf'
import type { LoopContext } from '../../loop/context'
import type { Consequence } from '../consequences'

/** One relay over the stretch that is drawn. */
interface TimerRelay {
  readonly port: string
  readonly title: string
  /** Follows the timer, or the thermostat in series with it. */
  readonly follows: 'timer' | 'both'
  readonly says: string
  readonly stretches: readonly TimerStretch[]
}

interface TimerView {
  readonly plan: TimerPlan
  readonly untilS: number
  readonly relays: readonly TimerRelay[]
  /** What is wrong with its times, where nothing can be drawn. */
  readonly none?: string
  readonly lines: readonly Consequence[]
}

/** Seconds from cold to the setpoint at full power; nothing where nobody knows. */
function heatUpS(context: LoopContext, device: ResolvedDevice): number | undefined {
  const { survey, loop } = context
  const plan = plansOf(loop.settings.planned).find(({ output }) => output.device === device.id)
  const seen = survey?.seen
  if (!plan || !seen || !(seen.powerW > 0)) return undefined
  const powerW = seen.fullPowerW ?? seen.powerW
  const sign = seen.action === 'heating' ? 1 : -1
  const endC = seen.restC + (sign * powerW) / seen.lossWPerK
  const left = (plan.setpointC - endC) / (seen.restC - endC)
  return left > 0 && left < 1 ? -(seen.capacityJPerK / seen.lossWPerK) * Math.log(left) : undefined
}

/** What each relay of a controller with a timer does when. */
export function timerView(context: LoopContext, device: ResolvedDevice): TimerView | undefined {
  const plan = controllerPlanOf(context, device).timer
  if (!plan) return undefined
  const waits = plan.from === 'heat' ? heatUpS(context, device) : 0
  const waitsS = waits ?? 0
  const cycle = plan.mode === 'repeat' ? 3 * (plan.aS + plan.bS) : plan.aS * 1.35
  const untilS = Math.max(60, waitsS + (plan.aS === 0 ? Math.max(3600, waitsS) : cycle))
  const none =
    plan.mode === 'repeat' && !(plan.aS > 0 && plan.bS > 0)
      ? 'To repeat it needs a time A and a time B over 0.'
      : undefined
  const stretches = none ? [] : timerSequence({ ...plan, waitsS }, untilS)
  const line = (id: string, label: string, text: string): Consequence => ({
    id,
    label,
    value: null,
    quantity: 'seconds',
    text,
  })
  const relays = Object.entries(device.facts.ports).flatMap(([port, at]): TimerRelay[] => {
    if (at.kind !== 'contact') return []
    if (at.role === 'timer')
      return [{ port, title: at.title, follows: 'timer', says: 'closed while the timer runs', stretches }]
    if (at.movedBy === 'control' && at.role === undefined)
      return [
        {
          port,
          title: at.title,
          follows: 'both',
          says: 'calls by the thermostat, and only while the timer lets it',
          stretches,
        },
      ]
    return []
  })
  const perDay = plan.mode === 'repeat' && plan.aS + plan.bS > 0 ? 86_400 / (plan.aS + plan.bS) : undefined
  return {
    plan,
    untilS,
    relays,
    ...(none ? { none } : {}),
    lines: [
      line(
        'does',
        plan.mode === 'once' ? 'Counts once' : 'Repeats',
        plan.aS === 0
          ? 'A is 0: it runs on'
          : plan.mode === 'once'
            ? `on for ${spell(plan.aS)}, then off until a key`
            : `on for ${spell(plan.aS)}, off for ${spell(plan.bS)}`,
      ),
      line(
        'from',
        'Counts from',
        plan.from === 'key'
          ? 'the key'
          : waits === undefined
            ? 'when the setpoint is reached; how long that takes comes with the survey'
            : `when the setpoint is reached, about ${spell(waitsS)} from cold`,
      ),
      line('counts', 'Display', plan.counts === 'down' ? 'counts down: what is left' : 'counts up: what has run'),
      ...(perDay
        ? [{ id: 'perDay', label: 'Starts a day', value: perDay, quantity: 'count' as const, decimals: 1 }]
        : []),
      line('series', 'With the thermostat', 'in series: the load runs only while both call'),
    ],
  }
}
