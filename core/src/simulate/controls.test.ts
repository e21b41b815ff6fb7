import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { conventions } from '../settings/switching/law/switchingPoints'
import { fromPoints } from '../settings/behaviour'
import { loopContext } from '../loop/context'
import { boilerModel } from '../kinds/boiler/boilerModel'
import { poolEvaporation } from '../plant/poolEvaporation'
import { saturationPa } from '../plant/moistAir'
import { chained, replanned } from '../testing/chains'
import { fieldData } from '../testing/fieldData'
import { referenceEngine } from '../testing/referenceEngine'
import { loopScenario } from './loop/loopScenario'
import type { Control, Scenario } from './scenario'
import { simulate } from './simulate'

const defrost = (id: string, change: Partial<Extract<Control, { kind: 'defrost' }>> = {}): Control => ({
  ...{ id, kind: 'defrost', by: 'time', cooling: `cold ${id}`, heater: `melt ${id}`, coil: `coil ${id}` },
  ...{ everyS: 4 * 3600, endC: 8, longestS: 3600, dripS: 120, fanBackC: -2 },
  ...change,
})

/** Two coils in one cold room, one of them heavier: it melts longer. */
const twoCoils = (controls: readonly Control[]): Scenario => ({
  durationS: 9 * 3600,
  traceS: 60,
  network: {
    nodes: [
      { id: 'air', capacityJPerK: 4e5, startC: 1 },
      { id: 'a', capacityJPerK: 9000, startC: -5 },
      { id: 'b', capacityJPerK: 60000, startC: -5 },
    ],
    links: [
      { from: 'air', to: 'a', wPerK: 90 },
      { from: 'air', to: 'b', wPerK: 90 },
      { from: 'air', to: 'around', wPerK: 20 },
    ],
    boundaries: { around: { constantC: 20 } },
  },
  probes: [
    { id: 'p', node: 'air', lagS: 120 },
    { id: 'coil a', node: 'a', lagS: 30 },
    { id: 'coil b', node: 'b', lagS: 30 },
  ],
  actuators: ['a', 'b'].flatMap((id) => [
    { id: `cold ${id}`, node: id, powerW: 500, takesOut: true },
    { id: `melt ${id}`, node: id, powerW: 2000 },
  ]),
  controls: [
    ...['a', 'b'].map((id): Control => ({
      ...{ id: `c ${id}`, kind: 'on-off', probe: 'p', drives: `cold ${id}`, action: 'cooling', onC: 2, offC: 0 },
      probeFault: 'off',
    })),
    ...controls,
  ],
})

describe('coils that melt as a group', () => {
  const times = (scenario: Scenario, what: string) =>
    Object.fromEntries(
      simulate(scenario)
        .events.flatMap((event) => (event.what === what ? [[event.of, event.atS]] : []))
        .reverse(),
    )
  const alone = [defrost('a'), defrost('b', { everyS: 5 * 3600 })]
  const group = (waits: boolean): Control => ({ id: 'g', kind: 'group', leader: 'a', members: ['b'], waits })
  it('each by itself melts when its own time has come', () => {
    const { a, b } = times(twoCoils(alone), 'melts')
    expect(a).toBeCloseTo(4 * 3600, 0)
    expect(b).toBeCloseTo(5 * 3600, 0)
  })
  it('the leader starts all at once', () => {
    const { a, b } = times(twoCoils([...alone, group(false)]), 'melts')
    expect(a).toBeCloseTo(4 * 3600, 0)
    expect(b).toBe(a)
  })
  it('cooling waits for the last, where it is to', () => {
    const free = times(twoCoils([...alone, group(false)]), 'cools-again')
    const waiting = times(twoCoils([...alone, group(true)]), 'cools-again')
    expect(free['b']! - free['a']!).toBeGreaterThan(60)
    expect(waiting['a']!).toBeGreaterThanOrEqual(free['b']! - 121)
    const { events } = simulate(twoCoils([...alone, group(true)]))
    const melted = events.find(({ what, of }) => what === 'drips' && of === 'b')!.atS
    const coldAgain = events.find(({ what, of, atS }) => what === 'on' && of === 'cold a' && atS > 4 * 3600)
    if (coldAgain) expect(coldAgain.atS).toBeGreaterThanOrEqual(melted)
  })
  it('refuses a member that is no defrost', () =>
    expect(() =>
      simulate(twoCoils([...alone, { id: 'g', kind: 'group', leader: 'a', members: ['x'], waits: true }])),
    ).toThrow('group g: x is no control of kind defrost'))
})

describe('one behaviour in every convention', () => {
  it.each(conventions.map((convention) => [convention]))('%s switches at the same points', (convention) => {
    const scenarioOf = (words: object) => {
      const { job, loop } = replanned(chained('room'), words)
      const context = loopContext(job, loop, fieldData)
      return loopScenario(context, context.survey!, { hourlyC: [-5], days: 1 }).scenario
    }
    const [control] = scenarioOf(fromPoints(19, 21, 'heating', convention)).controls
    expect(control).toMatchObject({ kind: 'on-off' })
    const { onC, offC } = control as { onC: number; offC: number }
    expect(onC).toBeCloseTo(19, 9)
    expect(offC).toBeCloseTo(21, 9)
    const each = scenarioOf(fromPoints(19, 21, 'heating', convention, 'each-side')).controls[0] as {
      onC: number
      offC: number
    }
    expect([each.onC, each.offC]).toEqual([onC, offC])
  })
})

describe('flows that are not straight', () => {
  it('emitters by their exponent: the energy balance closes to 1e-6', () => {
    const model = boilerModel({
      ...{ waterJPerK: 8e5, buildingJPerK: 4e7, lossWPerK: 470, nominalW: 16450, nominalK: 47, exponent: 1.3 },
    })
    const { summary, trace } = simulate({
      durationS: 86400,
      traceS: 60,
      network: {
        nodes: model.nodes.map((node, i) => ({ ...node, startC: [60, 20][i]! })),
        links: model.links.map((link) => ({ ...link, while: 'meter' })),
        flows: model.flows!,
        boundaries: { outdoor: { hourlyC: [-10, -4] } },
      },
      probes: [{ id: 'p', node: 'water', lagS: 60 }],
      actuators: [{ id: 'fire', node: 'water', powerW: 14000 }, { id: 'meter' }],
      controls: [
        { id: 'c', kind: 'constant', drives: 'fire' },
        { id: 'm', kind: 'constant', drives: 'meter' },
      ],
    })
    const stored = model.nodes.reduce(
      (sum, { id, capacityJPerK }) => sum + capacityJPerK * (trace.nodes[id]!.at(-1)! - trace.nodes[id]![0]!),
      0,
    )
    const put = summary.energyKwh['fire']! * 3.6e6
    expect(Math.abs(put - stored - summary.energyKwh['meter']! * 3.6e6) / put).toBeLessThan(1e-6)
  })
  it('evaporation: as the reference has it, and resting where the hand sum says', () =>
    fc.assert(
      fc.property(
        fc.double({ min: 20, max: 30, noNaN: true }),
        fc.double({ min: 40, max: 80, noNaN: true }),
        (startC, humidityPercent) => {
          const scenario: Scenario = {
            durationS: 2 * 3600,
            traceS: 60,
            network: {
              nodes: [{ id: 'water', capacityJPerK: 5e6, startC }],
              links: [{ from: 'water', to: 'air', wPerK: 80 }],
              flows: [{ kind: 'evaporation', water: 'water', air: 'air', wPerPa: 0.9, humidityPercent }],
              boundaries: { air: { hourlyC: [18, 22, 20] } },
            },
            probes: [{ id: 'p', node: 'water', lagS: 60 }],
            actuators: [{ id: 'heat', node: 'water', powerW: 3000 }],
            controls: [{ id: 'c', kind: 'constant', drives: 'heat' }],
          }
          const slow = referenceEngine(scenario, 0.5)
          expect(
            Math.abs(simulate(scenario).trace.nodes['water']!.at(-1)! - slow.temperature.get('water')!),
          ).toBeLessThan(0.01)
        },
      ),
      { numRuns: 10 },
    ))
  it('evaporation: its watts are the printed formula’s', () => {
    const pool = { areaM2: 60, waterC: 26, airC: 20, humidityPercent: 55, windMPerS: 0.2 }
    const { evaporationW } = poolEvaporation(pool)
    const wPerPa = evaporationW / (saturationPa(26) - 0.55 * saturationPa(20))
    const { trace } = simulate({
      durationS: 3600,
      traceS: 60,
      network: {
        nodes: [{ id: 'water', capacityJPerK: 1e11, startC: 26 }],
        links: [],
        flows: [{ kind: 'evaporation', water: 'water', air: 'air', wPerPa, humidityPercent: 55 }],
        boundaries: { air: { constantC: 20 } },
      },
      probes: [],
      actuators: [],
      controls: [],
    })
    expect(((26 - trace.nodes['water']!.at(-1)!) * 1e11) / 3600 / evaporationW).toBeCloseTo(1, 3)
  })
})
