import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { monotoneCubic, type Point, straightBetween } from './interpolate'
import { solveMonotone } from './solveMonotone'

describe('solveMonotone', () => {
  it.each([
    ['a line', (x: number) => 2 * x + 1, -10, 10, 4, 1.5],
    ['a cube, flat in the middle', (x: number) => x ** 3, -10, 10, 0, 0],
    ['one that falls', (x: number) => Math.exp(-x), 0, 50, Math.exp(-3), 3],
    ['one that is nearly flat at its end', (x: number) => x ** 9, 0, 10, 1e-9, 0.1],
  ] as const)('finds where %s takes a value', (_, f, low, high, value, at) => {
    expect(solveMonotone(f, low, high, value)).toBeCloseTo(at, 3)
  })
  it('ends within its evaluations, whatever the curve', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.05, max: 20, noNaN: true }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        (power, share) => {
          let calls = 0
          const f = (x: number) => {
            calls++
            return x ** power
          }
          const x = solveMonotone(f, 0, 1, share)
          expect(calls).toBeLessThan(203)
          expect(Math.abs(x - share ** (1 / power))).toBeLessThan(1e-9 + 1e-6 * x)
        },
      ),
    )
  })
  it('refuses a value outside', () => expect(() => solveMonotone((x) => x, 0, 1, 2)).toThrow('lies outside'))
})

const rising = fc
  .array(fc.tuple(fc.double({ min: 0.01, max: 50, noNaN: true }), fc.double({ min: 0, max: 100, noNaN: true })), {
    minLength: 2,
    maxLength: 12,
  })
  .map((steps) => {
    let [x, y] = [0, 0]
    return steps.map(([dx, dy]): Point => [(x += dx), (y += dy)])
  })

describe('monotoneCubic', () => {
  it('goes through its points and never turns', () => {
    fc.assert(
      fc.property(rising, (points) => {
        const curve = monotoneCubic(points)
        for (const [x, y] of points) expect(curve(x)).toBeCloseTo(y, 6)
        const [from, to] = [points[0]![0], points[points.length - 1]![0]]
        let before = -Infinity
        for (let i = 0; i <= 200; i++) {
          const y = curve(from + ((to - from) * i) / 200)
          expect(y).toBeGreaterThanOrEqual(before - 1e-9)
          before = y
        }
      }),
      { numRuns: 60 },
    )
  })
  it.each([
    [[[0, 1]], 'at least 2'],
    [
      [
        [0, 1],
        [0, 2],
      ],
      'must rise',
    ],
  ] as const)('refuses %j', (points, message) => expect(() => monotoneCubic(points as never)).toThrow(message))
})

describe('straightBetween', () => {
  const line = straightBetween([
    [30, 96],
    [60, 88],
  ])
  it.each([
    [0, 96],
    [30, 96],
    [45, 92],
    [60, 88],
    [90, 88],
  ])('at %d is %d', (x, y) => expect(line(x)).toBeCloseTo(y, 12))
  it('is its one value everywhere', () => expect(straightBetween([[20, 95]])(1e6)).toBe(95))
})
