import type { ProbePart } from '../probes/probe'
import type { DeviceProfile } from './deviceProfile'

const isNamed = (value: unknown): value is { kind: 'named'; name: string } =>
  value !== null && typeof value === 'object' && (value as { kind?: unknown }).kind === 'named'

/**
 * A profile with every curve that it gives by a part's name written out, so that a copy of it stands alone.
 * @throws RangeError naming the part that the shelf lacks
 */
export function withParts(profile: DeviceProfile, parts: readonly ProbePart[]): DeviceProfile {
  const written = (value: unknown): unknown => {
    if (isNamed(value)) {
      const part = parts.find(({ name }) => name === value.name)
      if (!part) throw new RangeError(`${profile.id} names the probe part ${value.name}, which the shelf lacks`)
      return part.curve
    }
    if (value === null || typeof value !== 'object' || Array.isArray(value)) return value
    return Object.fromEntries(Object.entries(value).map(([key, each]) => [key, written(each)]))
  }
  return written(profile) as DeviceProfile
}
