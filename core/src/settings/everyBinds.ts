import { bindsOf } from './binding'
import type { PlanOf } from './behaviour'

/** What a parameter may bind to in any planned output. */
export const everyBinds = bindsOf<PlanOf>()({
  setpoint: (plan) => plan.setpointC,
  offset: (plan) => plan.offsetK,
  lowest: (plan) => plan.lowestC,
  highest: (plan) => plan.highestC,
  alarmHigh: (plan) => plan.alarmHighC,
  alarmLow: (plan) => plan.alarmLowC,
  probeFault: (plan) => plan.probeFault,
  duty: (plan) => plan.dutyPercent,
  action: (plan) => plan.action,
  input: (plan) => plan.input.port,
})
