import { bindsOf } from '../binding'
import type { BandBehaviour, PlanOf } from '../behaviour'

/** What a parameter may bind to in an output that gives more or less. */
export const bandBinds = bindsOf<PlanOf<BandBehaviour>>()({
  band: (plan) => plan.bandK,
  anchor: (plan) => plan.anchor,
  integral: (plan, time) => time(plan.integralS),
  least: (plan) => plan.minimumPercent,
  most: (plan) => plan.maximumPercent,
  cycle: (plan, time) => time(plan.cycleS),
  travel: (plan, time) => time(plan.travelS),
})
