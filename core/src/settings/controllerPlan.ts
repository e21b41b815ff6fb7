import { either, map, maybe, number, record, whole } from '../schema/field'
import type { Value } from '../schema/value'
import { batteryPlanRecord } from './battery/fields'
import { defrostPlanRecord } from './defrost/fields'
import { lockRecord, meantFields, ownerFields } from './owner/fields'
import { resetPlanRecord } from './reset/fields'
import { stagePlanRecord } from './stages/fields'
import { timerPlanRecord } from './timer/fields'
import { weekPlanRecord } from './week/fields'

/** What is planned for a controller as a whole, besides its outputs. What is left out is as it comes by its kind of loop. */
export const controllerPlanRecord = record('controller', {
  stages: maybe(whole(stagePlanRecord)),
  reset: maybe(whole(resetPlanRecord)),
  defrost: maybe(whole(defrostPlanRecord)),
  battery: maybe(whole(batteryPlanRecord)),
  week: maybe(whole(weekPlanRecord)),
  timer: maybe(whole(timerPlanRecord)),
  /** Parameters that no instrument holds, by code: a number in the contract's unit, or what is meant. */
  values: maybe(whole(map('other parameters', either('value', number('value', 'factor'))))),
  owner: maybe(whole(ownerFields)),
  meant: maybe(whole(meantFields)),
  lock: maybe(whole(lockRecord)),
})

/** What is planned for a controller as a whole, besides its outputs. */
export interface ControllerPlan extends Value<typeof controllerPlanRecord> {}
