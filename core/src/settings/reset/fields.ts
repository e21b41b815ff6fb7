import { maybe, number, record } from '../../schema/field'
import { degrees, hours } from '../fieldParts'
import type { Value } from '../../schema/value'

/** An outdoor reset curve with what belongs to it. */
export const resetPlanRecord = record('reset curve', {
  designOutdoorC: degrees('design outdoor'),
  designSupplyC: degrees('design supply'),
  warmOutdoorC: degrees('warm outdoor'),
  warmSupplyC: degrees('warm supply'),
  minimumSupplyC: maybe(degrees('minimum supply')),
  maximumSupplyC: maybe(degrees('maximum supply')),
  shutdownAboveC: maybe(degrees('warm-weather shutdown above')),
  frostBelowC: maybe(degrees('frost protection below')),
  frostSupplyC: maybe(degrees('frost protection supply')),
  /** Outdoor temperature averaged over this; 0 takes that of now. */
  averageH: hours('outdoor averaged over'),
  /** All supply temperatures up or down, what an owner turns. */
  shiftK: number('parallel shift', 'difference', { min: -200, max: 200 }),
  /** Down by this in the periods of the week that say so. */
  setbackK: number('set-back', 'difference', { min: 0, max: 200 }),
})

/** An outdoor reset curve with what belongs to it. */
export interface ResetPlan extends Value<typeof resetPlanRecord> {}
