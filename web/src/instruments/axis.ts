/** A straight scale from values to a drawing and back. */
interface Axis {
  readonly low: number
  readonly high: number
  readonly at: (value: number) => number
  readonly from: (place: number) => number
  readonly ticks: readonly number[]
}

const nice = [0.1, 0.2, 0.5, 1, 2, 5, 10, 20, 50, 100, 200, 500]

/** An axis over a stretch of a drawing, with ticks no nearer than `least` apart. */
export function axis(low: number, high: number, start: number, end: number, least = 44): Axis {
  const per = (end - start) / (high - low)
  const step = nice.find((each) => each * Math.abs(per) >= least) ?? 1000
  const first = Math.ceil(low / step - 1e-9)
  const count = Math.floor(high / step + 1e-9) - first + 1
  return {
    low,
    high,
    at: (value) => start + (value - low) * per,
    from: (place) => low + (place - start) / per,
    ticks: Array.from({ length: Math.max(0, count) }, (_, i) => Number(((first + i) * step).toPrecision(12))),
  }
}
