import { bindsOf } from '../binding'
import type { TimerPlan } from './fields'

/** What a parameter may bind to in a timer. */
export const timerBinds = bindsOf<TimerPlan>()({
  'timer.mode': (plan) => plan.mode,
  'timer.a': (plan, time) => time(plan.aS),
  'timer.b': (plan, time) => time(plan.bS),
  'timer.from': (plan) => plan.from,
  'timer.counts': (plan) => plan.counts,
})
