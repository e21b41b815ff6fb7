import { readdirSync } from 'node:fs'
import type { Answer, LoopKind } from '../document/documents'
import { emptyJob, emptyLoop } from '../document/documents'
import type { Edited } from '../wiring/chainEdit'
import { basics, profile } from './warmFloor'

const FOLDERS = [
  'controllers',
  'drives',
  'probes',
  'transmitters',
  'loads',
  'limiters',
  'permissives',
  'relays',
  'supplies',
]

/** The whole shelf, for tests. */
export const shelf = FOLDERS.flatMap((folder) =>
  readdirSync(new URL(`../../../shelf/${folder}`, import.meta.url)).map((file) =>
    profile(`${folder}/${file.replace('.json', '')}`),
  ),
)

/** A device of the shelf by its id. @throws RangeError when there is none */
export function device(id: string) {
  const found = shelf.find((each) => each.id === id)
  if (!found) throw new RangeError(`no device ${id} on the shelf`)
  return found
}

/** A dry place without anything that may explode. */
const site = { wet: 'dry', explosive: 'no' } as const

/** Answers of a plausible loop of each kind: every required question, and little else. */
export const plausible: Readonly<Record<LoopKind, Readonly<Record<string, Answer>>>> = {
  floor: {
    probePlace: 'screed',
    target: 28,
    tolerance: 1,
    designOutdoor: -10,
    floorArea: 38,
    insulation: 'fair',
    supplyWater: 42,
    zone: 'edge',
    screedKind: 'cement',
    screedAge: 1000,
    ...site,
  },
  boiler: {
    target: 21,
    tolerance: 1,
    hotWater: 'no',
    designOutdoor: -14,
    floorArea: 260,
    insulation: 'fair',
    emitter: 'radiators-old',
    condensing: 'yes',
    fuel: 'gas',
    supplySchool: 'reset',
    through: 'boiler',
    ...site,
  },
  pool: {
    users: 'animals',
    target: 14,
    tolerance: 0.5,
    floorArea: 60,
    volume: 90,
    site: 'sheltered',
    designOutdoor: -5,
    heater: 'called',
    cover: 'none',
    bonding: 'yes',
    aerosol: 'no',
    mainsAtHand: '230',
    ...site,
  },
  fan: {
    occupants: 'animals',
    target: 22,
    tolerance: 2,
    humiditySet: 70,
    floorArea: 24,
    insulation: 'fair',
    designOutdoor: 18,
    motor: 'ec',
    mainsAtHand: '230',
    ...site,
  },
  enclosure: {
    target: 35,
    tolerance: 4,
    height: 2,
    width: 0.8,
    depth: 0.5,
    designOutdoor: 32,
    heat: 420,
    cooler: 'air',
    compressedAir: 'yes',
    ...site,
  },
  room: {
    target: 21,
    tolerance: 1,
    designOutdoor: -10,
    floorArea: 14,
    insulation: 'fair',
    heater: 'electric',
    way: 'swing',
    ...site,
  },
  'cold-room': {
    goods: 'fish',
    target: 0.5,
    tolerance: 1.5,
    volume: 14,
    insulation: 'fair',
    designOutdoor: 24,
    unit: 'made',
    refrigerant: 'plain',
    defrost: 'coil',
    defrostMeans: 'electric',
    ...site,
  },
  chiller: {
    target: -2,
    tolerance: 2,
    volume: 0.6,
    insulation: 'good',
    designOutdoor: 24,
    heat: 11000,
    liquid: 'pg',
    glycol: 35,
    stages: 3,
    ...site,
  },
  cabinet: {
    target: 45,
    tolerance: 4,
    solvent: 'no',
    volume: 0.8,
    insulation: 'good',
    designOutdoor: 16,
    way: 'swing',
    ...site,
  },
  cabin: {
    sleeps: 'people',
    target: 18,
    tolerance: 2,
    parked: 'open',
    insulation: 'good',
    designOutdoor: -12,
    batteryAh: 100,
    chemistry: 'lead',
    coAlarm: 'yes',
    chassis: 'chassis',
    ...site,
  },
}

/** An empty job with one surveyed loop of a kind. */
export function surveyed(kind: LoopKind, changes: Readonly<Record<string, Answer | undefined>> = {}): Edited {
  const job = emptyJob('job', basics)
  const loop = emptyLoop('loop', 'job', kind, `A ${kind}`, 1)
  const answers = Object.fromEntries(
    Object.entries({ ...plausible[kind], ...changes }).filter(
      (entry): entry is [string, Answer] => entry[1] !== undefined,
    ),
  )
  return { job, loop: { ...loop, survey: { ...loop.survey, answers } } }
}
