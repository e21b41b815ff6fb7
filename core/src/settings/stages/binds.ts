import { bindsOf } from '../binding'
import type { StagePlan } from './fields'

/** What a parameter may bind to in how stages follow one another. */
export const stagesBinds = bindsOf<StagePlan>()({
  stageWait: (plan, time) => time(plan.waitS),
  lead: (plan) => plan.lead,
})
