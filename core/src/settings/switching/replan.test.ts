import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { type Convention, conventions } from './law/switchingPoints'
import { plannedFloor } from '../../testing/warmFloor'
import { keyedSwingK, switchingOf, withSwitching, fromPoints } from '../behaviour'
import { inConvention, replan } from './replan'
import { onOff } from '../../testing/plans'

const plan = onOff(plannedFloor().loop.settings.planned['plan-1'])
const inSplit = inConvention(withSwitching(plan, fromPoints(27, 29, 'heating', 'cut-out')), 'split')

describe('replan', () => {
  it.each([
    ['cut-out', { swingK: 2 }, 26, 28],
    ['cut-out', { setpointC: 30 }, 29, 30],
    ['cut-in', { swingK: 2 }, 27, 29],
    ['centred', { swingK: 2 }, 26.5, 28.5],
    ['signed', { swingK: 2 }, 26, 28],
  ] as const)('%s, %j: on %d, off %d', (convention, words, onC, offC) => {
    const made = switchingOf(replan(inConvention(plan, convention), words))
    expect(made.onC).toBeCloseTo(onC, 9)
    expect(made.offC).toBeCloseTo(offC, 9)
  })
  it.each([
    [{ aboveK: 0.5 }, 27, 28.5, 0.5, 1],
    [{ belowK: 3 }, 25, 29, 1, 3],
    [{ swingK: 4 }, 26, 30, 2, 2],
    [{ setpointC: 30 }, 29, 31, 1, 1],
  ])('split, %j', (words, onC, offC, aboveK, belowK) => {
    const made = replan(inSplit, words)
    const { swingK, ...points } = switchingOf(made)
    expect(made.swingK).toBeUndefined()
    expect([points.onC, points.offC, made.aboveK, made.belowK, swingK]).toEqual([
      onC,
      offC,
      aboveK,
      belowK,
      aboveK + belowK,
    ])
  })
  it.each([{ swingK: 0 }, { swingK: -15 }])('refuses %j', (words) =>
    expect(() => replan(plan, words)).toThrow('must be over 0'),
  )
  it('keeps everything that is no word of the convention', () => {
    const { setpointC: _s, swingK: _w, ...rest } = replan(plan, { setpointC: 20, swingK: 3 })
    expect(plan).toMatchObject(rest)
  })
})

describe('inConvention', () => {
  it('keeps the points through any walk over the conventions', () =>
    fc.assert(
      fc.property(fc.array(fc.constantFrom<Convention>(...conventions), { minLength: 1, maxLength: 8 }), (walk) => {
        const end = walk.reduce((at, convention) => inConvention(at, convention), plan)
        expect(switchingOf(end).onC).toBeCloseTo(switchingOf(plan).onC, 9)
        expect(switchingOf(end).offC).toBeCloseTo(switchingOf(plan).offC, 9)
        expect(end.convention).toBe(walk.at(-1))
      }),
    ))
  it('keys half where the controller counts each side', () =>
    expect(keyedSwingK(inConvention(plan, 'centred', 'each-side'))).toBe(0.5))
})
