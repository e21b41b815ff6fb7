import type { Matrix } from './transitions'

/** Most terms; a stretch that wants more is too long for its fastest time constant. */
const TERMS = 44
/** Terms under this share of the state are none. */
const NOTHING = 1e-14

/**
 * A state over a stretch of time as a power series: x(t₀ + δ) = Σ cₖ δᵏ with c₀ = x, c₁ = A x + f₀, c₂ = (A c₁ + f₁)/2, cₖ₊₁ = A cₖ/(k + 1).
 * For the odd stretches around a switching: one series costs less than the dozen halved strides that would make it up, and any
 * moment in it can be asked for.
 */
export class PowerSeries {
  private readonly c: Float64Array
  private terms = 0

  constructor(private readonly n: number) {
    this.c = new Float64Array((TERMS + 1) * n)
  }

  /**
   * Sets it up for a stretch.
   * @param x state at its beginning (the first n)
   * @param f0 what is added a second at its beginning, and @param f1 how that grows a second
   * @returns whether the series is short enough to be right
   */
  build(a: Matrix, x: Float64Array, f0: Float64Array, f1: Float64Array, hS: number): boolean {
    const { c, n } = this
    for (let i = 0; i < n; i++) c[i] = x[i]!
    let reach = 1
    for (let k = 0; k < TERMS; k++) {
      reach *= hS
      const from = k * n
      const to = from + n
      let settled = k >= 2
      for (let i = 0; i < n; i++) {
        let sum = k === 0 ? f0[i]! : k === 1 ? f1[i]! : 0
        for (let j = 0, o = i * n; j < n; j++) sum += a[o + j]! * c[from + j]!
        const term = sum / (k + 1)
        c[to + i] = term
        if (settled && Math.abs(term) * reach > NOTHING * (1 + Math.abs(x[i]!))) settled = false
      }
      if (settled) {
        this.terms = k + 1
        return true
      }
    }
    return false
  }

  /** One component, so much after the beginning. */
  at(component: number, deltaS: number): number {
    const { c, n, terms } = this
    let value = c[terms * n + component]!
    for (let k = terms - 1; k >= 0; k--) value = value * deltaS + c[k * n + component]!
    return value
  }

  /** The whole state, into the first n of `out`. */
  into(out: Float64Array, deltaS: number): void {
    for (let i = 0; i < this.n; i++) out[i] = this.at(i, deltaS)
  }
}
