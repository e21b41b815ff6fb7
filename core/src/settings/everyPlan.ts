import { choice, maybe, number } from '../schema/field'
import { order, portRef } from '../schema/places'
import { degrees, share } from './fieldParts'
import { faultActions } from '../choices/deviceChoices'

/** What every planned output has, whatever way it controls. Implausible values are findings; what has no meaning is refused. */
export const everyPlan = {
  order: order(),
  output: portRef('output'),
  input: portRef('follows'),
  action: choice('action', ['heating', 'cooling'], { heating: 'heats', cooling: 'cools' }),
  setpointC: degrees('setpoint'),
  lowestC: maybe(degrees('lowest setpoint')),
  highestC: maybe(degrees('highest setpoint')),
  alarmHighC: maybe(degrees('high alarm')),
  alarmLowC: maybe(degrees('low alarm')),
  offsetK: number('offset', 'difference', { min: -1000, max: 1000 }),
  probeFault: choice('probe fault', faultActions),
  /** Share of full that it runs at without its probe, where the probe fault is `duty`. */
  dutyPercent: maybe(share('output without its probe')),
}
