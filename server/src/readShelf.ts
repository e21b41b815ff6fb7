import { readdirSync, readFileSync } from 'node:fs'
import path from 'node:path'
import type { Shelf } from '@nachtigal/contract/api'
import { profileRefusal } from '@nachtigal/contract/profileRefusal'
import type { InstrumentType } from '@nachtigal/core/document/instruments'
import type { FluidTable } from '@nachtigal/core/plant/brine'
import type { Climate } from '@nachtigal/core/plant/climate'
import type { FieldValue } from '@nachtigal/core/plant/fieldValue'
import type { ProbePart } from '@nachtigal/core/probes/probe'
import type { Symptom } from '@nachtigal/core/commissioning/symptom'
import type { DeviceProfile } from '@nachtigal/core/device/deviceProfile'
import { withParts } from '@nachtigal/core/device/withParts'

const readJson = (file: string): unknown => JSON.parse(readFileSync(file, 'utf8'))

/** One device of the shelf: shape, options and curves held against what they must be. @throws Error naming the file that is wrong */
function readProfile(file: string, parts: readonly ProbePart[]): DeviceProfile {
  const read = readJson(file)
  const wrong = profileRefusal(read)
  if (wrong) throw new Error(`${file}: ${wrong.field} ${wrong.message}`)
  return withParts(read as DeviceProfile, parts)
}

/** Reads the shelf's folder: one file a device, each held against its schema, and the field data. @throws Error naming the file that is wrong */
export function readShelf(folder: string): Omit<Shelf, 'own'> {
  const data = (name: string) => readJson(path.join(folder, 'data', `${name}.json`))
  const parts = data('probeParts') as ProbePart[]
  const profiles = readdirSync(folder, { withFileTypes: true })
    .filter((entry) => entry.isDirectory() && entry.name !== 'data')
    .flatMap(({ name }) =>
      readdirSync(path.join(folder, name))
        .filter((file) => file.endsWith('.json'))
        .map((file) => readProfile(path.join(folder, name, file), parts)),
    )
  const values = data('fieldValues') as FieldValue[]
  return {
    profiles: profiles.sort((a, b) => (a.category + a.name < b.category + b.name ? -1 : 1)),
    data: Object.fromEntries(values.map((row) => [row.id, row])),
    parts,
    fluids: data('fluids') as FluidTable[],
    climates: data('climates') as Climate[],
    instruments: data('instruments') as InstrumentType[],
    symptoms: data('symptoms') as Symptom[],
  }
}
