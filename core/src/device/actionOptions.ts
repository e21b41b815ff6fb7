import { ordered } from '../schema/ordered'
import { asSet } from './asSet'
import type { DeviceProfile } from './deviceProfile'

type Action = 'heating' | 'cooling'

const turnsAway = (profile: DeviceProfile, action: Action): boolean =>
  Object.values(profile.ports).some((port) => port.kind === 'contact' && port.action && port.action !== action)

/**
 * What is chosen on a device so that its outputs call for this action: a thermostat whose terminals are one for heat and another for cooling.
 * @returns the choices by option, nothing where the device calls for it as it comes; undefined where no choice does
 */
export function actionOptions(profile: DeviceProfile, action: Action): Readonly<Record<string, string>> | undefined {
  if (!turnsAway(asSet(profile), action)) return {}
  for (const [option, { choices }] of Object.entries(profile.options ?? {}))
    for (const { id } of ordered(choices)) {
      const set = { [option]: id }
      if (!turnsAway(asSet(profile, set), action)) return set
    }
  return undefined
}
