import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { anySize, unrolled } from './strides'
import { fastestRate, transitions } from './transitions'

const number = fc.double({ min: -1, max: 1, noNaN: true })
const list = (length: number) =>
  fc.array(number, { minLength: length, maxLength: length }).map((values) => Float64Array.from(values))

describe('unrolled strides', () => {
  it.each(Object.keys(unrolled).map(Number))('of size %d do what the loop over any size does', (n) =>
    fc.assert(
      fc.property(
        list(n * n),
        list(n),
        list(n),
        list(n),
        number,
        fc.integer({ min: 0, max: n - 1 }),
        fc.boolean(),
        (phi, f, g, x, at, i, up) => {
          // Rows that add up to under one, so that nothing runs away.
          const calm = phi.map((value) => value / (n + 1))
          const small = g.map((value) => value / 100)
          const args = (rows: Float64Array) =>
            [
              rows,
              0,
              30,
              calm,
              f,
              small,
              1,
              Int32Array.of(i),
              Float64Array.of(at),
              Float64Array.of(up ? 1 : -1),
            ] as const
          const rows = [new Float64Array(40 * n), new Float64Array(40 * n)] as const
          rows.forEach((each) => each.set(x))
          const [one, other] = [unrolled[n]!(...args(rows[0])), anySize(n)(...args(rows[1]))]
          expect(one).toBe(other)
          const done = Math.abs(one)
          for (let k = 0; k < (done + 1) * n; k++) expect(rows[0][k]).toBeCloseTo(rows[1][k]!, 12)
        },
      ),
      { numRuns: 25 },
    ),
  )
  it('tells of a touch between two strides that neither end sees', () => {
    // A damped swing: position and speed, watched just over its highest sample.
    const [period, step] = [10, 1]
    const w = (2 * Math.PI) / period
    const [c, s] = [Math.cos(w * step), Math.sin(w * step)]
    const phi = Float64Array.of(c, s, -s, c)
    const rows = new Float64Array(80)
    rows.set([Math.sin(0.629), Math.cos(0.629)])
    const seen = Array.from({ length: 12 }, (_, k) => Math.sin(0.629 + k * w))
    const over = Math.max(...seen) + 0.01
    const zero = Float64Array.of(0, 0)
    const done = unrolled[2]!(
      rows,
      0,
      20,
      phi,
      zero,
      zero,
      1,
      Int32Array.of(0),
      Float64Array.of(over),
      Float64Array.of(1),
    )
    expect(over).toBeLessThan(1)
    expect(done).toBeLessThan(0)
    expect(rows[-done * 2]).toBeCloseTo(Math.max(...seen), 9)
    const far = unrolled[2]!(
      rows,
      0,
      20,
      phi,
      zero,
      zero,
      1,
      Int32Array.of(0),
      Float64Array.of(1.5),
      Float64Array.of(1),
    )
    expect(far).toBe(20)
  })
})

describe('transitions', () => {
  it('are e^x, its integral and its second integral for one store', () => {
    const rate = -0.002
    const made = transitions(Float64Array.of(rate), 1, 1, 10)
    made.forEach(({ phi, gamma, lambda }, level) => {
      const h = 2 ** level
      expect(phi[0]).toBeCloseTo(Math.exp(rate * h), 13)
      expect(gamma[0]! / ((Math.exp(rate * h) - 1) / rate)).toBeCloseTo(1, 10)
      expect(lambda[0]! / ((Math.exp(rate * h) - 1 - rate * h) / rate ** 2)).toBeCloseTo(1, 6)
    })
  })
  it('keep the last places of a slow store over many doublings', () => {
    // Over a tick it changes by a hundred-millionth: beside 1 half of the places of that would be lost.
    const [rate, tickS, levels] = [-1e-6, 1 / 128, 20]
    const made = transitions(Float64Array.of(rate), 1, tickS, levels)
    const h = tickS * 2 ** levels
    expect(made[levels]!.phi[0]! / Math.exp(rate * h)).toBeCloseTo(1, 15)
    expect(made[levels]!.gamma[0]! / (Math.expm1(rate * h) / rate)).toBeCloseTo(1, 14)
  })
  it('turn a skew pair, however fast', () => {
    const [turned] = transitions(Float64Array.of(0, -Math.PI, Math.PI, 0), 2, 1, 0)
    expect([...turned!.phi].map((v) => Number(v.toFixed(10)) + 0)).toEqual([-1, 0, 0, -1])
  })
  it('count as quick what comes and goes, not what is only summed up', () => {
    // A store of 1000 s, and a meter of its heat in joules.
    const a = Float64Array.of(-0.001, 0, 600, 0)
    expect(fastestRate(a, 2)).toBe(0.001)
    // Read by another it counts.
    expect(fastestRate(Float64Array.of(-0.001, 0.002, 600, 0), 2)).toBe(600)
  })
})
