import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { droop } from '../settings/band/law/proportional'
import { onOffCycle } from '../control/onOffCycle'
import type { Scenario } from '../simulate/scenario'
import { simulate } from '../simulate/simulate'
import { fieldData } from '../testing/fieldData'
import { floorPlant } from './floorPlant'
import { boilerModel } from '../kinds/boiler/boilerModel'
import { cabinetModel } from '../kinds/cabinet/cabinetModel'
import { cabinModel } from '../kinds/cabin/cabinModel'
import { chillerModel } from '../kinds/chiller/chillerModel'
import { coldRoomModel } from '../kinds/coldRoom/coldRoomModel'
import { enclosureModel } from '../kinds/enclosure/enclosureModel'
import { fanModel } from '../kinds/fan/fanModel'
import { floorModel } from '../kinds/floor/floorModel'
import { poolModel } from '../kinds/pool/poolModel'
import { roomModel } from '../kinds/room/roomModel'
import { poolEvaporation } from './poolEvaporation'
import { restState } from './restState'
import type { PlantModel } from './thermalNetwork'
import { storedJPerK, waterHeatUp } from './water'

const evaporation = { areaM2: 60, waterC: 26, airC: 10, humidityPercent: 70, windMPerS: 0.5, activity: 0.6 }
const pool = poolModel({ waterJPerK: 3.8e8, lossWPerK: 700, evaporation, ground: 1.05 })
const floor = floorPlant(
  {
    ...{ targetC: 21, probePlace: 'room', designOutdoorC: -10, areaM2: 40, lossWPerK: 70, screedM: 0.065 },
    ...{ quickCapacityJPerK: 1.6e6, pitchMm: 150, supplyC: 40, dropK: 7 },
  } as const,
  fieldData,
)

interface Kind {
  readonly model: PlantModel
  readonly holdC: number
  readonly boundaries: Readonly<Record<string, number>>
  /** What holds it, by hand, W: loss less gains. */
  readonly handW: number
}

const kinds: Readonly<Record<string, Kind>> = {
  floor: { model: floorModel(floor, 'room'), holdC: 21, boundaries: { outdoor: -10 }, handW: 70 * 31 },
  room: {
    model: roomModel({ lossWPerK: 30, quickJPerK: 6e5, wholeJPerK: 2.4e6, filmWPerK: 100 }),
    ...{ holdC: 20, boundaries: { outdoor: -14 }, handW: 30 * 34 },
  },
  boiler: {
    model: boilerModel({
      waterJPerK: 8e5,
      buildingJPerK: 4e7,
      lossWPerK: 470,
      nominalW: 16450,
      nominalK: 47,
      exponent: 1.3,
    }),
    // The emitters' chord: water over rooms by load over W/K, rooms over outdoor by load over loss.
    ...{ holdC: 68, boundaries: { outdoor: -14 }, handW: (68 + 14) / (47 / 16450 + 1 / 470) },
  },
  pool: {
    model: pool,
    ...{ holdC: 26, boundaries: { outdoor: 10, drying: pool.drying!.restC } },
    handW: 700 * 16 + poolEvaporation(evaporation).evaporationW * 1.05,
  },
  fan: {
    model: fanModel({
      ...{ lossWPerK: 45, quickJPerK: 1e6, wholeJPerK: 4e6, filmWPerK: 170, heatW: 600, moistShare: 0.3 },
      ...{ volumeM3: 62, startC: 22, startPercent: 60 },
    }),
    ...{ holdC: 22, boundaries: { outdoor: 18 }, handW: 45 * 4 - 600 * 0.7 },
  },
  enclosure: {
    model: enclosureModel({ lossWPerK: 22, airJPerK: 2e4, wholeJPerK: 8e4, film: 5, heatW: 420 }),
    ...{ holdC: 35, boundaries: { outdoor: 32 }, handW: 22 * 3 - 420 },
  },
  'cold-room': {
    model: coldRoomModel({
      ...{ lossWPerK: 12, airJPerK: 2e5, goodsJPerK: 7e5, goodsWPerK: 70, gainW: 110, coilJPerK: 9000, coilWPerK: 200 },
      ...{ stillShare: 0.1, humidityPercent: 85, halfKg: 2 },
    }),
    ...{ holdC: 1, boundaries: { outdoor: 24 }, handW: -12 * 23 - 110 },
  },
  chiller: {
    model: chillerModel({ brineJPerK: 2.5e6, slabJPerK: 1.5e7, slabWPerK: 2750, lossWPerK: 3, heatW: 11000 }),
    ...{ holdC: -2, boundaries: { outdoor: 24 }, handW: -11000 - 3 * 26 },
  },
  cabinet: {
    model: cabinetModel({
      ...{ lossWPerK: 4.5, airJPerK: 1.6e4, wallsJPerK: 4.8e4, film: 5, goodsJPerK: 4e4, goodsWPerK: 10 },
      ...{ elementJPerK: 800, elementWPerK: 13 },
    }),
    ...{ holdC: 45, boundaries: { outdoor: 16 }, handW: 4.5 * 29 },
  },
  cabin: {
    model: cabinModel({ lossWPerK: 40, airJPerK: 3.4e4, shellJPerK: 1e5, leakShare: 0.35, film: 5 }),
    ...{ holdC: 16, boundaries: { outdoor: -14 }, handW: 40 * 30 },
  },
}

/** The plant with constant surroundings and a constant power at the place where heat or cold goes in. */
function held(
  { model, boundaries }: Kind,
  powerW: number,
  nodesC: Readonly<Record<string, number>>,
  hours: number,
): Scenario {
  return {
    durationS: hours * 3600,
    traceS: 60,
    network: {
      nodes: model.nodes.map((node) => ({ ...node, startC: nodesC[node.id]! })),
      links: model.links,
      ...(model.gains ? { gains: model.gains } : {}),
      // What is curved is tested on its own: here by its chord, as a link.
      boundaries: Object.fromEntries(Object.entries(boundaries).map(([id, constantC]) => [id, { constantC }])),
    },
    probes: [{ id: 'p', node: model.controlled, lagS: 60 }],
    actuators: [{ id: 'heat', node: model.heated, powerW: Math.abs(powerW), takesOut: powerW < 0 }],
    controls: [{ id: 'c', kind: 'constant', drives: 'heat' }],
  }
}

/** Curved flows as links by their chord. */
const straight = (kind: Kind): Kind => ({
  ...kind,
  model: {
    ...kind.model,
    links: [
      ...kind.model.links,
      ...(kind.model.flows ?? []).flatMap((flow) =>
        flow.kind === 'emitter'
          ? [{ from: flow.from, to: flow.to, wPerK: flow.nominalW / flow.nominalK }]
          : flow.kind === 'frost'
            ? [{ from: flow.coil, to: flow.air, wPerK: flow.wPerK }]
            : [],
      ),
    ],
    flows: [],
  },
})

describe.each(Object.entries(kinds))('%s', (_, kind) => {
  it('is held by what the hand sum says', () => {
    const { powerW, nodesC } = restState(kind.model, kind.holdC, kind.boundaries)
    expect(powerW / kind.handW).toBeCloseTo(1, 9)
    expect(nodesC[kind.model.controlled]).toBeCloseTo(kind.holdC, 9)
  })
  it('stays where it rests when simulated with that power', () => {
    const { powerW, nodesC } = restState(kind.model, kind.holdC, kind.boundaries)
    const { trace } = simulate(held(straight(kind), powerW, nodesC, 48))
    for (const { id } of kind.model.nodes)
      if (kind.model.starts?.[id] === undefined) expect(trace.nodes[id]!.at(-1)).toBeCloseTo(nodesC[id]!, 5)
  })
  it('closes its energy balance to 1e-6', () => {
    const { powerW, nodesC } = restState(kind.model, kind.holdC, kind.boundaries)
    const plain = straight(kind)
    const scenario = held(plain, powerW, Object.fromEntries(Object.entries(nodesC).map(([id, c]) => [id, c - 3])), 24)
    // Every connection to a boundary gets a meter: a link that an always-running actuator switches.
    const ends = Object.keys(kind.boundaries)
    const meters = scenario.network.links.flatMap(({ from, to }, i) =>
      ends.includes(from) || ends.includes(to) ? [i] : [],
    )
    const metered: Scenario = {
      ...scenario,
      network: {
        ...scenario.network,
        links: scenario.network.links.map((link, i) => (meters.includes(i) ? { ...link, while: `m${i}` } : link)),
      },
      actuators: [...scenario.actuators, ...meters.map((i) => ({ id: `m${i}` }))],
      controls: [
        ...scenario.controls,
        ...meters.map((i) => ({ id: `c${i}`, kind: 'constant' as const, drives: `m${i}` })),
      ],
    }
    const { summary, trace } = simulate(metered)
    const heat = plain.model.nodes.filter(({ id }) => plain.model.starts?.[id] === undefined)
    const stored = heat.reduce(
      (sum, { id, capacityJPerK }) => sum + capacityJPerK * (trace.nodes[id]!.at(-1)! - trace.nodes[id]![0]!),
      0,
    )
    const lost = meters.reduce((sum, i) => {
      const link = scenario.network.links[i]!
      return sum + (ends.includes(link.to) ? 1 : -1) * summary.energyKwh[`m${i}`]! * 3.6e6
    }, 0)
    const gains = (plain.model.gains ?? []).reduce(
      (sum, gain) =>
        sum + ('constantW' in gain && heat.some(({ id }) => id === gain.node) ? gain.constantW * 86400 : 0),
      0,
    )
    const put = Math.sign(powerW) * summary.energyKwh['heat']! * 3.6e6 + gains
    expect(Math.abs(put - stored - lost) / Math.max(Math.abs(put), Math.abs(lost))).toBeLessThan(1e-6)
  })
})

describe('first-order cases against their closed forms', () => {
  const one = (powerW: number, controls: Scenario['controls'], startC: number, hours = 48): Scenario => ({
    durationS: hours * 3600,
    traceS: 60,
    network: {
      nodes: [{ id: 'room', capacityJPerK: 2e6, startC }],
      links: [{ from: 'room', to: 'outdoor', wPerK: 60 }],
      boundaries: { outdoor: { constantC: -5 } },
    },
    probes: [{ id: 'p', node: 'room', lagS: 20 }],
    actuators: [{ id: 'heat', node: 'room', powerW }],
    controls,
  })
  it('cycling.onOff: any swing, any power, within 0.1 %', () =>
    fc.assert(
      fc.property(
        fc.double({ min: 0.6, max: 3, noNaN: true }),
        fc.double({ min: 2200, max: 6000, noNaN: true }),
        (swingK, powerW) => {
          const [lowC, highC] = [20 - swingK / 2, 20 + swingK / 2]
          const scenario = one(
            powerW,
            [
              {
                ...{ id: 'c', kind: 'on-off', probe: 'p', drives: 'heat', action: 'heating', probeFault: 'off' },
                onC: lowC,
                offC: highC,
              } as const,
            ],
            20,
            120,
          )
          // A probe without lag to speak of, as the closed form has none.
          const { events } = simulate({ ...scenario, probes: [{ id: 'p', node: 'room', lagS: 0.05 }] })
          const ons = events.filter(({ what }) => what === 'on').map(({ atS }) => atS)
          const { periodS } = onOffCycle({
            powerW,
            lossWPerK: 60,
            capacityJPerK: 2e6,
            outdoorC: -5,
            lowC,
            highC,
            action: 'heating',
          })
          expect(Math.abs((ons.at(-1)! - ons.at(-2)!) / periodS! - 1)).toBeLessThan(1e-3)
        },
      ),
      { numRuns: 20 },
    ))
  it('control.droop: a band settles where the closed form says', () =>
    fc.assert(
      fc.property(
        fc.double({ min: 1, max: 8, noNaN: true }),
        fc.double({ min: 2000, max: 9000, noNaN: true }),
        (bandK, powerW) => {
          const band = { action: 'heating', anchor: 'from-setpoint', setpointC: 22, bandK } as const
          const closed = droop({ ...band, powerW, lossWPerK: 60, outdoorC: -5 })
          const { summary } = simulate(
            one(
              powerW,
              [
                {
                  ...{
                    id: 'c',
                    kind: 'proportional',
                    probe: 'p',
                    drives: 'heat',
                    action: 'heating',
                    probeFault: 'off',
                    sampleS: 2,
                  },
                  ...{ zeroC: 22, fullC: 22 - bandK },
                } as const,
              ],
              closed.settlesC,
              72,
            ),
          )
          expect(summary.settlesC['room']).toBeCloseTo(closed.settlesC, 2)
        },
      ),
      { numRuns: 12 },
    ))
  it('water.heatUp: water under constant power gets there when the closed form says', () => {
    const { hours } = waterHeatUp({ volumeM3: 0.5, fromC: 15, toC: 45, powerW: 6000, lossWPerK: 20, ambientC: 15 })
    const scenario = one(6000, [{ id: 'c', kind: 'constant', drives: 'heat' }], 15, 12)
    const { trace } = simulate({
      ...scenario,
      network: {
        nodes: [{ id: 'room', capacityJPerK: storedJPerK(0.5), startC: 15 }],
        links: [{ from: 'room', to: 'outdoor', wPerK: 20 }],
        boundaries: { outdoor: { constantC: 15 } },
      },
    })
    const at = trace.nodes['room']!.findIndex((c) => c >= 45)
    expect(Math.abs(at / 60 - hours!)).toBeLessThan(0.03)
  })
})
