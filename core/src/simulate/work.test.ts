import { describe, expect, it } from '@jest/globals'
import type { Work } from './run'
import type { Scenario } from './scenario'
import { simulate } from './simulate'

const DAYS = 3

/** A floor by water through a pump that is switched: what the water gives is summed up in joules. */
const floor = (traceS: number): Scenario => ({
  durationS: DAYS * 86400,
  traceS,
  network: {
    nodes: [
      { id: 'slab', capacityJPerK: 9e6, startC: 24 },
      { id: 'room', capacityJPerK: 1.2e6, startC: 20 },
    ],
    links: [
      { from: 'water', to: 'slab', wPerK: 240, while: 'pump' },
      { from: 'slab', to: 'room', wPerK: 320 },
      { from: 'room', to: 'outdoor', wPerK: 190 },
    ],
    boundaries: {
      outdoor: { hourlyC: Array.from({ length: DAYS * 24 + 1 }, (_, h) => -5 + 4 * Math.sin(h / 4)) },
      water: { constantC: 62 },
    },
  },
  probes: [{ id: 'p', node: 'room', lagS: 120 }],
  actuators: [{ id: 'pump' }],
  controls: [
    {
      ...{ id: 'c', kind: 'on-off', probe: 'p', drives: 'pump', action: 'heating', onC: 20.8, offC: 21.2 },
      ...{ minimumOnS: 180, minimumOffS: 300, probeFault: 'off' },
    } as const,
  ],
})

const worked = (traceS: number) => {
  const work: Work = { strides: 0, stretches: 0, ladders: 0 }
  const { events } = simulate(floor(traceS), { work })
  return { ...work, switched: events.length }
}

describe('the work of a run', () => {
  const each = worked(60)
  it.each([0, 300, 900, 3600])('is less with a trace of %d s than with one a minute', (traceS) => {
    const { strides, stretches, ladders, switched } = worked(traceS)
    expect(switched).toBe(each.switched)
    expect(strides).toBeLessThan(each.strides / 2)
    // From a switching to the next mark there are a few odd stretches, not one for each tick.
    expect(stretches).toBeLessThan(2 * (switched + DAYS * 24))
    expect(ladders).toBe(2)
  })
  it('is a stride for each point of a trace, and little about each switching', () => {
    expect(each.switched).toBeGreaterThan(10)
    expect(each.strides).toBeLessThan(DAYS * 1440 + 60 * each.switched)
    expect(each.stretches).toBeLessThan(10 * each.switched)
    expect(each.ladders).toBe(2)
  })
  it('makes one ladder of matrices for each set of actuators, however long it runs', () => {
    const once = { ...floor(0), durationS: 86400 }
    const work: Work = { strides: 0, stretches: 0, ladders: 0 }
    simulate(once, { work })
    expect(work.ladders).toBe(2)
  })
})
