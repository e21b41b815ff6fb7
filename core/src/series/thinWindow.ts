/** Samples over time; both arrays have the same length, times rise. */
interface Samples {
  readonly timeS: ArrayLike<number>
  readonly value: ArrayLike<number>
}

export interface Thinned {
  readonly x: Float64Array
  readonly y: Float64Array
}

/** First sample at or after a time, by halving. */
function firstFrom(timeS: ArrayLike<number>, at: number): number {
  let [low, high] = [0, timeS.length]
  while (low < high) {
    const middle = (low + high) >> 1
    if (timeS[middle]! < at) low = middle + 1
    else high = middle
  }
  return low
}

/**
 * The samples of a window for drawing: no more than `atMost` points, with the lowest and the highest of every slice and the neighbours outside,
 * so that a line runs on to both edges. NaN values are kept as gaps.
 * @throws RangeError when atMost is under 8
 */
export function thinWindow({ timeS, value }: Samples, from: number, to: number, atMost: number): Thinned {
  if (!(atMost >= 8)) throw new RangeError(`atMost ${atMost} must be 8 or more`)
  const first = Math.max(0, firstFrom(timeS, from) - 1)
  const last = Math.min(timeS.length, firstFrom(timeS, to) + 1)
  const n = Math.max(0, last - first)
  if (n <= atMost) {
    const x = new Float64Array(n)
    const y = new Float64Array(n)
    for (let i = 0; i < n; i++) {
      x[i] = timeS[first + i]!
      y[i] = value[first + i]!
    }
    return { x, y }
  }
  const slices = Math.floor((atMost - 2) / 2)
  const x = new Float64Array(atMost)
  const y = new Float64Array(atMost)
  let kept = 0
  const keep = (i: number) => {
    if (kept > 0 && x[kept - 1] === timeS[i]!) return
    x[kept] = timeS[i]!
    y[kept++] = value[i]!
  }
  keep(first)
  for (let s = 0; s < slices; s++) {
    const a = first + Math.floor((s * n) / slices)
    const b = first + Math.floor(((s + 1) * n) / slices)
    let low = a
    let high = a
    for (let i = a + 1; i < b; i++) {
      const v = value[i]!
      if (v < value[low]! || Number.isNaN(value[low]!)) low = i
      if (v > value[high]! || Number.isNaN(value[high]!)) high = i
    }
    keep(Math.min(low, high))
    keep(Math.max(low, high))
  }
  keep(last - 1)
  return { x: x.slice(0, kept), y: y.slice(0, kept) }
}

/** Mean of equal slices of a window, as pairs of slice start and mean: what is left of a switch that is quicker than the eye. */
export function meanWindow({ timeS, value }: Samples, from: number, to: number, slices: number): Thinned {
  const x = new Float64Array(slices)
  const y = new Float64Array(slices)
  const step = (to - from) / slices
  let i = firstFrom(timeS, from)
  for (let s = 0; s < slices; s++) {
    const end = from + (s + 1) * step
    let sum = 0
    let count = 0
    while (i < timeS.length && timeS[i]! < end) {
      sum += value[i++]!
      count++
    }
    x[s] = from + s * step
    y[s] = count > 0 ? sum / count : s > 0 ? y[s - 1]! : 0
  }
  return { x, y }
}
