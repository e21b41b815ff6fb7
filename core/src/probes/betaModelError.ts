import { monotoneCubic, type Point } from '../numeric/interpolate'
import { solveMonotone } from '../numeric/solveMonotone'

/** Usual printed curve of a 10 k thermistor of B25/85 = 3435, °C and ohm. Real parts bend; the two-parameter model does not. */
export const usualCurve3435: readonly Point[] = [
  [-50, 329500],
  [-40, 188500],
  [-30, 111300],
  [-20, 67770],
  [-10, 42470],
  [0, 27280],
  [10, 17960],
  [20, 12090],
  [25, 10000],
  [30, 8313],
  [40, 5827],
  [50, 4160],
  [60, 3020],
  [70, 2228],
  [80, 1668],
  [85, 1451],
  [90, 1266],
  [100, 973.1],
  [110, 757.6],
]

/** The model is within about a quarter of a kelvin of real parts here; outside it says how far it is off. */
const GOOD_FROM_C = 10
const GOOD_TO_C = 90

/** Temperature that the model shows for a real part at a temperature. It is the same for every beta when parts bend alike. */
const shownByModel = (() => {
  const points = usualCurve3435.map(([celsius, ohm]): Point => {
    const shown = 1 / (1 / 298.15 + Math.log(ohm / 10000) / 3435) - 273.15
    return [celsius, shown]
  })
  return monotoneCubic(points)
})()

/**
 * How far the two-parameter thermistor model shows from a real part's temperature, K (shown − true): null between 10 and 90 °C,
 * where it is small, and beyond the printed curve (−50…110 °C), where nothing is known.
 * Source: the usual printed curve of a 10 k B3435 part, taken to bend alike for other betas: +1.1 K at 0 °C, +2.5 K at −20 °C.
 * @param modelC the temperature that the model gives
 * @example betaModelErrorK(50) // null
 */
export function betaModelErrorK(modelC: number): number | null {
  if (modelC >= GOOD_FROM_C && modelC <= GOOD_TO_C) return null
  const [low, high] = [shownByModel(-50), shownByModel(110)]
  if (modelC < low || modelC > high) return null
  return modelC - solveMonotone(shownByModel, -50, 110, modelC)
}

/**
 * The same for a true temperature: what the model would show there, less the truth.
 * Source: the same measured part as `betaModelErrorK`.
 * @example betaModelErrorAtK(110) // 1.041
 */
export function betaModelErrorAtK(trueC: number): number | null {
  if ((trueC >= GOOD_FROM_C && trueC <= GOOD_TO_C) || trueC < -50 || trueC > 110) return null
  return shownByModel(trueC) - trueC
}
