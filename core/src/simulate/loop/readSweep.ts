import type { SweepMap } from './sweep'

/** What a pair of settings has to keep to; what is left out binds nothing. */
interface SweepTarget {
  readonly mostStarts?: number | undefined
  readonly mayK?: number | undefined
}

/** Rounding of a display is no excursion, K. */
const LEAST_SEEN_K = 0.05

/** Whether each pair of a sweep meets the target; one that is not run yet does not. */
export const meetsTarget = (
  { worstHour, excursionK }: SweepMap,
  { mostStarts, mayK }: SweepTarget,
): readonly boolean[] =>
  Array.from(
    worstHour,
    (starts, i) =>
      !Number.isNaN(starts) &&
      (mostStarts === undefined || starts <= mostStarts) &&
      (mayK === undefined || excursionK[i]! <= mayK + LEAST_SEEN_K),
  )

/** Values from the least, 0, to the most, 1; all 0 where they are alike, or not known yet. */
export function shadesOf(values: ArrayLike<number>): readonly number[] {
  const list = Array.from(values)
  const known = list.filter((value) => !Number.isNaN(value))
  const [low, high] = [Math.min(...known), Math.max(...known)]
  return list.map((value) => (high > low && !Number.isNaN(value) ? (value - low) / (high - low) : 0))
}

/** Place of the value in a list that is nearest to another. */
export const nearestAt = (list: readonly number[], value: number): number =>
  list.reduce((best, each, i) => (Math.abs(each - value) < Math.abs(list[best]! - value) ? i : best), 0)
