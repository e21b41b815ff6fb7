import { Refused } from '../units/refused'
import { solveMonotone } from '../numeric/solveMonotone'

const ZERO_K = 273.15
export const STANDARD_PRESSURE_PA = 101_325
/** Temperatures that the formulas are given for, °C. */
export const moistAirRange = [-100, 200] as const

/**
 * Saturation pressure of water vapour, Pa: over ice below 0 °C, over water from 0 °C on.
 * Formula: ln p = C1/T + C2 + C3 T + C4 T² + C5 T³ + C6 T⁴ + C7 ln T. Source: Hyland and Wexler (1983), −100…200 °C.
 * @throws RangeError off that range
 * @example saturationPa(20) // 2339
 */
export function saturationPa(celsius: number): number {
  const [low, high] = moistAirRange
  if (!(celsius >= low && celsius <= high))
    throw new Refused('temperatureC', { must: 'between', value: celsius, low: low, high: high })
  const t = celsius + ZERO_K
  if (celsius < 0)
    return Math.exp(
      -5674.5359 / t +
        6.3925247 -
        9.677843e-3 * t +
        6.2215701e-7 * t ** 2 +
        2.0747825e-9 * t ** 3 -
        9.484024e-13 * t ** 4 +
        4.1635019 * Math.log(t),
    )
  return Math.exp(
    -5800.2206 / t +
      1.3914993 -
      4.8640239e-2 * t +
      4.1764768e-5 * t ** 2 -
      1.4452093e-8 * t ** 3 +
      6.5459673 * Math.log(t),
  )
}

interface MoistAir {
  readonly saturationPa: number
  readonly vapourPa: number
  /** Null for dry air; under 0 °C it is the frost point. */
  readonly dewPointC: number | null
  /** Kilograms of water per kilogram of dry air; null where the vapour would fill the whole pressure. */
  readonly humidityRatio: number | null
  readonly reason?: 'dry' | 'boils'
}

/**
 * State of moist air. Formula: vapour = φ × saturation; dew point where saturation equals it; ratio = 0.621945 p_w/(p − p_w).
 * Source: Hyland and Wexler (1983); ASHRAE Fundamentals, psychrometrics.
 * @throws RangeError off −100…200 °C
 * @example moistAir(25, 50).dewPointC // 13.9
 */
export function moistAir(celsius: number, humidityPercent: number, pressurePa = STANDARD_PRESSURE_PA): MoistAir {
  const full = saturationPa(celsius)
  const vapourPa = (full * humidityPercent) / 100
  const lowest = moistAirRange[0]
  const dewPointC = vapourPa < saturationPa(lowest) ? null : dewPoint(vapourPa, celsius)
  const boils = vapourPa >= pressurePa
  return {
    saturationPa: full,
    vapourPa,
    dewPointC,
    humidityRatio: boils ? null : (0.621945 * vapourPa) / (pressurePa - vapourPa),
    ...(boils ? { reason: 'boils' as const } : dewPointC === null ? { reason: 'dry' as const } : {}),
  }
}

/** Between ice and water the two formulas leave a step of a few pascal at 0 °C; a vapour in it dews at 0. */
function dewPoint(vapourPa: number, celsius: number): number {
  const atZero = saturationPa(0)
  const justBelow = saturationPa(-1e-9)
  if (vapourPa >= Math.min(atZero, justBelow) && vapourPa <= Math.max(atZero, justBelow)) return 0
  const [low, high] = vapourPa > atZero ? [0, Math.max(celsius, 0)] : [moistAirRange[0], -1e-9]
  const ln = Math.log(vapourPa)
  if (vapourPa >= saturationPa(high)) return high
  return solveMonotone((t) => Math.log(saturationPa(t)), low, high, ln)
}
