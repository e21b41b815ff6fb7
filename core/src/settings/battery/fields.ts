import { record } from '../../schema/field'
import { seconds, volts } from '../fieldParts'
import type { Value } from '../../schema/value'

/** When a battery is too low to run on. */
export const batteryPlanRecord = record('battery cut-off', {
  cutOffV: volts('cuts off at'),
  holdS: seconds('after', 3600),
  restartV: volts('starts again at'),
})

/** When a battery is too low to run on. */
export interface BatteryPlan extends Value<typeof batteryPlanRecord> {}
