import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { type StartsGiven, lagSwingK, swingForStarts, worstStarts } from './starts'

const given = (changes: Partial<StartsGiven> = {}): StartsGiven => ({
  ...{ powerW: 2000, capacityJPerK: 200_000, minimumOffS: 0, lagS: 0, hardestDutyPercent: 100 },
  ...changes,
})

describe('worstStarts', () => {
  it.each([
    ['half load', given(), 1, 9, 50, false],
    ['a rest that outlasts the off time', given({ minimumOffS: 300 }), 1, 8, 100 / 3, true],
    ['a rest that is shorter anyhow', given({ minimumOffS: 100 }), 1, 9, 50, false],
    ['a day that never asks for half', given({ hardestDutyPercent: 20 }), 1, 5.76, 20, false],
    ['nothing asked for', given({ hardestDutyPercent: 0 }), 1, 0, 0, false],
    ['a lag that doubles the swing', given({ lagS: 100 }), 1, 4.5, 50, false],
  ] as const)('%s', (_, load, swingK, perHour, dutyPercent, minimumOffRules) => {
    const made = worstStarts(load, swingK)
    expect(made.perHour).toBeCloseTo(perHour, 9)
    expect(made.dutyPercent).toBeCloseTo(dutyPercent, 9)
    expect(made.minimumOffRules).toBe(minimumOffRules)
  })
  it('a lag widens the swing by what rises and what falls meanwhile', () => {
    expect(lagSwingK({ powerW: 2000, capacityJPerK: 200_000, lagS: 60 })).toBeCloseTo(0.6, 9)
  })
  it('refuses a swing of nothing', () => {
    expect(() => worstStarts(given(), 0)).toThrow(/swingK/)
  })
})

const anyGiven = fc.record({
  powerW: fc.double({ min: 100, max: 1e5, noNaN: true }),
  capacityJPerK: fc.double({ min: 1e4, max: 1e8, noNaN: true }),
  minimumOffS: fc.integer({ min: 0, max: 900 }),
  lagS: fc.integer({ min: 0, max: 1200 }),
  hardestDutyPercent: fc.double({ min: 1, max: 100, noNaN: true }),
})
const rate = fc.double({ min: 0.2, max: 30, noNaN: true })

describe('swingForStarts', () => {
  it.each([
    [given(), 9, 1],
    [given({ minimumOffS: 300 }), 8, 1],
    [given({ lagS: 100 }), 4.5, 1],
    [given({ hardestDutyPercent: 20 }), 5.76, 1],
    [given({ minimumOffS: 600 }), 6, 0],
  ] as const)('turns worstStarts round', (load, perHour, swingK) => {
    expect(swingForStarts(load, perHour)).toBeCloseTo(swingK, 9)
  })
  it('at the swing that it answers a plant starts as often as it may, and not at a narrower one', () => {
    fc.assert(
      fc.property(anyGiven, rate, (load, perHour) => {
        const swingK = swingForStarts(load, perHour)
        // Any swing does: the rest or the lag keeps it down.
        if (swingK === 0) return expect(worstStarts(load, 1e-6).perHour).toBeLessThanOrEqual(perHour * 1.001)
        expect(worstStarts(load, swingK).perHour / perHour).toBeCloseTo(1, 6)
        expect(worstStarts(load, swingK * 0.9).perHour).toBeGreaterThanOrEqual(perHour)
      }),
    )
  })
  it('refuses a rate of nothing', () => {
    expect(() => swingForStarts(given(), 0)).toThrow(/perHour/)
  })
})
