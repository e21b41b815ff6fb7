import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { axis, stepFor } from './axis'

const round = (step: number) =>
  /^[125]$/.test(String(Number((step / 10 ** Math.floor(Math.log10(step) + 1e-9)).toPrecision(6))))

describe('axis', () => {
  it('goes from values to places and back, also upside down', () => {
    const { at, from } = axis(-10, 30, 400, 0)
    expect([at(-10), at(30), at(10)]).toEqual([400, 0, 200])
    expect(from(at(17.5))).toBeCloseTo(17.5, 9)
  })
  it('has round ticks, none nearer than asked, none outside', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -300, max: 300, noNaN: true }),
        fc.double({ min: 0.5, max: 500, noNaN: true }),
        fc.integer({ min: 60, max: 900 }),
        (low, span, px) => {
          const { ticks } = axis(low, low + span, 0, px, 44)
          for (const tick of ticks) {
            expect(tick).toBeGreaterThanOrEqual(low - 1e-9)
            expect(tick).toBeLessThanOrEqual(low + span + 1e-9)
          }
          if (ticks.length > 1) {
            const step = ticks[1]! - ticks[0]!
            expect((step * px) / span).toBeGreaterThanOrEqual(43.9)
            expect(round(step)).toBe(true)
          }
        },
      ),
    )
  })
})

describe('stepFor', () => {
  it.each([
    [33, 5, 0.2],
    [33, 26, 1],
    [10, 5, 0.5],
    [10, 26, 5],
    [4, 5, 2],
    [0.05, 26, 1000],
  ])('at %d px a unit, %d px apart at least: %d', (perUnit, least, step) => {
    expect(stepFor(perUnit, least)).toBe(step)
  })
})
