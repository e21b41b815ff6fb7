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

function bySeries(a: Matrix, n: number, hS: number): Change {
  const psi = new Float64Array(n * n)
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
      if (k > 0) psi[i]! += value
      gamma[i]! += (value * hS) / (k + 1)
      lambda[i]! += (value * hS * hS) / ((k + 1) * (k + 2))
      most = Math.max(most, Math.abs(value))
    }
    if (most < 1e-20) break
    term = multiply(term, step, n)
    for (let i = 0; i < n * n; i++) term[i]! /= k + 1
  }
  return { psi, gamma, lambda }
}

/** As `Transition`, with Ψ = Φ − 1: what a short stride changes is far smaller than 1, and would lose its last places beside it. */
interface Change {
  readonly psi: Matrix
  readonly gamma: Matrix
  readonly lambda: Matrix
}

/** Over twice the time: Ψ₂ = 2Ψ + Ψ², Γ₂ = 2Γ + ΨΓ, Λ₂ = 2Λ + ΨΛ + hΓ. */
function doubled({ psi, gamma, lambda }: Change, n: number, hS: number): Change {
  const psi2 = multiply(psi, psi, n)
  const gamma2 = multiply(psi, gamma, n)
  const lambda2 = multiply(psi, lambda, n)
  for (let i = 0; i < n * n; i++) {
    psi2[i]! += 2 * psi[i]!
    gamma2[i]! += 2 * gamma[i]!
    lambda2[i]! += 2 * lambda[i]! + hS * gamma[i]!
  }
  return { psi: psi2, gamma: gamma2, lambda: lambda2 }
}

function transitionOf({ psi, gamma, lambda }: Change, n: number): Transition {
  const phi = psi.slice()
  for (let i = 0; i < n; i++) phi[i * n + i]! += 1
  return { phi, gamma, lambda }
}

const isRead = (a: Matrix, n: number, column: number) => {
  for (let i = 0; i < n; i++) if (a[i * n + column] !== 0) return true
  return false
}

/**
 * Bound on how fast anything comes and goes, per second: the largest row sum of those that something reads. What is only summed up (a heat meter
 * in joules, which grows by hundreds of watts a kelvin) has no time constant, and its unit could be any.
 */
export function fastestRate(a: Matrix, n: number): number {
  let most = 0
  for (let i = 0; i < n; i++) {
    if (!isRead(a, n, i)) continue
    let sum = 0
    for (let j = 0; j < n; j++) sum += Math.abs(a[i * n + j]!)
    most = Math.max(most, sum)
  }
  return most
}

/**
 * Transitions over 1, 2, 4 … 2^levels ticks. The first by its power series (halved until the series is short), each next by
 * doubling.
 * @param a rates, per second
 */
export function transitions(a: Matrix, n: number, tickS: number, levels: number): readonly Transition[] {
  const halvings = Math.max(0, Math.ceil(Math.log2(Math.max(fastestRate(a, n) * tickS * 4, 1e-300))))
  let hS = tickS / 2 ** halvings
  let made = bySeries(a, n, hS)
  for (let k = 0; k < halvings; k++) {
    made = doubled(made, n, hS)
    hS *= 2
  }
  const all = [transitionOf(made, n)]
  for (let level = 0; level < levels; level++) {
    made = doubled(made, n, hS)
    hS *= 2
    all.push(transitionOf(made, n))
  }
  return all
}
