import { Refused } from '../units/refused'
import { type FieldData, fieldValue } from './fieldValue'

export const insulations = ['poor', 'fair', 'good'] as const
export type Insulation = (typeof insulations)[number]
export const builds = ['light', 'medium', 'heavy'] as const
export type Build = (typeof builds)[number]

export interface Spread {
  readonly low: number
  readonly typical: number
  readonly high: number
}

export interface PlantEstimate {
  readonly lossWPerK: number
  readonly capacityJPerK: number
  readonly quickCapacityJPerK: number
  readonly timeConstantH: number
  readonly low: EstimateValues
  readonly high: EstimateValues
  readonly why: string
}

interface EstimateValues {
  readonly lossWPerK: number
  readonly capacityJPerK: number
  readonly quickCapacityJPerK: number
  readonly timeConstantH: number
}

const KJ = 1000
const HOUR = 3600

/**
 * Loss and heat capacity of a heated space from what a fitter can see: floor area, insulation, build.
 * Formula: H = loss per m² × area; C = capacity per m² × area; τ = C / H. The shortest τ pairs low C with high H.
 * Source: field data loss.*, cap.full.*, cap.quick (ISO 13790 classes and practice).
 * @throws RangeError unless the area is over 0
 */
export function estimateSpace(areaM2: number, insulation: Insulation, build: Build, data: FieldData): PlantEstimate {
  if (!(areaM2 > 0) || !Number.isFinite(areaM2)) throw new Refused('areaM2', { must: 'over', value: areaM2, than: 0 })
  const loss = fieldValue(data, `loss.${insulation}`)
  const full = fieldValue(data, `cap.full.${build}`)
  const quick = fieldValue(data, 'cap.quick')
  const at = (lossPick: keyof Spread, capacityPick: keyof Spread): EstimateValues => {
    const lossWPerK = loss[lossPick] * areaM2
    const capacityJPerK = full[capacityPick] * KJ * areaM2
    return {
      lossWPerK,
      capacityJPerK,
      quickCapacityJPerK: quick[capacityPick] * KJ * areaM2,
      timeConstantH: capacityJPerK / lossWPerK / HOUR,
    }
  }
  const extremes = [at('high', 'low'), at('low', 'high')] as const
  return {
    ...at('typical', 'typical'),
    low: { ...extremes[0], lossWPerK: extremes[1].lossWPerK },
    high: { ...extremes[1], lossWPerK: extremes[0].lossWPerK },
    why:
      `${insulation} insulation loses ${loss.low} to ${loss.high}, typically ${loss.typical} ${loss.unit} of floor (${loss.source}); ` +
      `a ${build} build stores ${full.typical} ${full.unit} in all (${full.source}), of which a room-air cycle sees ${quick.typical}`,
  }
}
