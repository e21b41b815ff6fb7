import { eq } from 'drizzle-orm'
import type { Shelf } from '@nachtigal/contract/api'
import { judge } from '@nachtigal/contract/check'
import { deviceSchema } from '@nachtigal/contract/profileRefusal'
import { sameValue } from '@nachtigal/core/document/canonicalJson'
import type { DeviceProfile } from '@nachtigal/core/device/deviceProfile'
import { migrateDevice } from '@nachtigal/core/device/migrateDevice'
import { withParts } from '@nachtigal/core/device/withParts'
import { AppError } from '../appError'
import type { Database } from '../db/openDatabase'
import { ownDevices } from '../db/schema'
import { inSlices } from './checkDocument'

/** The shelf as it came, and the devices that were added here. */
export interface ShelfStore {
  read(): Promise<Shelf>
  /** Puts devices on the shelf, all or none; each that changed counts its version up. */
  put(profiles: readonly DeviceProfile[]): Promise<readonly DeviceProfile[]>
  takeOff(id: string): Promise<void>
}

/** Most devices that can be added: keeps what every page reads small. */
const MOST_OWN = 1000

/** @param now the server's clock, as ISO text */
export function createShelfStore(db: Database, shipped: Omit<Shelf, 'own'>, now: () => string): ShelfStore {
  const came = new Set(shipped.profiles.map(({ id }) => id))
  const refuseShipped = (id: string) => {
    if (came.has(id))
      throw new AppError(
        'DEVICE_SHIPPED',
        `id is ${id}: that device came with the shelf; copy it and give the copy another id`,
        {
          field: 'id',
        },
      )
  }
  /** Each state of a device is judged once: it takes long enough to be felt where there are many. */
  const judged = new Map<string, { readonly version: number; readonly says: string | undefined }>()
  const wrongIn = async ({ id, version, body }: typeof ownDevices.$inferSelect) => {
    const known = judged.get(id)
    if (known?.version === version) return known.says
    const wrong = await inSlices(judge(deviceSchema, body))
    const says = wrong?.message ?? (body.id === id ? undefined : `id is ${body.id}: it must be ${id}`)
    judged.set(id, { version, says })
    return says
  }
  return {
    async read() {
      const held = await db.select().from(ownDevices).where(eq(ownDevices.takenOff, false))
      const rows = held.map((row) => ({ ...row, body: migrateDevice(row.body) }))
      // One that an older program, or a fault of the disk, spoilt must not take the others off the shelf with it.
      const broken: { id: string; says: string }[] = []
      for (const row of rows) {
        const says = await wrongIn(row)
        if (says !== undefined) broken.push({ id: row.id, says })
      }
      const own = rows.map(({ body }) => body).filter(({ id }) => !broken.some((each) => each.id === id))
      return {
        ...shipped,
        profiles: [...shipped.profiles, ...own],
        own: own.map(({ id }) => id),
        ...(broken.length > 0 ? { broken } : {}),
      }
    },
    put: (profiles) =>
      db.transaction(async (tx) => {
        const held = await tx.select().from(ownDevices)
        const fresh = profiles.filter(({ id }) => !held.some((row) => row.id === id))
        if (held.length + fresh.length > MOST_OWN)
          throw new AppError(
            'DEVICE_REFUSED',
            `the shelf holds ${held.length} devices of your own: ${MOST_OWN} at most`,
            { field: '' },
          )
        const kept: DeviceProfile[] = []
        for (const given of profiles) {
          refuseShipped(given.id)
          const row = held.find(({ id }) => id === given.id)
          const { version: _given, ...bare } = whole(given, shipped)
          const { version: _held, ...before } = row?.body ?? ({} as DeviceProfile)
          const version = row === undefined ? 1 : sameValue(bare, before) ? row.version : row.version + 1
          const body: DeviceProfile = { ...bare, version }
          const values = { id: given.id, version, body, takenOff: false, changedAt: now() }
          await tx.insert(ownDevices).values(values).onConflictDoUpdate({ target: ownDevices.id, set: values })
          kept.push(body)
        }
        return kept
      }),
    async takeOff(id) {
      refuseShipped(id)
      const gone = await db
        .update(ownDevices)
        .set({ takenOff: true, changedAt: now() })
        .where(eq(ownDevices.id, id))
        .returning({ id: ownDevices.id })
      if (gone.length === 0)
        throw new AppError('DEVICE_UNKNOWN', `there is no device ${id} of your own on the shelf`, { id })
    },
  }
}

/** A device with its curves written out. @throws AppError naming the part that the shelf lacks */
function whole(profile: DeviceProfile, { parts }: Omit<Shelf, 'own'>): DeviceProfile {
  try {
    return withParts(profile, parts)
  } catch (error) {
    throw new AppError('DEVICE_REFUSED', (error as Error).message, { field: 'probe.curve' }, error)
  }
}
