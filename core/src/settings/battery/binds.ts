import { bindsOf } from '../binding'
import type { BatteryPlan } from './fields'

/** What a parameter may bind to in the cut-off of a battery. */
export const batteryBinds = bindsOf<BatteryPlan>()({
  'battery.cutOff': (plan) => plan.cutOffV,
  'battery.hold': (plan, time) => time(plan.holdS),
  'battery.restart': (plan) => plan.restartV,
})
