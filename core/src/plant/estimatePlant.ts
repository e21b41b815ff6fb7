import { Refused } from '../units/refused'
import { type Build, estimateSpace, type Insulation, type PlantEstimate, type Spread } from './estimate'
import { type FieldData, fieldValue } from './fieldValue'
import { storedJPerK } from './water'

export const plantKinds = [
  'floor',
  'boiler',
  'pool',
  'fan',
  'enclosure',
  'room',
  'cold-room',
  'chiller',
  'cabinet',
  'cabin',
] as const
export type PlantKind = (typeof plantKinds)[number]

export interface EstimateInput {
  readonly kind: PlantKind
  readonly areaM2?: number | undefined
  readonly volumeM3?: number | undefined
  readonly insulation: Insulation
  readonly build?: Build | undefined
}

/** Loss and stored heat with their spread, and from what. */
interface Estimated {
  readonly loss: Spread
  readonly capacity: Spread
  readonly quick: Spread
  readonly why: string
}

const HOUR = 3600
const KJ = 1000
/** An on/off cycle of an air probe sees about this share of what is stored. */
const QUICK_SHARE = 0.25
/** Taken where only the other measure is known. */
const STOREY_M = 2.5
const COLD_ROOM_M = 2.4
const POOL_DEPTH_M = 1.4
const CABIN_M3 = 10
/** Load at which water content is reckoned: 32 K between room and design day, as the loss figures are. */
const DESIGN_K = 32
/** Heat of air, Wh/m³K. */
const AIR_WH = 0.34

const times = ({ low, typical, high }: Spread, factor: number): Spread => ({
  low: low * factor,
  typical: typical * factor,
  high: high * factor,
})
const plus = (a: Spread, b: Spread): Spread => ({
  low: a.low + b.low,
  typical: a.typical + b.typical,
  high: a.high + b.high,
})
const exactly = (value: number): Spread => ({ low: value, typical: value, high: value })
const between = (a: Spread, b: Spread): Spread => ({
  low: Math.min(a.low, b.low),
  typical: (a.typical + b.typical) / 2,
  high: Math.max(a.high, b.high),
})
/** Outside of a box that is a little longer than a cube, m². */
const shellM2 = (volumeM3: number) => 6.6 * volumeM3 ** (2 / 3)

function needed(name: string, kind: PlantKind, ...given: (number | undefined)[]): number {
  const value = given.find((each) => each !== undefined)
  if (value === undefined)
    throw new Refused(name, { must: 'other', says: `is missing: a ${kind} is estimated from it` })
  return value
}

function spaceM2({ kind, areaM2, volumeM3 }: EstimateInput) {
  return needed('areaM2', kind, areaM2, volumeM3 === undefined ? undefined : volumeM3 / STOREY_M)
}

const estimators: Readonly<Partial<Record<PlantKind, (input: EstimateInput, data: FieldData) => Estimated>>> = {
  pool: ({ kind, areaM2, volumeM3, insulation }, data) => {
    const volume = needed('volumeM3', kind, volumeM3, areaM2 === undefined ? undefined : areaM2 * POOL_DEPTH_M)
    const area = areaM2 ?? volume / POOL_DEPTH_M
    const [open, cover] = [fieldValue(data, 'pool.u.open'), fieldValue(data, 'pool.u.cover')]
    const perM2 = { poor: open, fair: between(cover, open), good: cover }[insulation]
    const stored = exactly(storedJPerK(volume))
    return {
      loss: times(perM2, area),
      capacity: stored,
      quick: stored,
      why: `${{ poor: 'open water', fair: 'water covered at night', good: 'water under a floating cover' }[insulation]} loses ${perM2.low} to ${perM2.high}, typically ${perM2.typical} ${open.unit} on water over air (${open.source}); the water stores 1.163 kWh a m³ and kelvin, and stirred water cycles as a whole`,
    }
  },
  enclosure: ({ kind, areaM2, volumeM3, insulation }, data) => {
    const area = needed('areaM2', kind, areaM2, volumeM3 === undefined ? undefined : shellM2(volumeM3))
    const wall = fieldValue(
      data,
      { poor: 'encl.k.steel', fair: 'encl.k.stainless', good: 'encl.k.plastic' }[insulation],
    )
    const stored = fieldValue(data, 'cap.enclosure')
    const capacity = times(stored, area * KJ)
    return {
      loss: times(wall, area),
      capacity,
      quick: times(capacity, QUICK_SHARE),
      why: `${wall.what}: ${wall.low} to ${wall.high}, typically ${wall.typical} ${wall.unit} of effective area (${wall.source}); ${stored.what}: ${stored.typical} ${stored.unit} (${stored.source})`,
    }
  },
  'cold-room': ({ kind, areaM2, volumeM3, insulation }, data) => {
    const volume = needed('volumeM3', kind, volumeM3, areaM2 === undefined ? undefined : areaM2 * COLD_ROOM_M)
    const panel = fieldValue(data, { poor: 'cr.u.80', fair: 'cr.u.100', good: 'cr.u.150' }[insulation])
    const airWPerK = (70 / Math.sqrt(volume)) * volume * (AIR_WH / 24)
    const stored = fieldValue(data, 'cap.coldroom')
    const capacity = times(stored, volume * KJ)
    return {
      loss: plus(times(panel, shellM2(volume)), { low: airWPerK * 0.8, typical: airWPerK, high: airWPerK * 2 }),
      capacity,
      quick: times(capacity, QUICK_SHARE),
      why: `${panel.what}: ${panel.typical} ${panel.unit} (${panel.source}) and 70/√V air changes a day; ${stored.what}: ${stored.low} to ${stored.high}, typically ${stored.typical} ${stored.unit} (${stored.source})`,
    }
  },
  chiller: ({ kind, volumeM3, insulation }, data) => {
    const volume = needed('volumeM3', kind, volumeM3)
    const wall = fieldValue(data, `u.tank.${insulation}`)
    const stored = exactly(storedJPerK(volume))
    return {
      loss: times(wall, shellM2(volume)),
      capacity: stored,
      quick: stored,
      why: `${wall.what}: ${wall.low} to ${wall.high}, typically ${wall.typical} ${wall.unit} (${wall.source}); the liquid stores as water does, and what is pumped cycles as a whole`,
    }
  },
  cabinet: ({ kind, areaM2, volumeM3, insulation }, data) => {
    const volume = needed('volumeM3', kind, volumeM3, areaM2 === undefined ? undefined : (areaM2 / 6.6) ** 1.5)
    const wall = fieldValue(data, `u.cabinet.${insulation}`)
    const stored = fieldValue(data, 'cap.cabinet')
    const capacity = times(stored, volume * KJ)
    return {
      loss: times(wall, areaM2 ?? shellM2(volume)),
      capacity,
      quick: times(capacity, QUICK_SHARE),
      why: `${wall.what}: ${wall.low} to ${wall.high}, typically ${wall.typical} ${wall.unit} (${wall.source}); ${stored.what}: ${stored.typical} ${stored.unit} (${stored.source})`,
    }
  },
  cabin: ({ volumeM3 = CABIN_M3, insulation }, data) => {
    const [insulated, bare] = [fieldValue(data, 'van.ua.insulated'), fieldValue(data, 'van.ua.bare')]
    const loss = { poor: bare, fair: between(insulated, bare), good: insulated }[insulation]
    const stored = fieldValue(data, 'cap.cabin')
    const capacity = times(stored, volumeM3 * KJ)
    return {
      loss,
      capacity,
      quick: times(capacity, QUICK_SHARE),
      why: `a small van cabin loses ${loss.low} to ${loss.high}, typically ${loss.typical} W/K (${bare.source}); ${stored.what}: ${stored.typical} ${stored.unit} (${stored.source}), ${volumeM3} m³ taken`,
    }
  },
}

/** The slowest answer pairs much heat with little loss, the quickest the other way round. */
function estimateOf({ loss, capacity, quick, why }: Estimated): PlantEstimate {
  const hours = (stored: number, lost: number) => stored / lost / HOUR
  return {
    lossWPerK: loss.typical,
    capacityJPerK: capacity.typical,
    quickCapacityJPerK: quick.typical,
    timeConstantH: hours(capacity.typical, loss.typical),
    low: {
      lossWPerK: loss.low,
      capacityJPerK: capacity.low,
      quickCapacityJPerK: quick.low,
      timeConstantH: hours(capacity.low, loss.high),
    },
    high: {
      lossWPerK: loss.high,
      capacityJPerK: capacity.high,
      quickCapacityJPerK: quick.high,
      timeConstantH: hours(capacity.high, loss.low),
    },
    why,
  }
}

/**
 * Loss and stored heat of each of the ten kinds, from what a fitter can see. Floor, room, fan and boiler from the area they serve (what a
 * boiler's cycle sees is its system water); pool and chiller from their water; the rest from their shell and volume.
 * Source: field data of sections 7 to 11; every figure with its low and high.
 * @throws RangeError naming the measure that is missing
 */
export function estimatePlant(input: EstimateInput, data: FieldData): PlantEstimate {
  const { kind, insulation, build = 'medium' } = input
  const estimator = estimators[kind]
  if (estimator) return estimateOf(estimator(input, data))
  const space = estimateSpace(spaceM2(input), insulation, build, data)
  if (kind === 'fan') return { ...space, why: `${space.why}; air moved adds ${AIR_WH} W/K for each m³/h` }
  if (kind !== 'boiler') return space
  const content = fieldValue(data, 'water.system')
  const waterOf = (lossWPerK: number, litresPerKw: number) => storedJPerK((lossWPerK * DESIGN_K * litresPerKw) / 1e6)
  return {
    ...space,
    quickCapacityJPerK: waterOf(space.lossWPerK, content.typical),
    low: { ...space.low, quickCapacityJPerK: waterOf(space.low.lossWPerK, content.low) },
    high: { ...space.high, quickCapacityJPerK: waterOf(space.high.lossWPerK, content.high) },
    why: `${space.why.replace(/, of which.*$/, '')}; a burner's cycle sees the system water, ${content.low} to ${content.high}, typically ${content.typical} ${content.unit} at ${DESIGN_K} K (${content.source})`,
  }
}
