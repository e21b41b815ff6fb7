import { Refused } from '../units/refused'
export type Point = readonly [x: number, y: number]

/** Index of the interval that holds x; the ends hold what lies beyond them. */
function intervalOf(points: readonly Point[], x: number): number {
  let [low, high] = [0, points.length - 2]
  while (low < high) {
    const middle = (low + high + 1) >> 1
    if (points[middle]![0] <= x) low = middle
    else high = middle - 1
  }
  return low
}

function rising(points: readonly Point[], least: number) {
  if (points.length < least)
    throw new Refused('points', { must: 'other', says: `are ${points.length}: at least ${least} are needed` })
  for (let i = 1; i < points.length; i++)
    if (!(points[i]![0] > points[i - 1]![0]))
      throw new Refused('points', { must: 'other', says: `must rise: ${points[i]![0]} follows ${points[i - 1]![0]}` })
}

/**
 * Straight lines between points, held at the ends.
 * Formula: y0 + (x − x0)(y1 − y0)/(x1 − x0).
 * @throws RangeError unless the first values rise
 * @example straightBetween([[0, 0], [10, 100]])(2.5) // 25
 */
export function straightBetween(points: readonly Point[]): (x: number) => number {
  rising(points, 1)
  return (x) => {
    const [first, last] = [points[0]!, points[points.length - 1]!]
    if (x <= first[0]) return first[1]
    if (x >= last[0]) return last[1]
    const i = intervalOf(points, x)
    const [[x0, y0], [x1, y1]] = [points[i]!, points[i + 1]!]
    return y0 + ((y1 - y0) * (x - x0)) / (x1 - x0)
  }
}

/**
 * A cubic between points that never overshoots them: where the points rise the curve rises.
 * Source: Fritsch and Butland (1984), the harmonic mean of neighbouring slopes; ends by the three-point formula, limited.
 * @throws RangeError unless there are two points and the first values rise
 * @example monotoneCubic([[0, 0], [1, 1], [2, 4]])(1) // 1
 */
export function monotoneCubic(points: readonly Point[]): (x: number) => number {
  rising(points, 2)
  const n = points.length
  const h = Array.from({ length: n - 1 }, (_, i) => points[i + 1]![0] - points[i]![0])
  const d = Array.from({ length: n - 1 }, (_, i) => (points[i + 1]![1] - points[i]![1]) / h[i]!)
  const end = (h0: number, h1: number, d0: number, d1: number) => {
    const slope = ((2 * h0 + h1) * d0 - h0 * d1) / (h0 + h1)
    if (slope * d0 <= 0) return 0
    return d0 * d1 <= 0 && Math.abs(slope) > 3 * Math.abs(d0) ? 3 * d0 : slope
  }
  const slopes = points.map((_, i) => {
    if (n === 2) return d[0]!
    if (i === 0) return end(h[0]!, h[1]!, d[0]!, d[1]!)
    if (i === n - 1) return end(h[n - 2]!, h[n - 3]!, d[n - 2]!, d[n - 3]!)
    const [before, after] = [d[i - 1]!, d[i]!]
    if (before * after <= 0) return 0
    const w1 = 2 * h[i]! + h[i - 1]!
    const w2 = h[i]! + 2 * h[i - 1]!
    return (w1 + w2) / (w1 / before + w2 / after)
  })
  return (x) => {
    const i = intervalOf(points, x)
    const [x0, y0] = points[i]!
    const width = h[i]!
    const t = (x - x0) / width
    const y1 = points[i + 1]![1]
    const [m0, m1] = [slopes[i]! * width, slopes[i + 1]! * width]
    return y0 * (1 + 2 * t) * (1 - t) ** 2 + m0 * t * (1 - t) ** 2 + y1 * t * t * (3 - 2 * t) + m1 * t * t * (t - 1)
  }
}
