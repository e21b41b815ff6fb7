import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { batteryCutOff } from './battery/law/batteryCutOff'
import { defrostCycle, meltMinutes } from './defrost/law/defrostCycle'
import { timerSequence } from './timer/law/timerSequence'
import { spell } from '../time/spell'
import { worstCycling, worstCyclingRested } from '../control/worstCycling'

describe('worstCyclingRested', () => {
  it.each([
    // power W, capacity J/K, swing K, rest s: cycles an hour, duty, by hand
    [2000, 1_800_000, 1, 0, 1, 50, false],
    [2000, 1_800_000, 1, 1800, 1, 50, false],
    [12_000, 600_000, 1, 300, 10, 100 / 6, true],
    [2000, 60_000, 2, 180, 40 / 3, 100 / 3, true],
  ])('%d W, %d J/K, %d K, rest %d s', (power, capacity, swing, rest, cycles, duty, rules) => {
    const made = worstCyclingRested(power, capacity, swing, rest)
    expect(made.cyclesPerHour).toBeCloseTo(cycles, 9)
    expect(made.dutyPercent).toBeCloseTo(duty, 9)
    expect(made.minimumOffRules).toBe(rules)
  })
  it('a rest never makes it cycle more, and no duty is worse than the one it names', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 100, max: 50_000, noNaN: true }),
        fc.double({ min: 1e4, max: 1e7, noNaN: true }),
        fc.double({ min: 0.1, max: 10, noNaN: true }),
        fc.integer({ min: 0, max: 3600 }),
        fc.double({ min: 0.01, max: 0.99, noNaN: true }),
        (power, capacity, swing, rest, duty) => {
          const { cyclesPerHour } = worstCyclingRested(power, capacity, swing, rest)
          expect(cyclesPerHour).toBeLessThanOrEqual(worstCycling(power, capacity, swing) * (1 + 1e-9))
          // At a duty d the free cycle is off for C ΔT/(P d); a longer rest stretches on with it.
          const off = Math.max((capacity * swing) / (power * duty), rest)
          expect((3600 * (1 - duty)) / off).toBeLessThanOrEqual(cyclesPerHour * (1 + 1e-9))
        },
      ),
    )
  })
  it('refuses a rest under 0', () => expect(() => worstCyclingRested(1, 1, 1, -1)).toThrow(/minimumOffS -1/))
})

describe('defrostCycle', () => {
  const usual = { everyH: 6, meltsMin: 20, longestMin: 30, dripMin: 3, fanWaitsMin: 4 }
  it('lays melting, dripping, the waiting fan and cooling end to end', () =>
    expect(defrostCycle(usual)).toEqual({
      stretches: [
        { phase: 'melts', fromMin: 0, toMin: 20 },
        { phase: 'drips', fromMin: 20, toMin: 23 },
        { phase: 'fan waits', fromMin: 23, toMin: 27 },
        { phase: 'cools', fromMin: 27, toMin: 360 },
      ],
      periodMin: 360,
      perDay: 4,
      endedBy: 'coil',
      uncooledMinPerDay: 92,
    }))
  it('is cut short by the longest time', () => {
    const cut = defrostCycle({ ...usual, meltsMin: 50 })
    expect([cut.endedBy, cut.stretches[0]!.toMin]).toEqual(['time', 30])
  })
  it.each([
    [{ everyH: 0 }, /everyH 0/],
    [{ longestMin: 0 }, /longestMin 0/],
    [{ dripMin: -1 }, /dripMin -1/],
    [{ everyH: 0.3 }, /shorter than a defrost/],
  ])('refuses %j', (change, message) => expect(() => defrostCycle({ ...usual, ...change })).toThrow(message))
  it('melts a kilogram with 800 W in 334 kJ/800 W, and warms the metal on top', () => {
    expect(meltMinutes(800, 1, 0, 0, 8, 0.4)).toBeCloseTo(334_000 / (0.4 * 800) / 60, 9)
    expect(meltMinutes(800, 0, 8000, -8, 8, 0.4)).toBeCloseTo((8000 * 16) / 800 / 60, 9)
    expect(() => meltMinutes(800, 1, 0, 0, 8, 0)).toThrow('meltShare 0')
  })
})

describe('timerSequence', () => {
  it('counts once: on for A, then over', () =>
    expect(timerSequence({ mode: 'once', aS: 60, bS: 0, waitsS: 30 }, 120)).toEqual([
      { fromS: 0, toS: 30, on: true, part: 'waits' },
      { fromS: 30, toS: 90, on: true, part: 'A' },
      { fromS: 90, toS: 120, on: false, part: 'over' },
    ]))
  it('repeats A and B', () =>
    expect(timerSequence({ mode: 'repeat', aS: 10, bS: 5 }, 28).map(({ toS, on }) => [toS, on])).toEqual([
      [10, true],
      [15, false],
      [25, true],
      [28, false],
    ]))
  it('runs on with an A of 0', () =>
    expect(timerSequence({ mode: 'once', aS: 0, bS: 0 }, 50)).toEqual([{ fromS: 0, toS: 50, on: true, part: 'A' }]))
  it('covers the whole stretch without a gap, whatever the times', () => {
    fc.assert(
      fc.property(
        fc.constantFrom('once' as const, 'repeat' as const),
        fc.integer({ min: 1, max: 5000 }),
        fc.integer({ min: 1, max: 5000 }),
        fc.integer({ min: 0, max: 900 }),
        (mode, aS, bS, waitsS) => {
          const made = timerSequence({ mode, aS, bS, waitsS }, 50_000)
          for (const [i, { fromS }] of made.entries()) expect(fromS).toBe(i === 0 ? 0 : made[i - 1]!.toS)
          expect(made.length).toBeLessThanOrEqual(402)
          if (made.length < 400) expect(made.at(-1)!.toS).toBe(50_000)
        },
      ),
    )
  })
  it.each([
    [{ mode: 'repeat' as const, aS: 10, bS: 0 }, /A and B over 0/],
    [{ mode: 'once' as const, aS: -1, bS: 0 }, /aS -1/],
  ])('refuses %j', (input, message) => expect(() => timerSequence(input, 10)).toThrow(message))
  it.each([
    [45, '45 s'],
    [119, '119 s'],
    [720, '12 min'],
    [5400, '90 min'],
    [7200, '2 h'],
    [9000, '2 h 30 min'],
  ])('%d seconds are %s', (seconds, text) => expect(spell(seconds)).toBe(text))
})

describe('batteryCutOff', () => {
  const usual = { cutOffV: 11, holdS: 30, restartV: 12.6, loopOhm: 0.05, glowA: 9, glowS: 90, runA: 1.5 }
  it('stands higher at the battery by what the cable loses', () => {
    const made = batteryCutOff(usual)
    expect(made.glowDropV).toBeCloseTo(0.45, 12)
    expect(made.runDropV).toBeCloseTo(0.075, 12)
    expect(made.runsAboveV).toBeCloseTo(11.075, 12)
    expect(made.startsAboveV).toBeCloseTo(11.45, 12)
    expect(made.marginV).toBeCloseTo(1.525, 12)
    expect(made.glowCuts).toBe(true)
  })
  it('lets a start through whose glow is over before the hold', () => {
    const made = batteryCutOff({ ...usual, holdS: 120 })
    expect(made.glowCuts).toBe(false)
    expect(made.startsAboveV).toBeCloseTo(11.075, 12)
  })
  it.each([
    [{ cutOffV: 0 }, /cutOffV 0/],
    [{ loopOhm: -1 }, /loopOhm -1/],
  ])('refuses %j', (change, message) => expect(() => batteryCutOff({ ...usual, ...change })).toThrow(message))
})
