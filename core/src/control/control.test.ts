import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { onOffCycle } from './onOffCycle'
import { conventions, switchingPoints, type SwitchingInput } from '../settings/switching/law/switchingPoints'
import { translate } from '../settings/switching/law/translate'
import { relayLifeYears, swingForRate, worstCycling } from './worstCycling'

describe('switchingPoints', () => {
  it.each([
    ['heating', 'cut-out', 19, 20],
    ['cooling', 'cut-out', 21, 20],
    ['heating', 'cut-in', 20, 21],
    ['cooling', 'cut-in', 20, 19],
    ['heating', 'below', 19, 20],
    ['cooling', 'below', 20, 19],
    ['heating', 'above', 20, 21],
    ['cooling', 'above', 21, 20],
    ['heating', 'centred', 19.5, 20.5],
    ['cooling', 'centred', 20.5, 19.5],
  ] as const)('%s, %s, set 20, swing 1: on %d, off %d', (action, convention, onC, offC) => {
    expect(switchingPoints({ action, convention, setpointC: 20, swingK: 1 })).toEqual({ onC, offC, action })
  })
  it('counts a centred swing each side when told', () => {
    expect(
      switchingPoints({ action: 'heating', convention: 'centred', setpointC: 20, swingK: 1, swingIs: 'each-side' }),
    ).toMatchObject({ onC: 19, offC: 21 })
  })
  it('splits above and below', () => {
    expect(
      switchingPoints({ action: 'cooling', convention: 'split', setpointC: 20, aboveK: 2, belowK: 0 }),
    ).toMatchObject({ onC: 22, offC: 20 })
  })
  it.each([
    [-1, 'heating', 19],
    [1, 'cooling', 21],
  ] as const)('signed swing %d means %s', (swingK, action, onC) => {
    expect(switchingPoints({ convention: 'signed', setpointC: 20, swingK })).toEqual({ onC, offC: 20, action })
  })
  it.each([
    [{ action: 'heating', convention: 'cut-out', setpointC: 20, swingK: 0 }, 'swingK 0: it must be over 0'],
    [{ action: 'heating', convention: 'cut-out', setpointC: 20, swingK: -15 }, 'swingK -15: it must be over 0'],
    [{ action: 'heating', convention: 'cut-out', setpointC: 20 }, 'swingK is missing'],
    [{ convention: 'cut-out', setpointC: 20, swingK: 1 }, 'action is missing'],
    [{ convention: 'signed', setpointC: 20, swingK: 0 }, 'must not be 0'],
    [{ action: 'cooling', convention: 'signed', setpointC: 20, swingK: -1 }, 'means heating, but action is cooling'],
    [{ action: 'heating', convention: 'split', setpointC: 20, aboveK: 0, belowK: 0 }, 'both 0'],
    [
      { action: 'heating', convention: 'below', setpointC: 20, swingK: 1, swingIs: 'each-side' },
      'belongs to the convention centred',
    ],
    [{ action: 'heating', convention: 'below', setpointC: Number.NaN, swingK: 1 }, 'setpointC NaN must be a number'],
  ] as [SwitchingInput, string][])('refuses %p', (input, message) =>
    expect(() => switchingPoints(input)).toThrow(message),
  )
})

describe('translate', () => {
  const pairs = conventions.flatMap((a) => conventions.map((b) => [a, b] as const))
  it.each(pairs)('from %s to %s and back is the same behaviour, both actions', (from, to) => {
    fc.assert(
      fc.property(
        fc.constantFrom('heating' as const, 'cooling' as const),
        fc.double({ min: -40, max: 90, noNaN: true }),
        fc.double({ min: 0.1, max: 20, noNaN: true }),
        (action, setpointC, swing) => {
          const said = {
            action,
            convention: from,
            setpointC,
            ...(from === 'split'
              ? { aboveK: swing / 3, belowK: swing }
              : { swingK: from === 'signed' && action === 'heating' ? -swing : swing }),
          }
          const { onC, offC } = switchingPoints(said)
          const again = switchingPoints({ action, convention: to, ...translate(onC, offC, action, to) })
          expect(again.onC).toBeCloseTo(onC, 9)
          expect(again.offC).toBeCloseTo(offC, 9)
        },
      ),
      { numRuns: 30 },
    )
  })
  it('refuses points the wrong way round', () =>
    expect(() => translate(21, 20, 'heating', 'below')).toThrow('onC 21 must be under offC 20 for heating'))
  it('refuses a split setpoint outside the points', () =>
    expect(() => translate(20, 21, 'heating', 'split', 25)).toThrow('between 20 and 21'))
})

describe('onOffCycle', () => {
  const plant = {
    powerW: 2000,
    lossWPerK: 50,
    capacityJPerK: 1.8e6,
    outdoorC: 0,
    lowC: 19.5,
    highC: 20.5,
    action: 'heating',
  } as const
  it('runs and rests alike at half load', () => {
    const { onS, offS, dutyPercent } = onOffCycle(plant)
    // By hand: τ = 36000 s, off τ ln(20.5/19.5)
    expect(offS).toBeCloseTo(36000 * Math.log(20.5 / 19.5), 6)
    expect(onS).toBeCloseTo(offS!, 6)
    expect(dutyPercent).toBeCloseTo(50, 9)
  })
  it.each([
    [{ powerW: 900 }, 'stays-on', 100],
    [{ outdoorC: 25 }, 'stays-off', 0],
    [{ lossWPerK: 0 }, 'stays-off', 0],
    [{ action: 'cooling', outdoorC: 0 }, 'stays-off', 0],
    [{ action: 'cooling', outdoorC: 80 }, 'stays-on', 100],
  ] as const)('%p: %s', (change, reason, dutyPercent) => {
    expect(onOffCycle({ ...plant, ...change })).toEqual({
      onS: null,
      offS: null,
      periodS: null,
      dutyPercent,
      cyclesPerHour: 0,
      reason,
    })
  })
  it('never answers NaN', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 1, max: 1e5, noNaN: true }),
        fc.double({ min: 0, max: 1e4, noNaN: true }),
        fc.double({ min: -40, max: 60, noNaN: true }),
        fc.constantFrom('heating' as const, 'cooling' as const),
        (powerW, lossWPerK, outdoorC, action) => {
          const answer = onOffCycle({ ...plant, powerW, lossWPerK, outdoorC, action })
          for (const value of Object.values(answer)) expect(Number.isNaN(value)).toBe(false)
          expect(answer.dutyPercent).toBeGreaterThanOrEqual(0)
          expect(answer.dutyPercent).toBeLessThanOrEqual(100)
        },
      ),
    )
  })
  it('refuses low over high', () =>
    expect(() => onOffCycle({ ...plant, lowC: 21 })).toThrow('lowC 21 must be under highC 20.5'))
})

describe('worst cycling, relay life', () => {
  it('is 3600 P / 4 C ΔT', () => expect(worstCycling(2000, 1.8e6, 1)).toBeCloseTo(1, 12))
  it('is capped by the highest duty', () => expect(worstCycling(2000, 1.8e6, 1, 20)).toBeCloseTo(0.64, 12))
  it('is turned round by swingForRate', () =>
    expect(worstCycling(2329, 5.187e6, swingForRate(2329, 5.187e6, 3))).toBeCloseTo(3, 9))
  it('divides operations by a year of cycles', () => expect(relayLifeYears(2, 5000, 1e5)).toBe(10))
  it.each([
    [0, 'swingK 0 must be over 0'],
    [-15, 'swingK -15 must be over 0'],
  ])('refuses swing %d', (swing, message) => expect(() => worstCycling(1, 1, swing)).toThrow(message))
})
