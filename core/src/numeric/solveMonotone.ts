import { Refused } from '../units/refused'
/**
 * Where a function that only rises, or only falls, takes a value: Illinois steps within a bracket, halving when they crawl.
 * Ends when the bracket is narrower than 1e-12 of its size or the value is met; never more than 200 evaluations.
 * Source: the Illinois form of regula falsi (Dowell and Jarratt, 1971).
 * @throws RangeError when the value does not lie between the values at the two ends
 * @example solveMonotone((x) => x * x, 0, 10, 9) // 3.000000
 */
export function solveMonotone(f: (x: number) => number, low: number, high: number, value: number): number {
  let [a, b] = [low, high]
  let [fa, fb] = [f(a) - value, f(b) - value]
  if (fa === 0) return a
  if (fb === 0) return b
  if (!(fa < 0 !== fb < 0) || !Number.isFinite(fa) || !Number.isFinite(fb))
    throw new Refused('value', {
      must: 'other',
      says: `${value} lies outside what the function gives between ${low} and ${high}`,
    })
  // The side is remembered: halving a value that is almost nothing would lose its sign.
  const startsUnder = fa < 0
  for (let i = 0; i < 200; i++) {
    const width = b - a
    if (Math.abs(width) <= 1e-12 * Math.max(1, Math.abs(a), Math.abs(b))) break
    const secant = a - (fa * width) / (fb - fa)
    // Every third step halves, so that a curve that is flat at one end cannot make the secant crawl.
    const x = i % 3 === 2 || !(secant > Math.min(a, b) && secant < Math.max(a, b)) ? a + width / 2 : secant
    const fx = f(x) - value
    if (fx === 0) return x
    if (fx < 0 === startsUnder) {
      ;[a, fa] = [x, fx]
      fb /= 2
    } else {
      ;[b, fb] = [x, fx]
      fa /= 2
    }
  }
  return a + (b - a) / 2
}
