import { bindsAny } from '../device/bound'
import type { ControllerFacts } from '../device/deviceProfile'
import type { Behaviour } from './behaviour'
import type { ParameterQuantity } from './parameterQuantities'

/** Settings that a plan may do without, and what a controller must be keyed to for them to be there. */
const keptBy = {
  lowestC: 'lowest',
  highestC: 'highest',
  alarmHighC: 'alarmHigh',
  alarmLowC: 'alarmLow',
  minimumOffS: 'minimumOff',
  offsetK: 'offset',
} as const satisfies Record<string, ParameterQuantity>
type Kept = keyof typeof keptBy
/** These have a meaning where nothing keeps them: none. */
const NONE: Partial<Record<Kept, 0>> = { minimumOffS: 0, offsetK: 0 }

/**
 * Whether a controller has a setting: a bare dial has no alarm, no limits, no minimum off time and nothing to correct its reading with. Of one
 * that is not known nothing is known to lack.
 */
export const keeps = (controller: Pick<ControllerFacts, 'parameters'> | undefined, setting: string): boolean =>
  controller === undefined || !Object.hasOwn(keptBy, setting) || bindsAny(controller, keptBy[setting as Kept])

/**
 * A plan without the settings that its controller does not have, so that they are not drawn, not promised and not simulated. The same object
 * where it has them all.
 */
export function keptPlan<P extends Behaviour>(plan: P, controller: Pick<ControllerFacts, 'parameters'>): P {
  const held: Partial<Record<Kept, unknown>> = plan
  const lacking = (Object.keys(keptBy) as Kept[]).filter(
    (setting) => held[setting] !== undefined && held[setting] !== NONE[setting] && !keeps(controller, setting),
  )
  if (lacking.length === 0) return plan
  return Object.fromEntries(
    Object.entries(plan).flatMap(([setting, value]) =>
      !lacking.includes(setting as Kept)
        ? [[setting, value]]
        : NONE[setting as Kept] === undefined
          ? []
          : [[setting, NONE[setting as Kept]]],
    ),
  ) as unknown as P
}
