import { Refused } from '../units/refused'
import { monotoneCubic, type Point, straightBetween } from '../numeric/interpolate'

export const fluids = ['water', 'propylene-glycol', 'ethylene-glycol'] as const
export type Fluid = (typeof fluids)[number]

/** Handbook figures of a heat-transfer liquid by volume share; handed in as data. */
export interface FluidTable {
  readonly fluid: Fluid
  readonly source: string
  /** [vol %, first ice °C]; water has the one row of 0 %. */
  readonly freezeC: readonly Point[]
  /** [vol %, kg/m³ at 20 °C]. */
  readonly densityAt20: readonly Point[]
  /** [vol %, kg/m³ a kelvin]. */
  readonly densityPerK: readonly Point[]
  /** [vol %, J/kgK at 20 °C]. */
  readonly specificHeatAt20: readonly Point[]
  /** [vol %, J/kgK a kelvin]. */
  readonly specificHeatPerK: readonly Point[]
}

interface Brine {
  readonly freezeC: number
  readonly densityKgPerM3: number
  readonly specificHeatJPerKgK: number
}

/** Water itself bends too much for a slope: density and specific heat over temperature. Source: steam tables. */
const waterDensity: readonly Point[] = [
  [0, 999.84],
  [4, 999.97],
  [10, 999.7],
  [20, 998.2],
  [30, 995.65],
  [40, 992.22],
  [50, 988.04],
  [60, 983.2],
  [70, 977.76],
  [80, 971.79],
  [90, 965.31],
  [100, 958.35],
]
const waterHeat: readonly Point[] = [
  [0, 4217],
  [10, 4192],
  [20, 4182],
  [30, 4178],
  [40, 4179],
  [50, 4181],
  [60, 4185],
  [70, 4190],
  [80, 4197],
  [90, 4205],
  [100, 4216],
]

/**
 * Freezing point, density and specific heat of a heat-transfer liquid.
 * Glycols: handbook figures at 20 °C between their rows, with a straight slope over temperature (about ±1 %).
 * Source: handbook tables of water, propylene and ethylene glycol on the shelf (`data`), by volume share.
 * @throws RangeError off the table's share, or when the liquid would hold ice or boil
 */
export function brineProperties(
  fluid: Fluid,
  volumePercent: number,
  temperatureC: number,
  tables: readonly FluidTable[],
): Brine {
  const table = tables.find((each) => each.fluid === fluid)
  if (!table) throw new Refused('fluid', { must: 'other', says: `${fluid} has no table` })
  const most = table.freezeC[table.freezeC.length - 1]![0]
  if (!(volumePercent >= 0 && volumePercent <= most))
    throw new Refused(
      'volumePercent',
      most === 0
        ? { must: 'other', says: `${volumePercent} must be 0 for water` }
        : { must: 'between', value: volumePercent, low: 0, high: most, when: ': beyond that ask the maker' },
    )
  const freezeC = most === 0 ? 0 : monotoneCubic(table.freezeC)(volumePercent)
  if (!(temperatureC >= freezeC - 1e-9 && temperatureC <= 100))
    throw new Refused('temperatureC', {
      must: 'between',
      value: temperatureC,
      low: Math.round(10 * freezeC) / 10,
      high: 100,
      when: ': colder it holds ice, hotter it boils',
    })
  if (most === 0 || volumePercent === 0)
    return {
      freezeC,
      densityKgPerM3: straightBetween(waterDensity)(temperatureC),
      specificHeatJPerKgK: straightBetween(waterHeat)(temperatureC),
    }
  const at = (rows: readonly Point[]) => straightBetween(rows)(volumePercent)
  const over = temperatureC - 20
  return {
    freezeC,
    densityKgPerM3: at(table.densityAt20) + at(table.densityPerK) * over,
    specificHeatJPerKgK: at(table.specificHeatAt20) + at(table.specificHeatPerK) * over,
  }
}
