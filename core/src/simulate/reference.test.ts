import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { anyScenario, onOffOf, scenarioOf } from '../testing/anyScenario'
import { referenceEngine } from '../testing/referenceEngine'
import type { Scenario } from './scenario'
import { needsSteps, simulate } from './simulate'

/** Step of the reference. */
const TINY_S = 0.25
/** Scenarios of each sort: the reference takes seconds for each, so a hunt asks for more. */
const RUNS = Number(process.env['NACHTIGAL_REFERENCE_RUNS'] ?? 2)
/** A switching this close to the end, or to another run's, may fall on the other side of it. */
const MARGIN_S = 20

const heaters = (scenario: Scenario) => scenario.actuators.map(({ id }) => id)

/** Starts equal except where a run ends at a switching; energy within 1e-4 and temperatures within 0.05 K of the reference. */
function agrees(scenario: Scenario, engine?: 'events' | 'steps') {
  const { summary, trace, events } = simulate(scenario, engine ? { engine } : {})
  const slow = referenceEngine(scenario, TINY_S)
  const atEnd = events.some(({ atS }) => atS > scenario.durationS - MARGIN_S)
  for (const id of heaters(scenario)) {
    expect(Math.abs(summary.starts[id]! - slow.starts.get(id)!)).toBeLessThanOrEqual(atEnd ? 1 : 0)
    const kwh = slow.kwh.get(id)!
    // The reference itself switches up to one of its steps late, each time.
    const powerW = scenario.actuators.find((each) => each.id === id)!.powerW ?? 4000
    const lateKwh = (powerW * TINY_S * (1 + summary.starts[id]!)) / 3.6e6
    const momentKwh = atEnd ? (powerW * MARGIN_S) / 3.6e6 : 0
    expect(Math.abs(summary.energyKwh[id]! - kwh)).toBeLessThan(1e-4 * Math.abs(kwh) + lateKwh + momentKwh)
  }
  for (const [node, value] of slow.temperature)
    expect(Math.abs(trace.nodes[node]!.at(-1)! - value)).toBeLessThan(atEnd ? 0.2 : 0.05)
  expect(summary.alarms).toBe(slow.alarms)
  for (const [id, kg] of slow.frost) expect(Math.abs(summary.frostKg[id]! - kg)).toBeLessThan(0.01 * Math.max(0.1, kg))
}

const sorts: Readonly<Record<string, fc.Arbitrary<Scenario>>> = {
  'on/off': anyScenario((plant) => scenarioOf(plant, [onOffOf(plant)])),
  'on/off with least times': anyScenario((plant, draw) =>
    scenarioOf(plant, [onOffOf(plant, { minimumOnS: draw(0, 0, 900), minimumOffS: draw(1, 0, 900) })]),
  ),
  'on/off with a dead time': anyScenario((plant, draw) =>
    scenarioOf(plant, [onOffOf(plant)], {
      probes: [{ ...plant.probes[0]!, deadS: Math.round(draw(0, 20, 300)), offsetK: draw(1, -1, 1) }, plant.probes[1]!],
    }),
  ),
  'by a reset line, with a night set-back': anyScenario((plant, draw) =>
    scenarioOf({ ...plant, action: 'heating' }, [
      {
        id: 'line',
        kind: 'reset',
        probe: 'out',
        line: { designOutdoorC: -30, designSupplyC: plant.setC + 4, warmOutdoorC: 30, warmSupplyC: plant.setC - 4 },
      },
      {
        id: 'night',
        kind: 'schedule',
        periods: [{ days: '1234567', start: '01:30', minutes: Math.round(draw(0, 30, 120)) }],
      },
      onOffOf(
        { ...plant, action: 'heating' },
        { follows: 'line', onC: -0.8, offC: 0.8, setback: { while: 'night', byK: draw(1, 0.5, 3) } },
      ),
    ]),
  ),
  staged: anyScenario((plant, draw) => {
    const away = plant.action === 'heating' ? -1 : 1
    const stages = [0, 1, 2].map((i) => ({
      drives: `s${i}`,
      onC: plant.setC + away * (0.5 + i * 0.5),
      offC: plant.setC - away * (0.5 - i * 0.5),
    }))
    return scenarioOf(
      plant,
      [
        {
          ...{ id: 'c', kind: 'staged', probe: 'p', action: plant.action, stages, probeFault: 'off' },
          waitS: draw(0, 0, 300),
          lead: draw(1, 0, 1) > 0.5 ? 'rotate' : 'fixed',
          minimumOffS: draw(2, 0, 400),
          minimumOnS: draw(3, 0, 200),
        } as const,
      ],
      { actuators: [0, 1, 2].map((i) => ({ id: `s${i}`, node: 'room', powerW: plant.actuators[0]!.powerW! / 2 })) },
    )
  }),
  'time-proportioned': anyScenario((plant, draw) => {
    const away = plant.action === 'heating' ? -1 : 1
    return scenarioOf(plant, [
      {
        ...{ id: 'c', kind: 'time-proportioned', probe: 'p', drives: 'heat', action: plant.action, probeFault: 'off' },
        cycleS: Math.round(draw(0, 120, 900)),
        zeroC: plant.setC,
        fullC: plant.setC + away * draw(1, 2, 6),
        ...(draw(2, 0, 1) > 0.5 ? { setC: plant.setC, integralS: draw(3, 1200, 6000) } : {}),
      } as const,
    ])
  }),
  proportional: anyScenario((plant, draw) => {
    const away = plant.action === 'heating' ? -1 : 1
    return scenarioOf(plant, [
      {
        ...{ id: 'c', kind: 'proportional', probe: 'p', drives: 'heat', action: plant.action, probeFault: 'off' },
        zeroC: plant.setC,
        fullC: plant.setC + away * draw(0, 2, 6),
        leastShare: draw(1, 0, 0.3),
        stopsBelow: draw(2, 0, 1) > 0.5,
      } as const,
    ])
  }),
  'PI with a valve that travels': anyScenario((plant, draw) => {
    const away = plant.action === 'heating' ? -1 : 1
    return scenarioOf(
      plant,
      [
        {
          ...{ id: 'c', kind: 'pi', probe: 'p', drives: 'heat', action: plant.action, probeFault: 'off' },
          ...{
            zeroC: plant.setC,
            fullC: plant.setC + away * draw(0, 3, 8),
            setC: plant.setC,
            integralS: draw(1, 1800, 7200),
          },
        } as const,
      ],
      { actuators: [{ ...plant.actuators[0]!, travelS: draw(2, 30, 200) }] },
    )
  }),
  'three-point through a mixing valve': anyScenario((plant, draw) =>
    scenarioOf(
      { ...plant, action: 'heating' },
      [
        {
          ...{ id: 'c', kind: 'three-point', probe: 'p', drives: 'heat', action: 'heating', probeFault: 'off' },
          ...{ zeroC: plant.setC + 1, fullC: plant.setC - draw(0, 2, 5), neutralShare: draw(1, 0.02, 0.1) },
        } as const,
      ],
      {
        actuators: [{ id: 'heat', travelS: draw(2, 60, 240) }],
        network: {
          ...plant.network,
          boundaries: { ...plant.network.boundaries, water: { constantC: 50 } },
          links: [
            ...plant.network.links,
            { from: 'water', to: 'room', wPerK: (plant.actuators[0]!.powerW! * 1.5) / 30, by: 'heat' },
          ],
        },
      },
    ),
  ),
  'a fan by heat and humidity': anyScenario((plant, draw) =>
    scenarioOf(
      plant,
      [
        {
          id: 'c',
          kind: 'fan',
          drives: 'fan',
          demands: [
            { probe: 'p', zeroAt: 22, fullAt: 26 },
            { probe: 'rh', zeroAt: 60, fullAt: 75 },
          ],
          leastShare: draw(0, 0.1, 0.4),
          probeFault: 'on',
        },
      ],
      {
        network: {
          nodes: [
            { id: 'room', capacityJPerK: 3e6, startC: 24 },
            { id: 'moist', capacityJPerK: 300, startC: 11 },
          ],
          links: [
            { from: 'room', to: 'outside', wPerK: 60 },
            { from: 'room', to: 'outside', wPerK: draw(1, 200, 500), by: 'fan' },
            { from: 'moist', to: 'wet', wPerK: draw(1, 200, 500) / 1006, by: 'fan' },
          ],
          boundaries: { outside: { hourlyC: [16, 19, 17] }, wet: { constantC: draw(2, 6, 9) } },
          gains: [
            { node: 'room', constantW: draw(3, 800, 2500) },
            { node: 'moist', constantW: draw(4, 0.2, 1.2) },
          ],
        },
        probes: [
          { id: 'p', node: 'room', lagS: 200 },
          { id: 'rh', node: 'room', moisture: 'moist', lagS: 120 },
        ],
        actuators: [{ id: 'fan' }],
      },
    ),
  ),
  'a heater that lights and runs up, on a battery': anyScenario((plant, draw) =>
    scenarioOf(
      { ...plant, action: 'heating' },
      [
        {
          ...{ id: 'c', kind: 'ramped', probe: 'p', drives: 'heat', action: 'heating', probeFault: 'off' },
          ...{ onC: plant.setC - 1, offC: plant.setC + 1, fullC: plant.setC, leastShare: 0.4, igniteS: 90, rampS: 120 },
        } as const,
        { id: 'full', kind: 'battery', probe: 'volts', cutOffV: 11.9, holdS: draw(0, 5, 60), restartV: 13 },
      ],
      {
        network: {
          ...plant.network,
          nodes: [...plant.network.nodes, { id: 'store', capacityJPerK: draw(1, 3600, 9000), startC: 12.7 }],
        },
        probes: [...plant.probes, { id: 'volts', node: 'store', lagS: 2, sags: { heat: 0.1 } }],
        actuators: [{ ...plant.actuators[0]!, draws: { node: 'store', runA: 1.2, startAs: 400 } }],
        permissives: [{ drives: 'heat', expression: 'full' }],
      },
    ),
  ),
  'a cold room with frost and defrost': anyScenario((plant, draw) => coldRoom(draw)),
  'a repeated timer, hours, a limit, a door and low supply': anyScenario((plant, draw) =>
    scenarioOf(plant, [onOffOf(plant), { id: 'turns', kind: 'timer', mode: 'repeat', aS: 1800, bS: 600 }], {
      inputs: {
        open: { hours: [[0.5, 3]] },
        cool: { probe: 'out', belowC: 60, differentialK: 2 },
      },
      permissives: [{ drives: 'heat', expression: { and: ['turns', 'cool', { or: ['open', { not: 'open' }] }] } }],
      alarms: [{ id: 'low', probe: 'p', belowC: plant.setC - 1.5, delayS: 600 }],
      faults: [
        { atS: 3600, untilS: 5400, kind: 'supply-low', share: 0.85 },
        { atS: 7200, untilS: 8400, kind: 'door-open', node: 'room', to: 'outdoor', wPerK: draw(0, 10, 80) },
      ],
    }),
  ),
  'contacts in series and parallel with those of two controls': anyScenario((plant, draw) =>
    scenarioOf(
      plant,
      [onOffOf(plant), { ...onOffOf({ ...plant, swingK: plant.swingK * draw(3, 0.6, 1.5) }), id: 'other' }],
      {
        inputs: { hand: { hours: [[0.5, 1]] }, cool: { probe: 'out', belowC: 60 } },
        lines: [
          {
            drives: 'heat',
            expression:
              draw(4, 0, 1) < 0.5
                ? { and: ['cool', { or: [{ and: ['c', 'other'] }, 'hand'] }] }
                : { or: ['hand', { and: ['called', { not: 'hand' }] }] },
          },
        ],
      },
    ),
  ),
  'a stage by its contact, and a switch across it': anyScenario((plant, draw) =>
    scenarioOf(
      plant,
      [
        {
          ...{ id: 's', kind: 'staged', probe: 'p', action: plant.action, probeFault: 'off', waitS: 120 },
          stages: [0, 1].map((i) => ({
            drives: i === 0 ? 'heat' : 'more',
            onC: plant.setC - (plant.action === 'heating' ? 1 : -1) * (plant.swingK / 2 + i),
            offC: plant.setC + ((plant.action === 'heating' ? 1 : -1) * plant.swingK) / 2,
          })),
        },
      ],
      {
        actuators: [
          { ...plant.actuators[0]!, powerW: plant.actuators[0]!.powerW! * 0.7 },
          { ...plant.actuators[0]!, id: 'more', powerW: plant.actuators[0]!.powerW! * 0.5 },
        ],
        inputs: { hand: { hours: [[1, 1 + draw(3, 0.2, 1)]] } },
        lines: [{ drives: 'more', expression: { or: ['s 2', 'hand'] } }],
      },
    ),
  ),
  'faults of probes and relays': anyScenario((plant, draw) => {
    const at = Math.round(draw(0, 3000, 9000))
    const sorts = [
      { kind: 'open', probe: 'p' },
      { kind: 'drifted', probe: 'p', byK: draw(1, -3, 3) },
      { kind: 'fallen-off', probe: 'p', place: 'outdoor' },
      {
        kind: 'wrong-kind',
        probe: 'p',
        shows: [
          [-40, -30],
          [20, 18],
          [60, 70],
        ],
      },
      { kind: 'welded', actuator: 'heat' },
      { kind: 'dead', actuator: 'heat' },
      { kind: 'sun', probe: 'p', byK: 2, hours: [2, 4] },
    ] as const
    const fault = sorts[Math.floor(draw(2, 0, sorts.length - 0.001))]!
    return scenarioOf(plant, [onOffOf(plant, { probeFault: 'duty', dutyShare: 0.4 })], {
      faults: [{ atS: at, untilS: at + 4000, ...fault }],
    })
  }),
}

function coldRoom(draw: (i: number, low: number, high: number) => number): Scenario {
  return {
    durationS: 3 * 3600,
    traceS: 60,
    network: {
      nodes: [
        { id: 'air', capacityJPerK: 2e5, startC: 3 },
        { id: 'goods', capacityJPerK: 1.5e6, startC: 2 },
        { id: 'coil', capacityJPerK: 9000, startC: 2 },
      ],
      links: [
        { from: 'air', to: 'goods', wPerK: 60 },
        { from: 'air', to: 'around', wPerK: draw(0, 15, 30) },
      ],
      boundaries: { around: { constantC: 22 } },
      gains: [{ node: 'air', constantW: 100 }],
      flows: [
        {
          ...{
            kind: 'frost',
            id: 'ice',
            coil: 'coil',
            air: 'air',
            wPerK: draw(1, 120, 200),
            stillShare: 0.1,
            fan: 'fan',
          },
          ...{ humidityPercent: 85, halfKg: 3 },
        } as const,
      ],
    },
    probes: [
      { id: 'p', node: 'air', lagS: 200 },
      { id: 'coil', node: 'coil', lagS: 60 },
    ],
    actuators: [
      { id: 'cold', node: 'coil', powerW: 1500, perK: { of: 'coil', share: 0.035, atC: -8 } },
      { id: 'fan', node: 'air', powerW: 60 },
      { id: 'melt', node: 'coil', powerW: 800 },
    ],
    controls: [
      {
        id: 'c',
        kind: 'on-off',
        probe: 'p',
        drives: 'cold',
        action: 'cooling',
        onC: 2.5,
        offC: 0.5,
        minimumOffS: 180,
        probeFault: 'off',
      },
      { id: 'f', kind: 'on-off', probe: 'p', drives: 'fan', action: 'heating', onC: 98, offC: 99, probeFault: 'on' },
      {
        ...{ id: 'd', kind: 'defrost', by: 'time', cooling: 'cold', fan: 'fan', heater: 'melt', coil: 'coil' },
        ...{ everyS: draw(2, 4000, 8000), endC: 8, longestS: 1500, dripS: 180, fanBackC: -2 },
      } as const,
    ],
  }
}

describe('both engines against tiny steps of a reference of its own', () => {
  for (const [sort, arbitrary] of Object.entries(sorts)) {
    it(`${sort}`, () =>
      fc.assert(
        fc.property(arbitrary, (scenario) => agrees(scenario)),
        { numRuns: RUNS, endOnFailure: true },
      ))
    const [first] = fc.sample(arbitrary, { numRuns: 1, seed: 1 })
    if (!needsSteps(first!))
      it(`${sort}, by steps`, () =>
        fc.assert(
          fc.property(arbitrary, (scenario) => agrees(scenario, 'steps')),
          { numRuns: Math.ceil(RUNS / 2), endOnFailure: true },
        ))
  }
})
