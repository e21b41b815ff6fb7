import type { SweepMap } from './sweep'

/** What a pair of settings has to keep to; what is left out binds nothing. */
export interface SweepTarget {
  readonly mostStarts?: number | undefined
  readonly mayK?: number | undefined
}

/** Rounding of a display is no excursion, K. */
const LEAST_SEEN_K = 0.05

/** Whether each pair of a sweep meets the target. */
export const meetsTarget = (
  { worstHour, excursionK }: SweepMap,
  { mostStarts, mayK }: SweepTarget,
): readonly boolean[] =>
  Array.from(
    worstHour,
    (starts, i) =>
      (mostStarts === undefined || starts <= mostStarts) &&
      (mayK === undefined || excursionK[i]! <= mayK + LEAST_SEEN_K),
  )

/** Values from the least, 0, to the most, 1; all 0 where they are alike. */
export function shadesOf(values: ArrayLike<number>): readonly number[] {
  const list = Array.from(values)
  const [low, high] = [Math.min(...list), Math.max(...list)]
  return list.map((value) => (high > low ? (value - low) / (high - low) : 0))
}

/** Place of the value in a list that is nearest to another. */
export const nearestAt = (list: readonly number[], value: number): number =>
  list.reduce((best, each, i) => (Math.abs(each - value) < Math.abs(list[best]! - value) ? i : best), 0)
