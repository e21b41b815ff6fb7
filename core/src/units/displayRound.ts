import { Refused } from './refused'
export interface DisplayRange {
  readonly fromC: number
  readonly toC: number
  readonly stepC: number
}

/**
 * Nearest multiple of a step, halves away from zero; free of the dust that 0.1-steps leave behind.
 * Formula: step × round(value/step).
 * @example roundToStep(2.349, 0.1) // 2.3
 */
export function roundToStep(value: number, step: number): number {
  if (!(step > 0)) throw new Refused('step', { must: 'over', value: step, than: 0 })
  const count = Math.round(Number((Math.abs(value) / step).toPrecision(13)))
  return Number((Math.sign(value) * count * step).toPrecision(13)) + 0
}

/**
 * What a controller with this display resolution shows.
 * The value rounded to a range's step decides whether it lies in that range; the first range that holds it wins.
 * @example displayRound(9.96, [{ fromC: -10, toC: 10, stepC: 0.1 }], 1) // 10
 */
export function displayRound(temperatureC: number, ranges: readonly DisplayRange[], otherwiseStepC: number): number {
  for (const { fromC, toC, stepC } of ranges) {
    const shown = roundToStep(temperatureC, stepC)
    if (shown >= fromC && shown <= toC) return shown
  }
  return roundToStep(temperatureC, otherwiseStepC)
}
