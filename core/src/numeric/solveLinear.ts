import { Refused } from '../units/refused'
/**
 * Solves A x = b by elimination with row pivots. A in rows, n × n; both are left as they were.
 * Source: Gaussian elimination with row pivots.
 * @throws RangeError when A has no inverse
 * @example [...solveLinear(new Float64Array([2, 0, 0, 4]), new Float64Array([2, 8]))] // [1, 2]
 */
export function solveLinear(a: Float64Array, b: Float64Array): Float64Array {
  const n = b.length
  const m = a.slice()
  const x = b.slice()
  for (let k = 0; k < n; k++) {
    let pivot = k
    for (let i = k + 1; i < n; i++) if (Math.abs(m[i * n + k]!) > Math.abs(m[pivot * n + k]!)) pivot = i
    const head = m[pivot * n + k]!
    if (!(Math.abs(head) > 1e-12))
      throw new Refused('equation', { must: 'other', says: `${k + 1} of ${n} depends on the others` })
    if (pivot !== k) {
      for (let j = 0; j < n; j++) [m[k * n + j], m[pivot * n + j]] = [m[pivot * n + j]!, m[k * n + j]!]
      ;[x[k], x[pivot]] = [x[pivot]!, x[k]!]
    }
    for (let i = k + 1; i < n; i++) {
      const factor = m[i * n + k]! / head
      if (factor === 0) continue
      for (let j = k; j < n; j++) m[i * n + j]! -= factor * m[k * n + j]!
      x[i]! -= factor * x[k]!
    }
  }
  for (let i = n - 1; i >= 0; i--) {
    for (let j = i + 1; j < n; j++) x[i]! -= m[i * n + j]! * x[j]!
    x[i]! /= m[i * n + i]!
  }
  return x
}
