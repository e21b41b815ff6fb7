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
 * What a linear plant does over one stride: x' = Φ x + Γ f₀ + Λ f₁ for a forcing f₀ + f₁ t.
 * Φ = e^{Ah}, Γ = ∫₀ʰ e^{Aτ} dτ, Λ = ∫₀ʰ (h − τ) e^{Aτ} dτ.
 */
export interface Transition {
  readonly phi: Matrix
  readonly gamma: Matrix
  readonly lambda: Matrix
}

/** Most terms of the series over a step whose norm is under 1/4: the next one is under 1e-18. */
const TERMS = 13

function bySeries(a: Matrix, n: number, hS: number): Transition {
  const phi = new Float64Array(n * n)
  const gamma = new Float64Array(n * n)
  const lambda = new Float64Array(n * n)
  let term: Matrix = new Float64Array(n * n)
  for (let i = 0; i < n; i++) term[i * n + i] = 1
  const step = a.slice()
  for (let i = 0; i < n * n; i++) step[i]! *= hS
  for (let k = 0; k <= TERMS; k++) {
    let most = 0
    for (let i = 0; i < n * n; i++) {
      const value = term[i]!
      phi[i]! += value
      gamma[i]! += (value * hS) / (k + 1)
      lambda[i]! += (value * hS * hS) / ((k + 1) * (k + 2))
      most = Math.max(most, Math.abs(value))
    }
    if (most < 1e-20) break
    term = multiply(term, step, n)
    for (let i = 0; i < n * n; i++) term[i]! /= k + 1
  }
  return { phi, gamma, lambda }
}

function doubled({ phi, gamma, lambda }: Transition, n: number, hS: number): Transition {
  const gamma2 = multiply(phi, gamma, n)
  const lambda2 = multiply(phi, lambda, n)
  for (let i = 0; i < n * n; i++) {
    gamma2[i]! += gamma[i]!
    lambda2[i]! += lambda[i]! + hS * gamma[i]!
  }
  return { phi: multiply(phi, phi, n), gamma: gamma2, lambda: lambda2 }
}

/** Largest row sum. */
export function rowNorm(a: Matrix, n: number): number {
  let most = 0
  for (let i = 0; i < n; i++) {
    let sum = 0
    for (let j = 0; j < n; j++) sum += Math.abs(a[i * n + j]!)
    most = Math.max(most, sum)
  }
  return most
}

/**
 * Transitions over 1, 2, 4 … 2^levels ticks. The first by its power series (halved until the series is short), each next by
 * doubling: Φ₂ = Φ², Γ₂ = Γ + ΦΓ, Λ₂ = Λ + ΦΛ + hΓ.
 * @param a rates, per second
 */
export function transitions(a: Matrix, n: number, tickS: number, levels: number): readonly Transition[] {
  const halvings = Math.max(0, Math.ceil(Math.log2(Math.max(rowNorm(a, n) * tickS * 4, 1e-300))))
  let hS = tickS / 2 ** halvings
  let made = bySeries(a, n, hS)
  for (let k = 0; k < halvings; k++) {
    made = doubled(made, n, hS)
    hS *= 2
  }
  const all = [made]
  for (let level = 0; level < levels; level++) {
    made = doubled(made, n, hS)
    hS *= 2
    all.push(made)
  }
  return all
}
