import type { Build, Insulation, PlantEstimate, Spread } from '../plant/estimate'
import { estimateSpace } from '../plant/estimate'
import type { FieldData } from '../plant/fieldValue'
import { Refused } from '../units/refused'

/** What a fitter can see of a place. */
export interface EstimateInput {
  readonly areaM2?: number | undefined
  readonly volumeM3?: number | undefined
  readonly insulation: Insulation
  readonly build?: Build | undefined
}

/** Loss and stored heat of one kind of place, from what a fitter can see. */
export type Estimator = (input: EstimateInput, data: FieldData) => PlantEstimate

/** Loss and stored heat with their spread, and from what. */
interface Estimated {
  readonly loss: Spread
  readonly capacity: Spread
  readonly quick: Spread
  readonly why: string
}

export const KJ = 1000
const HOUR = 3600
/** An on/off cycle of an air probe sees about this share of what is stored. */
export const QUICK_SHARE = 0.25
/** Taken where only the other measure is known. */
const STOREY_M = 2.5
/** Heat of air, Wh/m³K. */
export const AIR_WH = 0.34

/** A spread, each of its figures times a factor. */
export const times = ({ low, typical, high }: Spread, factor: number): Spread => ({
  low: low * factor,
  typical: typical * factor,
  high: high * factor,
})
/** Two spreads added, low to low and high to high. */
export const plus = (a: Spread, b: Spread): Spread => ({
  low: a.low + b.low,
  typical: a.typical + b.typical,
  high: a.high + b.high,
})
/** A figure that is known, as a spread. */
export const exactly = (value: number): Spread => ({ low: value, typical: value, high: value })
/** What lies between two spreads: from the lower to the higher, typically the middle of both. */
export const between = (a: Spread, b: Spread): Spread => ({
  low: Math.min(a.low, b.low),
  typical: (a.typical + b.typical) / 2,
  high: Math.max(a.high, b.high),
})
/** Outside of a box that is a little longer than a cube, m². */
export const shellM2 = (volumeM3: number) => 6.6 * volumeM3 ** (2 / 3)

/**
 * The first measure that is there.
 * @throws Refused naming the measure that is missing
 */
export function needed(name: string, kind: string, ...given: (number | undefined)[]): number {
  const value = given.find((each) => each !== undefined)
  if (value === undefined)
    throw new Refused(name, { must: 'other', says: `is missing: a ${kind} is estimated from it` })
  return value
}

/** The slowest answer pairs much heat with little loss, the quickest the other way round. */
export function estimateOf({ loss, capacity, quick, why }: Estimated): PlantEstimate {
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

/** A heated space: from the area it serves, or from its volume at a storey's height. */
export const spaceOf =
  (kind: string): Estimator =>
  ({ areaM2, volumeM3, insulation, build = 'medium' }, data) =>
    estimateSpace(
      needed('areaM2', kind, areaM2, volumeM3 === undefined ? undefined : volumeM3 / STOREY_M),
      insulation,
      build,
      data,
    )
