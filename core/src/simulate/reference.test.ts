import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import type { Scenario } from './scenario'
import { simulate } from './simulate'

/**
 * Reference engine, for tests only: plain objects, tiny Euler steps, the relay looked at in each. Slow and obviously right.
 * It knows nodes, links (also switched ones), constant and hourly boundaries, gains, lagging probes and on/off controls.
 */
function reference(scenario: Scenario, dtS: number) {
  const { network } = scenario
  const temperature = new Map(network.nodes.map(({ id, startC }) => [id, startC]))
  const capacity = new Map(network.nodes.map(({ id, capacityJPerK }) => [id, capacityJPerK]))
  const boundaryAt = (id: string, s: number) => {
    const boundary = network.boundaries[id]!
    if ('constantC' in boundary) return boundary.constantC
    const { hourlyC } = boundary
    const hour = Math.floor(s / 3600)
    const [a, b] = [hourlyC[hour % hourlyC.length]!, hourlyC[(hour + 1) % hourlyC.length]!]
    return a + ((b - a) * (s - hour * 3600)) / 3600
  }
  const at = (id: string, s: number) => temperature.get(id) ?? boundaryAt(id, s)
  const reading = new Map(scenario.probes.map(({ id, node }) => [id, at(node, 0)]))
  const on = new Map(scenario.actuators.map(({ id }) => [id, false]))
  const joules = new Map(scenario.actuators.map(({ id }) => [id, 0]))
  let starts = 0
  for (let s = 0; s < scenario.durationS; s += dtS) {
    for (const { probe, drives, action, onC, offC } of scenario.controls) {
      const [value, was] = [reading.get(probe)!, on.get(drives)!]
      const now = action === 'heating' ? (was ? value < offC : value <= onC) : was ? value > offC : value >= onC
      if (now && !was) starts++
      on.set(drives, now)
    }
    const flow = new Map(network.nodes.map(({ id }) => [id, 0]))
    const add = (id: string, w: number) => {
      if (flow.has(id)) flow.set(id, flow.get(id)! + w)
    }
    for (const { from, to, wPerK, while: actuator } of network.links) {
      if (actuator !== undefined && !on.get(actuator)) continue
      const w = wPerK * (at(from, s) - at(to, s))
      add(from, -w)
      add(to, w)
      if (actuator !== undefined) joules.set(actuator, joules.get(actuator)! + w * dtS)
    }
    for (const { node, constantW } of network.gains ?? []) add(node, constantW)
    for (const { id, node, powerW } of scenario.actuators) {
      if (node === undefined || powerW === undefined || !on.get(id)) continue
      const cools = scenario.controls.some((c) => c.drives === id && c.action === 'cooling')
      add(node, cools ? -powerW : powerW)
      joules.set(id, joules.get(id)! + powerW * dtS)
    }
    for (const { id, node, lagS } of scenario.probes)
      reading.set(id, reading.get(id)! + ((at(node, s) - reading.get(id)!) * dtS) / lagS)
    for (const [id, w] of flow) temperature.set(id, temperature.get(id)! + (w * dtS) / capacity.get(id)!)
  }
  return { temperature, starts, kwh: new Map([...joules].map(([id, j]) => [id, j / 3.6e6])) }
}

const between = (min: number, max: number) => fc.double({ min, max, noNaN: true })

/**
 * A slab or none under a room, weather that moves or not, a heater or a pump, a probe with a lag, a swing. Slow enough that the
 * quarter second by which tiny steps miss a switching does not add up.
 */
const anyScenario = fc
  .record({
    slab: fc.boolean(),
    pumped: fc.boolean(),
    roomJ: between(2e6, 6e6),
    slabJ: between(2e6, 2e7),
    loss: between(20, 150),
    inner: between(100, 500),
    outdoor: fc.array(between(-20, 10), { minLength: 1, maxLength: 6 }),
    powerW: between(1500, 9000),
    lagS: between(60, 900),
    setC: between(17, 24),
    swingK: between(0.8, 3),
    startK: between(-3, 3),
    gainW: between(0, 500),
  })
  .map((p): Scenario => {
    const heated = p.slab ? 'slab' : 'room'
    const pumped = p.pumped && p.slab
    return {
      durationS: 6 * 3600,
      traceS: 60,
      network: {
        nodes: [
          { id: 'room', capacityJPerK: p.roomJ, startC: p.setC + p.startK },
          ...(p.slab ? [{ id: 'slab', capacityJPerK: p.slabJ, startC: p.setC + p.startK + 2 }] : []),
        ],
        links: [
          { from: 'room', to: 'outdoor', wPerK: p.loss },
          ...(p.slab ? [{ from: 'slab', to: 'room', wPerK: p.inner }] : []),
          ...(pumped ? [{ from: 'water', to: 'slab', wPerK: p.powerW / 15, while: 'heat' }] : []),
        ],
        boundaries: { outdoor: { hourlyC: p.outdoor }, water: { constantC: 40 } },
        gains: [{ node: 'room', constantW: p.gainW }],
      },
      probes: [{ id: 'p', node: 'room', lagS: p.lagS }],
      actuators: [pumped ? { id: 'heat' } : { id: 'heat', node: heated, powerW: p.powerW }],
      controls: [
        {
          ...{ id: 'c', kind: 'on-off', probe: 'p', drives: 'heat', action: 'heating', probeFault: 'off' },
          onC: p.setC - p.swingK / 2,
          offC: p.setC + p.swingK / 2,
        } as Scenario['controls'][number],
      ],
    }
  })

describe('the engine against tiny steps', () => {
  it('ends where they end, with the same heat, on whatever small plant', () =>
    fc.assert(
      fc.property(anyScenario, (scenario) => {
        const { summary, trace } = simulate(scenario)
        const slow = reference(scenario, 0.25)
        // A relay that acts a moment apart moves a start over the end of the run; temperatures and heat stay close.
        expect(Math.abs(summary.starts['heat']! - slow.starts)).toBeLessThanOrEqual(1)
        for (const [node, value] of slow.temperature)
          expect(Math.abs(trace.nodes[node]!.at(-1)! - value)).toBeLessThan(0.12)
        expect(Math.abs(summary.energyKwh['heat']! - slow.kwh.get('heat')!)).toBeLessThan(
          0.02 * Math.max(1, slow.kwh.get('heat')!),
        )
      }),
      { numRuns: 15, endOnFailure: true },
    ))
  it('comes closer as the steps get smaller', () => {
    const [scenario] = fc.sample(anyScenario, { numRuns: 1, seed: 5 })
    const { trace } = simulate(scenario!)
    const off = (dt: number) =>
      Math.abs(trace.nodes['room']!.at(-1)! - reference(scenario!, dt).temperature.get('room')!)
    expect(off(0.25)).toBeLessThan(off(8))
  })
  it('never leaves the span of what surrounds it without heat', () =>
    fc.assert(
      fc.property(anyScenario, (scenario) => {
        const cold = { ...scenario, controls: [], network: { ...scenario.network, gains: [] } }
        const { summary } = simulate(cold)
        const outdoor = (cold.network.boundaries['outdoor'] as { hourlyC: number[] }).hourlyC
        const starts = cold.network.nodes.map(({ startC }) => startC)
        for (const value of Object.values(summary.minimumC))
          expect(value).toBeGreaterThan(Math.min(...outdoor, ...starts) - 1e-6)
        for (const value of Object.values(summary.maximumC))
          expect(value).toBeLessThan(Math.max(...outdoor, ...starts) + 1e-6)
      }),
      { numRuns: 40, endOnFailure: true },
    ))
  it('runs the same twice', () =>
    fc.assert(
      fc.property(anyScenario, (scenario) => {
        expect(simulate(scenario).events).toEqual(simulate(scenario).events)
      }),
      { numRuns: 10 },
    ))
})
