import fc from 'fast-check'
import type { Control, Scenario } from '../simulate/scenario'

const between = (min: number, max: number) => fc.double({ min, max, noNaN: true })

/** What every scenario here has: a slab or none under a room, weather that moves, a heater (or cooler), a probe with a lag. */
const basics = fc.record({
  cooling: fc.boolean(),
  slab: fc.boolean(),
  roomJ: between(2e6, 6e6),
  slabJ: between(4e6, 2e7),
  loss: between(30, 150),
  inner: between(150, 500),
  outdoor: fc.array(between(-15, 8), { minLength: 2, maxLength: 6 }),
  size: between(1.3, 2.5),
  lagS: between(60, 400),
  setC: between(18, 24),
  swingK: between(0.8, 3),
  startK: between(-2, 2),
  gainW: between(0, 300),
})
type Basics = typeof basics extends fc.Arbitrary<infer T> ? T : never

/** A plant with nothing that controls it yet; its power covers the load with something to spare. */
function plantOf(p: Basics): Omit<Scenario, 'controls'> & {
  readonly setC: number
  readonly swingK: number
  readonly action: 'heating' | 'cooling'
} {
  const sign = p.cooling ? -1 : 1
  const around = p.outdoor.map((c) => p.setC - sign * (12 + (8 - c)))
  const needW = p.loss * Math.max(...around.map((c) => Math.abs(p.setC - c))) + p.gainW
  return {
    durationS: 3 * 3600,
    traceS: 60,
    network: {
      nodes: [
        { id: 'room', capacityJPerK: p.roomJ, startC: p.setC + p.startK },
        ...(p.slab ? [{ id: 'slab', capacityJPerK: p.slabJ, startC: p.setC + p.startK }] : []),
      ],
      links: [
        { from: 'room', to: 'outdoor', wPerK: p.loss },
        ...(p.slab ? [{ from: 'slab', to: 'room', wPerK: p.inner }] : []),
      ],
      boundaries: { outdoor: { hourlyC: around } },
      gains: [{ node: 'room', constantW: p.gainW }],
    },
    probes: [
      { id: 'p', node: 'room', lagS: p.lagS },
      { id: 'out', node: 'outdoor', lagS: 600 },
    ],
    actuators: [{ id: 'heat', node: 'room', powerW: needW * p.size }],
    setC: p.setC,
    swingK: p.swingK,
    action: p.cooling ? 'cooling' : 'heating',
  }
}

/** A scenario for each sort of control, drawn at random. */
export function anyScenario(make: (plant: ReturnType<typeof plantOf>, draw: Draw) => Scenario): fc.Arbitrary<Scenario> {
  return fc
    .record({ basics, draws: fc.array(between(0, 1), { minLength: 8, maxLength: 8 }) })
    .map(({ basics: p, draws }) => make(plantOf(p), (i, low, high) => low + (high - low) * draws[i]!))
}
/** The i-th chance of this scenario, between two numbers. */
type Draw = (i: number, low: number, high: number) => number

/** On/off control of a plant, in the middle of its swing. */
export const onOffOf = (
  { setC, swingK, action }: ReturnType<typeof plantOf>,
  change: Partial<Extract<Control, { kind: 'on-off' }>> = {},
): Control => {
  const away = action === 'heating' ? swingK / 2 : -swingK / 2
  return {
    id: 'c',
    kind: 'on-off',
    probe: 'p',
    drives: 'heat',
    action,
    onC: setC - away,
    offC: setC + away,
    probeFault: 'off',
    ...change,
  }
}

/** The scenario of a plant and its controls. */
export const scenarioOf = (
  { setC: _, swingK: __, action: ___, ...plant }: ReturnType<typeof plantOf>,
  controls: readonly Control[],
  change: Partial<Scenario> = {},
): Scenario => ({ ...plant, controls, ...change })
