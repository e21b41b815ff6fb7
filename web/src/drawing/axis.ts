import { scaleLinear } from 'd3-scale'

/** A straight scale from values to a drawing and back. */
interface Axis {
  readonly low: number
  readonly high: number
  readonly at: (value: number) => number
  readonly from: (place: number) => number
  readonly ticks: readonly number[]
}

/** Most ticks that are tried on one axis. */
const MOST = 60

/** An axis over a stretch of a drawing, with as many round ticks as stand no nearer than `least` apart. */
export function axis(low: number, high: number, start: number, end: number, least = 44): Axis {
  const scale = scaleLinear([low, high], [start, end])
  const per = Math.abs(end - start) / (high - low)
  const wide = ([a, b]: readonly number[]) => a === undefined || b === undefined || (b - a) * per >= least - 1e-9
  let wanted = Math.min(MOST, Math.ceil((per * (high - low)) / least))
  let ticks = scale.ticks(wanted)
  while (!wide(ticks) && wanted > 1) ticks = scale.ticks(--wanted)
  if (!wide(ticks)) ticks = ticks.slice(0, 1)
  return { low, high, at: (value) => scale(value), from: (place) => scale.invert(place), ticks }
}

/**
 * The smallest round step (1, 2 or 5 of a decade) that is so wide in a drawing.
 * @param perUnit px that one unit takes
 * @param least px that the step must take
 */
export function stepFor(perUnit: number, least: number): number {
  const wanted = least / perUnit
  // Ten ticks over ten times what is wanted stand about that far apart; fewer of them further.
  for (let count = 12; count > 1; count--) {
    const [a = 0, b = 0] = scaleLinear([0, 10 * wanted], [0, 1]).ticks(count)
    const step = Number((b - a).toPrecision(12))
    if (step >= wanted * (1 - 1e-9)) return step
  }
  return 10 * wanted
}
