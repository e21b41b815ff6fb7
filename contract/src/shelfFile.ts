import type { DeviceProfile } from '@nachtigal/core/device/deviceProfile'
import { migrateDevice } from '@nachtigal/core/device/migrateDevice'
import type { ShelfFile } from './api'
import type { Refusal } from './check'
import { profileRefusal } from './profileRefusal'

/** Most devices that one file may bring. */
export const MOST_DEVICES = 200

/** A shelf file of these devices. */
export const shelfFileOf = (profiles: readonly DeviceProfile[]): ShelfFile => ({
  format: 'nachtigal-shelf',
  version: 1,
  profiles,
})

type ShelfRead =
  { readonly ok: true; readonly profiles: readonly DeviceProfile[] } | { readonly ok: false; readonly wrong: Refusal }

const refuse = (field: string, message: string): ShelfRead => ({ ok: false, wrong: { field, message } })

/** Devices of a shelf file, or of one device alone; else what is wrong, with the place where. Stops before each device. */
export function* judgeShelfFile(value: unknown): Generator<undefined, ShelfRead> {
  if (value === null || typeof value !== 'object' || Array.isArray(value))
    return refuse('', 'this is no device and no shelf file: it must be an object')
  const { format, profiles: held } = value as { format?: unknown; profiles?: unknown }
  if (format === 1) {
    const device = migrateDevice(value)
    const wrong = profileRefusal(device)
    return wrong ? { ok: false, wrong } : { ok: true, profiles: [device as DeviceProfile] }
  }
  if (format !== 'nachtigal-shelf')
    return refuse(
      'format',
      `format is ${JSON.stringify(format ?? null).slice(0, 40)}: it must be "nachtigal-shelf", or 1 for one device`,
    )
  if (!Array.isArray(held) || held.length === 0)
    return refuse('profiles', 'profiles is missing: it must be a list of devices')
  if (held.length > MOST_DEVICES) return refuse('profiles', `profiles holds ${held.length}: ${MOST_DEVICES} at most`)
  const profiles = held.map((each: unknown) => migrateDevice(each))
  for (const [i, profile] of profiles.entries()) {
    yield undefined
    const wrong = profileRefusal(profile)
    if (wrong) return refuse(`profiles[${i}].${wrong.field}`, `device ${i + 1}: ${wrong.message}`)
  }
  const ids = (profiles as DeviceProfile[]).map(({ id }) => id)
  const twice = ids.find((id, i) => ids.indexOf(id) !== i)
  if (twice !== undefined) return refuse('profiles', `profiles holds ${twice} twice`)
  return { ok: true, profiles: profiles as DeviceProfile[] }
}

/** The same at once. */
export function readShelfFile(value: unknown): ShelfRead {
  const judging = judgeShelfFile(value)
  for (;;) {
    const step = judging.next()
    if (step.done) return step.value
  }
}
