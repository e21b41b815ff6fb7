/** Square matrix in rows, n × n. */
export type Matrix = Float64Array

function multiply(a: Matrix, b: Matrix, n: number): Matrix {
  const c = new Float64Array(n * n)
  for (let i = 0; i < n; i++)
    for (let k = 0; k < n; k++) {
      const factor = a[i * n + k]!
      if (factor !== 0) for (let j = 0; j < n; j++) c[i * n + j]! += factor * b[k * n + j]!
    }
  return c
}

/**
 * e^M by scaling and squaring of a Taylor series: M is halved until its largest row sum is under 1/4, fourteen terms leave an
 * error under 1e-17, then the result is squared back.
 */
export function matrixExponential(m: Matrix, n: number): Matrix {
  let norm = 0
  for (let i = 0; i < n; i++) {
    let sum = 0
    for (let j = 0; j < n; j++) sum += Math.abs(m[i * n + j]!)
    norm = Math.max(norm, sum)
  }
  const halvings = Math.max(0, Math.ceil(Math.log2(Math.max(norm, 1e-300) * 4)))
  const scaled = m.map((value) => value / 2 ** halvings)
  let result: Matrix = new Float64Array(n * n)
  for (let i = 0; i < n; i++) result[i * n + i] = 1
  let term: Matrix = result.slice()
  for (let k = 1; k <= 14; k++) {
    term = multiply(term, scaled, n).map((value) => value / k)
    result = result.map((value, i) => value + term[i]!)
  }
  for (let h = 0; h < halvings; h++) result = multiply(result, result, n)
  return result
}
