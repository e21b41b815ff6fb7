import type { ResolvedChain } from '../job/chain'
import { switchingPlans } from '../job/behaviour'
import type { LoopDocument } from '../job/documents'
import type { Reckoned } from '../survey/reckoned'
import { lineOfOutput } from '../wiring/outputPath'
import type { Scenario } from './scenario'

/** What a survey says of a floor: the one kind that is simulated so far. */
export type FloorPart = NonNullable<Reckoned['floor']>

export interface RunChoice {
  /** Outdoor temperature hour by hour from midnight. */
  readonly hourlyC: readonly number[]
  readonly days: number
}

/**
 * The loop as a scenario: the floor's two stores, each planned output with its probe, each load with the limiters in its line.
 * Starts at rest with the controlled place in the middle of its band.
 */
export function loopScenario(
  loop: LoopDocument,
  chain: ResolvedChain,
  { plant, facts }: FloorPart,
  run: RunChoice,
): Scenario {
  const behaviours = switchingPlans(loop.settings.planned)
  const controlled = facts.probePlace === 'screed' ? 'slab' : 'room'
  const [first] = behaviours
  const middleC = first ? (first.onC + first.offC) / 2 : facts.targetC
  const outdoorC = run.hourlyC[0] ?? facts.designOutdoorC
  const slabC = controlled === 'slab' ? middleC : slabForRoom(middleC, outdoorC, plant)
  const roomC =
    controlled === 'room'
      ? middleC
      : (plant.slabToRoomWPerK * slabC + plant.lossWPerK * outdoorC) / (plant.slabToRoomWPerK + plant.lossWPerK)
  const driven = behaviours.flatMap((behaviour) => {
    const path = lineOfOutput(chain, behaviour.output)
    return path ? [{ behaviour, path }] : []
  })
  const loads = [...new Map(driven.map(({ path }) => [path.load.id, path])).values()]
  const limiters = loads.flatMap(({ load, contacts }) =>
    contacts
      .filter(({ device }) => device.facts.limiter && device.dialC !== undefined)
      .map(({ device }) => ({ drives: load.id, device })),
  )
  const water = loads.filter(({ loadPort }) => loadPort.does === 'water-flow')
  return {
    durationS: run.days * 86400,
    traceS: 60,
    network: {
      nodes: [
        { id: 'slab', capacityJPerK: plant.slabJPerK, startC: slabC },
        { id: 'room', capacityJPerK: plant.airJPerK, startC: roomC },
        // A pipe's worth of water that the limiter's probe sits on: it follows the supply while the pump runs.
        ...water.map(({ load }) => ({ id: `pipe ${load.tag}`, capacityJPerK: PIPE_J_PER_K, startC: roomC })),
      ],
      links: [
        { from: 'slab', to: 'room', wPerK: plant.slabToRoomWPerK },
        { from: 'room', to: 'outdoor', wPerK: plant.lossWPerK },
        ...water.flatMap(({ load }) => [
          { from: 'water', to: 'slab', wPerK: plant.waterToSlabWPerK / water.length, while: load.id },
          { from: 'supply', to: `pipe ${load.tag}`, wPerK: PIPE_W_PER_K, while: load.id },
          { from: `pipe ${load.tag}`, to: 'room', wPerK: 2 },
        ]),
      ],
      boundaries: {
        outdoor: { hourlyC: run.hourlyC },
        water: { constantC: plant.waterC },
        supply: { constantC: facts.supplyC },
      },
    },
    probes: [
      ...driven.map(({ behaviour }, i) => ({
        id: `probe ${i + 1}`,
        node: controlled,
        lagS: probeLag(chain, behaviour.input.device, behaviour.input.port),
      })),
      ...limiters.map(({ device, drives }) => ({
        id: `limiter ${device.id}`,
        lagS: LIMITER_LAG_S,
        node: water.some(({ load }) => load.id === drives)
          ? `pipe ${water.find(({ load }) => load.id === drives)!.load.tag}`
          : 'slab',
      })),
    ],
    actuators: loads.map(({ load, loadPort }) =>
      loadPort.does === 'element' ? { id: load.id, node: 'slab', powerW: loadPort.load.powerW } : { id: load.id },
    ),
    controls: driven.map(({ behaviour, path }, i) => ({
      id: behaviour.id,
      kind: 'on-off' as const,
      probe: `probe ${i + 1}`,
      drives: path.load.id,
      action: behaviour.action,
      onC: behaviour.onC,
      offC: behaviour.offC,
      minimumOffS: behaviour.minimumOffS,
      // A fixed duty and the last value have no state of their own here yet: the output is let go.
      probeFault: behaviour.probeFault === 'on' ? ('on' as const) : ('off' as const),
    })),
    inputs: Object.fromEntries(
      limiters.map(({ device }) => [
        device.tag,
        { probe: `limiter ${device.id}`, belowC: device.dialC!, latched: device.facts.limiter!.reset === 'manual' },
      ]),
    ),
    permissives: limiters.map(({ device, drives }) => ({ drives, expression: device.tag })),
  }
}

const PIPE_J_PER_K = 8000
const PIPE_W_PER_K = 400
/** Strap-on probe of a limiter, well fitted. Source: field data lag.strap.good. */
const LIMITER_LAG_S = 40

function probeLag(chain: ResolvedChain, device: string, port: string): number {
  return chain.connections.find((c) => c.to.device === device && c.to.port === port)?.fromDevice.facts.probe?.lagS ?? 60
}

/** Screed temperature that holds a room: the loss carried by the linearised floor. */
const slabForRoom = (roomC: number, outdoorC: number, plant: FloorPart['plant']) =>
  roomC + (plant.lossWPerK * (roomC - outdoorC)) / plant.slabToRoomWPerK
