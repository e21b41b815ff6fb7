import type { Words } from '../words/words'
import type { DeviceProfile } from './deviceProfile'

function told(value: unknown, tell: Words['tell']): unknown {
  if (typeof value === 'string') return tell(value)
  if (Array.isArray(value)) return value.map((each) => told(each, tell))
  if (typeof value !== 'object' || value === null) return value
  return Object.fromEntries(Object.entries(value).map(([key, inner]) => [key, told(inner, tell)]))
}

/**
 * A device of the shelf as somebody would have typed it: what its texts keep for each system of measures stands in the units that are
 * looked at. What is copied from it is the copier's own.
 */
export const toldProfile = (profile: DeviceProfile, { tell }: Pick<Words, 'tell'>): DeviceProfile =>
  told(profile, tell) as DeviceProfile
