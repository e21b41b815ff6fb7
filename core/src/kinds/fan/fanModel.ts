import { airSensible } from '../../plant/airSensible'
import { moistAir } from '../../plant/moistAir'
import type { PlantModel } from '../../plant/thermalNetwork'

interface FanModelFacts {
  readonly lossWPerK: number
  readonly quickJPerK: number
  readonly wholeJPerK: number
  readonly filmWPerK: number
  readonly heatW: number
  /** Share of that heat that is given as moisture. */
  readonly moistShare: number
  readonly volumeM3: number
  readonly startC: number
  readonly startPercent: number
}

const AIR_KG_PER_M3 = 1.2
/** Heat of evaporation of a gram, J. */
const J_PER_G = 2450

/**
 * A kept room with its air, its walls and the moisture of its air (g/kg). The fans join them to outdoors.
 * Formula: C dT/dt = Σ G (T_other − T) + Q, and the same for g/kg of moisture.
 */
export function fanModel(facts: FanModelFacts): PlantModel {
  const { lossWPerK, quickJPerK, wholeJPerK, filmWPerK, heatW, moistShare, volumeM3, startC, startPercent } = facts
  return {
    nodes: [
      { id: 'air', capacityJPerK: quickJPerK },
      { id: 'walls', capacityJPerK: Math.max(quickJPerK / 10, wholeJPerK - quickJPerK) },
      { id: 'moisture', capacityJPerK: volumeM3 * AIR_KG_PER_M3 },
    ],
    links: [
      { from: 'air', to: 'walls', wPerK: filmWPerK },
      { from: 'air', to: 'outdoor', wPerK: lossWPerK },
    ],
    gains: [
      { node: 'air', constantW: heatW * (1 - moistShare) },
      { node: 'moisture', constantW: (heatW * moistShare) / J_PER_G },
    ],
    controlled: 'air',
    heated: 'air',
    starts: { moisture: (moistAir(startC, startPercent).humidityRatio ?? 0) * 1000 },
  }
}

/**
 * What a fan's air carries: W/K of heat by `airSensible`, and kg/s of moisture. Formula: 1.2 kg/m³.
 * @example airCarries(1000).wPerK // 336.5
 */
export const airCarries = (m3PerH: number) => ({
  wPerK: airSensible(m3PerH, 1).wPerK,
  kgPerS: (AIR_KG_PER_M3 * m3PerH) / 3600,
})

/**
 * Moisture of outdoor air hour by hour, g/kg.
 * Formula: g/kg of `moistAir` at the humidity given. Source: Hyland and Wexler.
 * @example outdoorMoisture([0], 80)[0] // 3.0
 */
export const outdoorMoisture = (hourlyC: readonly number[], humidityPercent: number): readonly number[] =>
  hourlyC.map((celsius) => (moistAir(celsius, humidityPercent).humidityRatio ?? 0) * 1000)
