/** Samples over time; both arrays have the same length, times rise. */
export interface Samples {
  readonly timeS: ArrayLike<number>
  readonly value: ArrayLike<number>
}

/**
 * Thins samples for drawing: no more than `atMost` points, keeping the lowest and the highest of every slice and both ends.
 * @throws RangeError when atMost is under 4
 */
export function decimate({ timeS, value }: Samples, atMost: number): { x: number; y: number }[] {
  if (!(atMost >= 4)) throw new RangeError(`atMost ${atMost} must be 4 or more`)
  const n = timeS.length
  const point = (i: number) => ({ x: timeS[i]!, y: value[i]! })
  if (n <= atMost) return Array.from({ length: n }, (_, i) => point(i))
  const slices = Math.floor((atMost - 2) / 2)
  const kept = new Set<number>([0, n - 1])
  for (let s = 0; s < slices; s++) {
    const from = Math.floor((s * n) / slices)
    const to = Math.floor(((s + 1) * n) / slices)
    let low = from
    let high = from
    for (let i = from; i < to; i++) {
      if (value[i]! < value[low]!) low = i
      if (value[i]! > value[high]!) high = i
    }
    kept.add(low).add(high)
  }
  return [...kept].sort((a, b) => a - b).map(point)
}
