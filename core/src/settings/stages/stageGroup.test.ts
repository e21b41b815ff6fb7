import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { pointsOf } from '../../testing/plans'
import { type Behaviour, fromSetpoint, type OnOffBehaviour, switchingOf } from '../behaviour'
import {
  addStage,
  moveRung,
  removeStage,
  reorderStage,
  rungsOf,
  shiftRungs,
  spaceEvenly,
  spacings,
  swingForAll,
  turned,
} from './stageGroup'

const stage = (n: number, action: 'heating' | 'cooling', setpointC: number, port = 'probe1'): OnOffBehaviour => ({
  kind: 'on-off',
  order: n,
  output: { device: 'a1', port: `out${n}` },
  input: { device: 'a1', port },
  ...fromSetpoint(action, 'cut-out', setpointC, 1.5),
  highestC: -2,
  alarmHighC: 1,
  offsetK: 0,
  minimumOffS: 180,
  probeFault: 'off',
})
const brine: Record<string, Behaviour> = Object.fromEntries(
  [-6, -5, -4, -3].map((set, i) => [`s${i + 1}`, stage(i + 1, 'cooling', set)]),
)
const sets = (planned: Readonly<Record<string, Behaviour>>) => rungsOf(planned, 's1').map(({ setpointC }) => setpointC)

describe('rungs on one scale', () => {
  it('are those of one controller by one probe, in the order of the stages', () => {
    const other = { ...brine, x: stage(5, 'cooling', 0, 'probe2') }
    expect(rungsOf(other, 's3').map(({ id }) => id)).toEqual(['s1', 's2', 's3', 's4'])
    expect(rungsOf(other, 'x').map(({ id }) => id)).toEqual(['x'])
    expect(rungsOf(other, 'none')).toEqual([])
  })
  it('move together by the notch; limits and alarms stay', () => {
    const moved = shiftRungs(brine, 's1', 0.7)
    expect(sets(moved).map((c) => Number(c.toFixed(6)))).toEqual([-5.3, -4.3, -3.3, -2.3])
    for (const rung of rungsOf(moved, 's1')) expect(rung).toMatchObject({ highestC: -2, alarmHighC: 1, swingK: 1.5 })
  })
  it('the notch of any stage moves all of them from the first', () =>
    expect(sets(moveRung(brine, 's3', 'set', -5, 0.1))).toEqual([-5, -4, -3, -2]))
  it.each([
    ['on', -3.5, { onC: -3.5, offC: -6 }],
    ['off', -5.5, { onC: -4.5, offC: -5.5 }],
    ['bar', -7, { onC: -5.5, offC: -7 }],
  ] as const)('a %s moves one stage alone', (part, to, points) => {
    const moved = moveRung(brine, 's1', part, to, 0.1)
    expect(pointsOf(moved['s1'])).toMatchObject(points)
    expect(sets(moved).slice(1)).toEqual([-5, -4, -3])
  })
  it('a limit is one for the whole scale', () => {
    const moved = moveRung(brine, 's2', 'highest', 0, 0.1)
    expect(rungsOf(moved, 's1').map(({ highestC }) => highestC)).toEqual([0, 0, 0, 0])
    expect(moveRung(brine, 's1', 'alarmLow', -9, 0.1)['s4']).toMatchObject({ alarmLowC: -9 })
  })
  it('are spaced evenly: cooling climbs, heating descends', () => {
    expect(sets(spaceEvenly(brine, 's2', 0.5))).toEqual([-6, -5.5, -5, -4.5])
    const warm = { s1: stage(1, 'heating', 60), s2: stage(2, 'heating', 50) }
    expect(sets(spaceEvenly(warm, 's1', 4))).toEqual([60, 56])
    expect(spacings(rungsOf(spaceEvenly(warm, 's1', 4), 's1'))).toEqual([4])
    expect(() => spaceEvenly(brine, 's1', 0)).toThrow(/spacingK 0/)
  })
  it('take one swing for all', () =>
    expect(rungsOf(swingForAll(brine, 's1', 2), 's1').map(({ onC, offC }) => onC - offC)).toEqual([2, 2, 2, 2]))
  it('turn to the other action with set and swing as they are', () => {
    const plan = turned(stage(1, 'cooling', -6), 'heating')
    expect({ ...plan, ...switchingOf(plan) }).toMatchObject({ onC: -7.5, offC: -6, setpointC: -6 })
  })
})

describe('stages more and less', () => {
  it('taken out, the ones after it move up and the last output rests', () => {
    const less = removeStage(brine, 's1', 's2')!
    expect(sets(less)).toEqual([-6, -4, -3])
    expect(less['s4']).toMatchObject({ unused: true })
    expect(less['s2']).not.toHaveProperty('unused')
  })
  it('added again, it goes one spacing beyond the last', () => {
    const less = removeStage(brine, 's1', 's4')!
    const more = addStage(less, 's1', 1)!
    expect(sets(more)).toEqual([-6, -5, -4, -3])
    expect(more['s4']).not.toHaveProperty('unused')
    expect(addStage(more, 's1', 1)).toBeUndefined()
  })
  it('the only one stays', () => expect(removeStage({ s1: stage(1, 'cooling', 0) }, 's1', 's1')).toBeUndefined())
  it('two change places on their outputs', () => {
    const swapped = reorderStage(brine, 's1', 's1', 1)!
    expect(sets(swapped)).toEqual([-5, -6, -4, -3])
    expect(reorderStage(brine, 's1', 's1', -1)).toBeUndefined()
  })
  it('whatever is moved, spaced, taken out and added, every rung keeps a sound swing and its own output', () => {
    type Act = (planned: Record<string, Behaviour>, at: string) => Record<string, Behaviour> | undefined
    const acts: Act[] = [
      (p, at) => shiftRungs(p, at, 1.3),
      (p, at) => spaceEvenly(p, at, 0.8),
      (p, at) => swingForAll(p, at, 2.2),
      (p, at) => addStage(p, at, 1),
      (p, at) => removeStage(p, at, at),
      (p, at) => reorderStage(p, at, at, 1),
      (p, at) => moveRung(p, at, 'on', -1, 0.1),
      (p, at) => moveRung(p, at, 'off', 4, 0.1),
    ]
    fc.assert(
      fc.property(fc.array(fc.tuple(fc.nat(7), fc.nat(3)), { maxLength: 12 }), (steps) => {
        let planned = brine
        for (const [act, at] of steps) {
          const rungs = rungsOf(planned, 's1').length > 0 ? rungsOf(planned, 's1') : rungsOf(planned, 's2')
          planned = acts[act]!(planned, rungs[at % rungs.length]!.id) ?? planned
        }
        const all = Object.values(planned) as OnOffBehaviour[]
        expect(all.map(({ output }) => output.port).sort()).toEqual(['out1', 'out2', 'out3', 'out4'])
        for (const { onC, offC, swingK } of all.map(switchingOf)) {
          expect(onC - offC).toBeGreaterThan(0)
          expect(onC - offC).toBeCloseTo(swingK, 9)
        }
        expect(all.filter(({ unused }) => !unused).length).toBeGreaterThan(0)
      }),
    )
  })
})
