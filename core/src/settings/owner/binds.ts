import { bindsOf } from '../binding'
import type { LockPlan } from './fields'

/** What a parameter may bind to in what the owner may touch. */
export const ownerBinds = bindsOf<LockPlan>()({
  lock: (plan) => (plan.shut ? 'shut' : 'open'),
})
