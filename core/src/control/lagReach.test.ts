import { describe, expect, it } from '@jest/globals'
import { simulate } from '../simulate/simulate'
import { lagReach } from './lagReach'

const given = { onC: 20, offC: 21, restC: 0, powerW: 2000, lossWPerK: 50, capacityJPerK: 200_000, lagS: 60 }

describe('lagReach', () => {
  it.each([
    [{}, 19.7, 21.285],
    [{ lagS: 0 }, 20, 21],
    // Never past where it would rest, nor past what the power can do.
    [{ lagS: 1e6 }, 0, 40],
    [{ onC: 38, offC: 34, restC: 50 }, 33.64, 38.18],
    [{ powerW: 1050 }, 19.7, 21],
  ])('%j: from %d to %d °C', (change, lowC, highC) => {
    const reach = lagReach({ ...given, ...change })
    expect(reach.lowC).toBeCloseTo(lowC, 6)
    expect(reach.highC).toBeCloseTo(highC, 6)
  })
  it.each([20, 60, 120])('is what a simulated place of one store does, with a lag of %d s', (lagS) => {
    const { summary } = simulate({
      ...{ durationS: 86400, traceS: 10 },
      network: {
        nodes: [{ id: 'air', capacityJPerK: given.capacityJPerK, startC: 20.5 }],
        links: [{ from: 'air', to: 'outdoor', wPerK: given.lossWPerK }],
        boundaries: { outdoor: { constantC: given.restC } },
      },
      probes: [{ id: 'p', node: 'air', lagS }],
      actuators: [{ id: 'heat', node: 'air', powerW: given.powerW }],
      controls: [
        {
          ...{ id: 'c', kind: 'on-off', probe: 'p', drives: 'heat', action: 'heating', onC: 20, offC: 21 },
          probeFault: 'off',
        },
      ],
    })
    const { lowC, highC } = lagReach({ ...given, lagS })
    const pastK = lagS * (given.powerW / given.capacityJPerK)
    expect(Math.abs(summary.minimumC['air']! - lowC)).toBeLessThan(0.2 * pastK)
    expect(Math.abs(summary.maximumC['air']! - highC)).toBeLessThan(0.2 * pastK)
  })
})
