import { readdirSync, readFileSync } from 'node:fs'
import path from 'node:path'
import type { Shelf } from '@nachtigal/contract/api'
import { refusal } from '@nachtigal/contract/check'
import { profileSchema } from '@nachtigal/contract/profileSchema'
import type { FluidTable } from '@nachtigal/core/plant/brine'
import type { FieldValue } from '@nachtigal/core/plant/fieldValue'
import type { ProbePart } from '@nachtigal/core/probes/probe'
import type { DeviceProfile } from '@nachtigal/core/profile/deviceProfile'

const readJson = (file: string): unknown => JSON.parse(readFileSync(file, 'utf8'))

/** Reads the shelf's folder: one file a device, each held against its schema, and the field data. @throws Error naming the file that is wrong */
export function readShelf(folder: string): Shelf {
  const groups = readdirSync(folder, { withFileTypes: true }).filter(
    (entry) => entry.isDirectory() && entry.name !== 'data',
  )
  const profiles = groups.flatMap(({ name }) =>
    readdirSync(path.join(folder, name))
      .filter((file) => file.endsWith('.json'))
      .map((file) => {
        const at = path.join(folder, name, file)
        const profile = readJson(at)
        const wrong = refusal(profileSchema, profile)
        if (wrong) throw new Error(`${at}: ${wrong.message}`)
        return profile as DeviceProfile
      }),
  )
  const data = (name: string) => readJson(path.join(folder, 'data', `${name}.json`))
  const values = data('fieldValues') as FieldValue[]
  return {
    profiles: profiles.sort((a, b) => (a.category + a.name < b.category + b.name ? -1 : 1)),
    data: Object.fromEntries(values.map((row) => [row.id, row])),
    parts: data('probeParts') as ProbePart[],
    fluids: data('fluids') as FluidTable[],
  }
}
