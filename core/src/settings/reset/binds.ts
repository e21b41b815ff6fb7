import { bindsOf, inSeconds } from '../binding'
import type { ResetPlan } from './fields'

/** What a parameter may bind to in an outdoor reset curve. */
export const resetBinds = bindsOf<ResetPlan>()({
  'reset.coldOutdoor': (plan) => plan.designOutdoorC,
  'reset.coldSupply': (plan) => plan.designSupplyC,
  'reset.mildOutdoor': (plan) => plan.warmOutdoorC,
  'reset.mildSupply': (plan) => plan.warmSupplyC,
  'reset.least': (plan) => plan.minimumSupplyC,
  'reset.most': (plan) => plan.maximumSupplyC,
  'reset.shutdown': (plan) => plan.shutdownAboveC,
  'reset.frostOutdoor': (plan) => plan.frostBelowC,
  'reset.frostSupply': (plan) => plan.frostSupplyC,
  'reset.average': (plan, time) => time(inSeconds(plan.averageH, 3600)),
  'reset.shift': (plan) => plan.shiftK,
  'reset.setback': (plan) => plan.setbackK,
})
