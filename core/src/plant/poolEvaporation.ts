import { moistAir, saturationPa } from './moistAir'

export interface PoolLossInput {
  readonly areaM2: number
  readonly waterC: number
  readonly airC: number
  readonly humidityPercent: number
  readonly windMPerS: number
  /** 1 for a pool in public use, 0.5 for a private one, less under a cover. */
  readonly activity?: number | undefined
}

interface PoolLoss {
  readonly kgPerH: number
  readonly evaporationW: number
  /** Convection and radiation; under 0 when the air warms the water. */
  readonly convectionW: number
  readonly totalW: number
}

/**
 * Heat that an open water surface loses.
 * Formula: m = A (p_w − p_a)(0.089 + 0.0782 v)/Y, kg/s, with p in kPa, Y = 2501 − 2.36 t kJ/kg, times activity, never under 0;
 * convection and radiation (5 + 3.1 + 4.1 v) A (water − air).
 * Source: ASHRAE form of the evaporation rate; practice for convection and radiation. Vapour pressures by Hyland and Wexler.
 * @example poolEvaporation({ areaM2: 1, waterC: 26, airC: 18, humidityPercent: 60, windMPerS: 1 }).evaporationW // 355
 */
export function poolEvaporation(input: PoolLossInput): PoolLoss {
  const { areaM2, waterC, airC, humidityPercent, windMPerS, activity = 1 } = input
  const dryingKpa = (saturationPa(waterC) - moistAir(airC, humidityPercent).vapourPa) / 1000
  const latentKjPerKg = 2501 - 2.36 * waterC
  const kgPerS = Math.max(0, (activity * areaM2 * dryingKpa * (0.089 + 0.0782 * windMPerS)) / latentKjPerKg)
  const evaporationW = kgPerS * latentKjPerKg * 1000
  const convectionW = (5 + 3.1 + 4.1 * windMPerS) * areaM2 * (waterC - airC)
  return { kgPerH: kgPerS * 3600, evaporationW, convectionW, totalW: evaporationW + convectionW }
}
