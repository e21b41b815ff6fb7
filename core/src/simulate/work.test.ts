import { describe, expect, it } from '@jest/globals'
import type { Work } from './run'
import type { Scenario } from './scenario'
import { RunTakesLong, simulate } from './simulate'

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

  describe('of strides that are held', () => {
    /** A room by a modulating heater; its radiator is not straight. */
    const radiator: Scenario = {
      durationS: DAYS * 86400,
      traceS: 300,
      network: {
        nodes: [
          { id: 'water', capacityJPerK: 1.2e5, startC: 40 },
          { id: 'room', capacityJPerK: 2e6, startC: 20 },
        ],
        links: [{ from: 'room', to: 'outdoor', wPerK: 90 }],
        flows: [{ kind: 'emitter', from: 'water', to: 'room', exponent: 1.3, nominalW: 3000, nominalK: 30 }],
        boundaries: { outdoor: { hourlyC: Array.from({ length: DAYS * 24 + 1 }, (_, h) => -5 + 4 * Math.sin(h / 4)) } },
      },
      probes: [{ id: 'p', node: 'room', lagS: 120 }],
      actuators: [{ id: 'heat', node: 'water', powerW: 5000 }],
      controls: [
        {
          ...{ id: 'c', kind: 'pi', probe: 'p', drives: 'heat', action: 'heating', zeroC: 22, fullC: 19 },
          ...{ setC: 21, integralS: 3600, probeFault: 'off' },
        } as const,
      ],
    }
    const { network, ...rest } = radiator
    const straight: Scenario = {
      ...rest,
      network: {
        ...network,
        flows: [],
        links: [...network.links, { from: 'water', to: 'room', wPerK: 110 }],
      },
    }
    it.each([
      ['a radiator', radiator, 4],
      ['a straight plant under a modulating control', straight, 4],
    ])('is a part of the fixed steps: %s, and comes to the same', (_, scenario, times) => {
      const work: Work = { strides: 0, stretches: 0, ladders: 0 }
      const fixed: Work = { ...work }
      const made = simulate(scenario, { work })
      const plain = simulate({ ...scenario, stepS: made.summary.stepS }, { work: fixed })
      expect(work.strides).toBeLessThan(fixed.strides / times)
      expect(Math.abs(made.summary.energyKwh['heat']! / plain.summary.energyKwh['heat']! - 1)).toBeLessThan(2e-5)
      for (const [i, value] of made.trace.nodes['room']!.entries())
        expect(Math.abs(value - plain.trace.nodes['room']![i]!)).toBeLessThan(0.005)
    })
    it('takes the step that is asked for, and no longer one', () => {
      const work: Work = { strides: 0, stretches: 0, ladders: 0 }
      simulate({ ...straight, stepS: 10 }, { work })
      expect(work.strides).toBeGreaterThanOrEqual(radiator.durationS / 10)
    })
    it('keeps a looking control at its moments where another looks less often', () => {
      const [control] = straight.controls
      const two: Scenario = {
        ...straight,
        actuators: [...straight.actuators, { id: 'more', node: 'room', powerW: 300 }],
        controls: [
          control!,
          {
            ...{
              id: 'slow',
              kind: 'proportional',
              probe: 'p',
              drives: 'more',
              action: 'heating',
              zeroC: 24,
              fullC: 16,
            },
            ...{ sampleS: 60, probeFault: 'off' },
          } as const,
        ],
      }
      const made = simulate(two)
      const plain = simulate({ ...two, stepS: made.summary.stepS })
      for (const id of ['heat', 'more'])
        expect(Math.abs(made.summary.energyKwh[id]! / plain.summary.energyKwh[id]! - 1)).toBeLessThan(5e-5)
    })
  })
})

describe('a run that may not take long', () => {
  /** A tenth of a second further at each look. */
  const clock = () => {
    let ms = 0
    return () => (ms += 100)
  }
  const long: Scenario = { ...floor(0), stepS: 1 }
  const asked = (ms: number) => simulate(long, { engine: 'steps', within: { ms, now: clock() } })
  it('ends with what it would take, as soon as its pace can be judged', () => {
    let taken = 0
    try {
      asked(500)
    } catch (error) {
      expect(error).toBeInstanceOf(RunTakesLong)
      taken = (error as RunTakesLong).ms
    }
    // By that clock the whole of it would have been looked at every 128 turns.
    const work: Work = { strides: 0, stretches: 0, ladders: 0 }
    simulate(long, { engine: 'steps', work })
    expect(taken).toBeGreaterThan(500)
    expect(taken).toBeLessThan(100 * work.strides)
  })
  it('goes on to its end where it fits', () => {
    expect(asked(1e9).summary.starts['pump']).toBe(simulate(long, { engine: 'steps' }).summary.starts['pump'])
  })
})
