import { describe, expect, it } from '@jest/globals'
import type { Rung } from '../scaleValues'
import { RULE, scaleLayout, TOP } from './scaleLayout'
import { scaleTicks } from './scaleTicks'

const rung = (action: Rung['action'], stage: number, set = 20): Rung => ({
  id: `${action}${stage}`,
  action,
  stage,
  set,
  on: action === 'heating' ? set - 1 : set + 1,
  off: set,
  moves: '',
})
const laid = (rungs: readonly Rung[], compact = false) =>
  scaleLayout({
    values: { rungs },
    span: [10, 30],
    width: compact ? 374 : 760,
    height: 440,
    compact,
    step: 0.5,
  })

describe('scaleLayout', () => {
  it('puts the lowest temperature at the foot, the highest at the top, warmer higher', () => {
    const { y, bottom } = laid([rung('heating', 1)])
    expect([y(10), y(30), y(20)]).toEqual([bottom, TOP, (bottom + TOP) / 2])
  })
  it('holds what lies outside at the ends', () => {
    const { clampedY, bottom } = laid([rung('heating', 1)])
    expect([clampedY(-40), clampedY(90)]).toEqual([bottom, TOP])
  })
  it.each([10.5, 12, 20])('leaves room for the setpoint under the first of several cooling stages, at %d', (set) => {
    const { y, bottom } = laid([rung('cooling', 1, set), rung('cooling', 2, set + 2)])
    expect(y(set) + 72).toBeLessThanOrEqual(440 + 1e-9)
    expect(bottom).toBeLessThanOrEqual(424)
    // With nothing under it the scale is as long as it was.
    expect(laid([rung('cooling', 1, set)]).bottom).toBe(424)
  })
  it.each([
    ['heating', [rung('heating', 1)], false],
    ['cooling', [rung('cooling', 1)], true],
    ['both', [rung('heating', 1), rung('cooling', 1)], true],
  ] as const)('%s: limits and alarms stand on the free side', (_, rungs, freeLeft) =>
    expect(laid(rungs).freeLeft).toBe(freeLeft),
  )
  it.each([false, true])('every column has room beside the rule, compact %s', (compact) => {
    for (const heats of [0, 1, 4])
      for (const cools of [0, 1, 4]) {
        const rungs = [
          ...Array.from({ length: heats }, (_, i) => rung('heating', i + 1)),
          ...Array.from({ length: cools }, (_, i) => rung('cooling', i + 1)),
        ]
        if (rungs.length === 0) continue
        const { columnX, left, right, width } = laid(rungs, compact)
        expect(right - left).toBe(RULE)
        for (const { action, stage } of rungs) {
          const x = columnX(action, stage)
          expect(action === 'heating' ? x < left : x > right).toBe(true)
          expect(x).toBeGreaterThan(0)
          expect(x).toBeLessThan(width)
        }
      }
  })
  it.each([
    [0.5, '20.0'],
    [1, '20'],
  ])('a display step of %s shows %s', (step, said) => {
    const { say } = scaleLayout({
      values: { rungs: [] },
      span: [10, 30],
      width: 760,
      height: 440,
      compact: false,
      step,
    })
    expect(say(20)).toBe(said)
  })
})

describe('scaleTicks', () => {
  it.each([
    [10, 30, 19.5],
    [-40, 60, 3.9],
    [19, 21, 195],
  ])('from %d to %d: figures at round values, marks not closer than one can see', (low, high, perUnit) => {
    const { values, isMajor } = scaleTicks(low, high, perUnit)
    expect(values.every((value) => value >= low && value <= high)).toBe(true)
    const majors = values.filter(isMajor)
    expect(majors.length).toBeGreaterThan(1)
    expect((majors[1]! - majors[0]!) * perUnit).toBeGreaterThanOrEqual(26)
    expect((values[1]! - values[0]!) * perUnit).toBeGreaterThanOrEqual(5)
  })
})
