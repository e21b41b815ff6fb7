import { dayNumber, weekdayOf } from '../time/civilDay'
import type { ThermalFlow } from '../plant/thermalNetwork'
import { resetLine } from '../settings/reset/law/resetLine'
import { continuousKinds, type Control, type Scenario } from './scenario'
import { type Matrix, fastestRate, type Transition, transitions } from './transitions'

interface Fastest {
  readonly s: number
  readonly of: string
}

/** Where a link or a probe ends: a component of the state, or an input channel. */
export type Place = { readonly node: number } | { readonly channel: number }

/** An input that runs in straight lines: a boundary, an hourly gain, the position of an actuator. */
interface Channel {
  readonly id: string
  /** Value and slope per second from a time on, and until when they hold. Left out for positions: the machine moves them. */
  readonly line?: (atS: number) => { readonly value: number; readonly slope: number; readonly untilS: number }
}

/** One stride of a mode: Φ, what the inputs and their slopes add, what constant heat adds. */
interface Stride {
  readonly phi: Matrix
  readonly gamma: Matrix
  /** n × c. */
  readonly ofValues: Float64Array
  readonly ofSlopes: Float64Array
  readonly constant: Float64Array
}

/** What faults do to the plant itself. */
export interface PlantFaults {
  /** Counts up with each change. */
  readonly epoch: number
  readonly powerFactor: number
  readonly doors: readonly { readonly node: number; readonly to: Place; readonly wPerK: number }[]
  /** Probes that hang elsewhere, by index. */
  readonly moved: ReadonlyMap<number, Place>
}

/**
 * A scenario with every name resolved to an index, once. Layout of the state: nodes, probes, frost of each coil, heat through the links of each
 * actuator that has no power of its own. All of it moves linearly while nothing switches.
 */
export interface Program {
  readonly scenario: Scenario
  readonly n: number
  readonly nodeCount: number
  readonly nodes: readonly string[]
  readonly probes: readonly string[]
  readonly probeAt: (probe: number) => number
  readonly frostAt: (flow: number) => number
  readonly actuators: readonly string[]
  readonly takesOut: readonly boolean[]
  /** Component that gathers an actuator's heat, or −1 where its power is enough. */
  readonly energyAt: readonly number[]
  /** Channel of the position of an actuator that travels or gives a share, or −1. */
  readonly positionChannel: readonly number[]
  readonly channels: readonly Channel[]
  readonly place: (name: string) => Place
  readonly probe: (name: string) => number
  readonly actuator: (name: string) => number
  readonly start: Float64Array
  readonly capacities: readonly number[]
  /** Strides of 1, 2, 4 … ticks with these actuators on (bits) and these faults; remembered. */
  readonly strides: (on: number, faults: PlantFaults) => Ladder
  /** Ladders that were made so far. */
  readonly ladders: () => number
  /** Fastest time constants that a fixed step has to follow, s, and whose they are: of a store, and of a probe. */
  readonly fastest: { readonly node: Fastest; readonly probe: Fastest }
  readonly weekdayOffsetS: number
}

const HOUR_S = 3600
const DAY_S = 86400
/** Actuators are bits of one number. */
const MOST_ACTUATORS = 16

function finder(names: readonly string[], what: string) {
  const twice = names.find((name, i) => names.indexOf(name) !== i)
  if (twice !== undefined) throw new RangeError(`${what} ${twice} is there twice`)
  const at = new Map(names.map((name, i) => [name, i]))
  return (name: string) => {
    const index = at.get(name)
    if (index === undefined)
      throw new RangeError(`${what} ${name} is not in the scenario; it has ${names.join(', ') || 'none'}`)
    return index
  }
}

/** Actuators that a control drives. */
const drivesOf = (control: Control): readonly string[] =>
  control.kind === 'staged'
    ? control.stages.map(({ drives }) => drives)
    : 'drives' in control
      ? [control.drives]
      : control.kind === 'defrost'
        ? [control.cooling, control.fan, control.heater].filter((id) => id !== undefined)
        : []

/** Whether a control gives more or less rather than on and off. */
export const isContinuous = ({ kind }: Control) => (continuousKinds as readonly string[]).includes(kind)

/** Hour by hour, straight in between, repeated. */
const hourly = (values: readonly number[]) => (atS: number) => {
  const hour = Math.floor(atS / HOUR_S)
  const from = values[hour % values.length]!
  const slope = (values[(hour + 1) % values.length]! - from) / HOUR_S
  return { value: from + slope * (atS - hour * HOUR_S), slope, untilS: (hour + 1) * HOUR_S }
}

const steady = (value: number) => () => ({ value, slope: 0, untilS: Infinity })

/** Seconds from Monday 00:00 to the start of the run. @throws RangeError unless it is written 2026-01-12T00:00:00 */
function weekStart(start: string | undefined): number {
  if (start === undefined) return 0
  const parts = /^(\d{4})-(\d\d)-(\d\d)T(\d\d):(\d\d)(?::(\d\d))?$/.exec(start)?.map(Number)
  if (!parts) throw new RangeError(`start ${JSON.stringify(start)} must be written like 2026-01-12T00:00:00`)
  const [, year, month, day, hour, minute, second] = parts as [number, number, number, number, number, number, number]
  return weekdayOf(dayNumber(year, month, day)) * DAY_S + hour * HOUR_S + minute * 60 + (second || 0)
}

/**
 * Resolves and checks the names of a scenario once, so that the run itself looks nothing up.
 * @throws RangeError naming what is wrong
 */
export function programOf(scenario: Scenario, tickS: number, levels: number): Program {
  const { network, probes } = scenario
  const nodes = network.nodes.map(({ id }) => id)
  const boundaries = Object.keys(network.boundaries)
  const actuators = scenario.actuators.map(({ id }) => id)
  const flows = network.flows ?? []
  finder([...nodes, ...boundaries], 'node')
  const nodeAt = finder(nodes, 'node')
  const placeAt = finder([...nodes, ...boundaries], 'node or boundary')
  const probe = finder(
    probes.map(({ id }) => id),
    'probe',
  )
  const actuator = finder(actuators, 'actuator')
  if (actuators.length > MOST_ACTUATORS)
    throw new RangeError(`actuators are ${actuators.length}: ${MOST_ACTUATORS} are the most`)
  const nodeCount = nodes.length
  const place = (name: string): Place => {
    const index = placeAt(name)
    return index < nodeCount ? { node: index } : { channel: index - nodeCount }
  }
  const frosts = flows.flatMap((flow, i) => (flow.kind === 'frost' ? [i] : []))
  const probeAt = (index: number) => nodeCount + index
  const frostAt = (flow: number) => nodeCount + probes.length + frosts.indexOf(flow)
  const firstEnergy = nodeCount + probes.length + frosts.length
  let n = firstEnergy
  const energyAt = scenario.actuators.map(({ id, powerW, perK }) =>
    (powerW === undefined && network.links.some((link) => link.while === id)) || perK ? n++ : -1,
  )

  const continuous = new Set(scenario.controls.filter(isContinuous).flatMap(drivesOf))
  const gains = network.gains ?? []
  const channels: Channel[] = []
  const outdoorLine = (id: string): NonNullable<Channel['line']> => {
    const boundary = network.boundaries[id]
    if (!boundary) throw new RangeError(`boundary ${id} is not in the scenario; it has ${boundaries.join(', ')}`)
    if ('supply' in boundary) throw new RangeError(`outdoor ${id} of a supply must not be a supply itself`)
    return 'constantC' in boundary ? steady(boundary.constantC) : hourly(boundary.hourlyC)
  }
  for (const [id, boundary] of Object.entries(network.boundaries))
    channels.push({
      id,
      line: 'supply' in boundary ? supplyLine(boundary.supply, outdoorLine(boundary.supply.outdoor)) : outdoorLine(id),
    })
  const gainChannel = gains.map((gain) =>
    'hourlyW' in gain ? channels.push({ id: gain.node, line: hourly(gain.hourlyW) }) - 1 : -1,
  )
  const positionChannel = scenario.actuators.map(({ id, travelS }) =>
    (travelS ?? 0) > 0 || continuous.has(id) ? channels.push({ id }) - 1 : -1,
  )
  const c = channels.length
  const cooled = new Set(
    scenario.controls.flatMap((control) =>
      ('action' in control && control.action === 'cooling') || control.kind === 'fan' ? drivesOf(control) : [],
    ),
  )
  const takesOut = scenario.actuators.map(({ id, takesOut: out }) => out ?? cooled.has(id))
  const capacities = network.nodes.map(({ capacityJPerK }) => capacityJPerK)

  const isMoved = ({ fan }: Extract<ThermalFlow, { kind: 'frost' }>, on: number) =>
    fan === undefined || (on & (1 << actuator(fan))) !== 0

  /** Rates, inputs and constant heat with these actuators on. */
  function rates(on: number, faults: PlantFaults) {
    const a = new Float64Array(n * n)
    const b = new Float64Array(n * c)
    const q = new Float64Array(n)
    const from = (row: number, at: Place, value: number) => {
      if ('node' in at) a[row * n + at.node]! += value
      else b[row * c + at.channel]! += value
    }
    const join = (one: Place, other: Place, wPerK: number) => {
      for (const [here, there] of [
        [one, other],
        [other, one],
      ] as const)
        if ('node' in here) {
          from(here.node, there, wPerK / capacities[here.node]!)
          from(here.node, here, -wPerK / capacities[here.node]!)
        }
    }
    for (const link of network.links) {
      if (link.by !== undefined) continue
      const by = link.while === undefined ? -1 : actuator(link.while)
      if (by >= 0 && !(on & (1 << by))) continue
      const [one, other] = [place(link.from), place(link.to)]
      join(one, other, link.wPerK)
      if (by >= 0 && energyAt[by]! >= 0 && scenario.actuators[by]!.powerW === undefined) {
        from(energyAt[by]!, one, link.wPerK)
        from(energyAt[by]!, other, -link.wPerK)
      }
    }
    // What a clean coil takes is straight: only what frost takes away from it is not.
    for (const flow of flows)
      if (flow.kind === 'frost') join(place(flow.coil), place(flow.air), cleanCoil(flow, isMoved(flow, on)))
    for (const door of faults.doors) join({ node: door.node }, door.to, door.wPerK)
    gains.forEach((gain, i) => {
      const at = nodeAt(gain.node)
      if ('constantW' in gain) q[at]! += gain.constantW / capacities[at]!
      else b[at * c + gainChannel[i]!]! += 1 / capacities[at]!
    })
    scenario.actuators.forEach((item, i) => {
      const { node, powerW, perK, draws } = item
      const running = (on & (1 << i)) !== 0
      if (draws && running) {
        const store = nodeAt(draws.node)
        q[store]! -= draws.runA / capacities[store]!
      }
      if (node === undefined || powerW === undefined) return
      const at = nodeAt(node)
      const signed = ((takesOut[i] ? -1 : 1) * powerW * faults.powerFactor) / capacities[at]!
      if (positionChannel[i]! >= 0) {
        b[at * c + positionChannel[i]!]! += signed
        return
      }
      if (!running) return
      const atRest = perK ? 1 - perK.share * perK.atC : 1
      q[at]! += signed * atRest
      if (perK) {
        from(at, place(perK.of), signed * perK.share)
        const energy = energyAt[i]!
        q[energy]! += powerW * faults.powerFactor * atRest
        from(energy, place(perK.of), powerW * faults.powerFactor * perK.share)
      }
    })
    probes.forEach(({ node, lagS, bias, moisture }, i) => {
      if (moisture !== undefined) return
      const row = probeAt(i)
      const share = bias?.share ?? 0
      a[row * n + row]! -= 1 / lagS
      from(row, faults.moved.get(i) ?? place(node), (1 - share) / lagS)
      if (bias) from(row, place(bias.towards), share / lagS)
    })
    return { a, b, q }
  }

  const remembered = new Map<number, Ladder>()
  const strides = (on: number, faults: PlantFaults) => {
    const key = faults.epoch * 2 ** MOST_ACTUATORS + on
    const known = remembered.get(key)
    if (known) return known
    const { a, b, q } = rates(on, faults)
    const made = new Ladder(transitions(a, n, tickS, levels), a, b, q, n, c)
    remembered.set(key, made)
    return made
  }

  const start = new Float64Array(n)
  network.nodes.forEach(({ startC }, i) => {
    start[i] = startC
  })
  const startOf = (name: string) => {
    const at = place(name)
    return 'node' in at ? start[at.node]! : channels[at.channel]!.line!(0).value
  }
  probes.forEach(({ node, bias, moisture }, i) => {
    const share = bias?.share ?? 0
    start[probeAt(i)] =
      moisture === undefined ? (1 - share) * startOf(node) + (bias ? share * startOf(bias.towards) : 0) : NaN
  })
  flows.forEach((flow, i) => {
    if (flow.kind === 'frost') start[frostAt(i)] = flow.startKg ?? 0
  })

  const none: PlantFaults = { epoch: 0, powerFactor: 1, doors: [], moved: new Map() }
  const { a } = rates(2 ** actuators.length - 1, none)
  // What a scaled link or a curved flow may carry at its most counts too.
  const perNode = network.nodes.map((_, i) => -a[i * n + i]!)
  const busy = (name: string, wPerK: number) => {
    const at = place(name)
    if ('node' in at) perNode[at.node]! += wPerK / capacities[at.node]!
  }
  for (const link of network.links)
    if (link.by !== undefined) for (const end of [link.from, link.to]) busy(end, link.wPerK)
  for (const flow of flows)
    if (flow.kind === 'emitter')
      for (const end of [flow.from, flow.to]) busy(end, (flow.exponent * flow.nominalW) / flow.nominalK)
    else if (flow.kind === 'frost') {
      // It melts with its fan standing, or takes heat with its fan running, which is counted already: never both.
      busy(flow.coil, Math.max(0, MELT_W_PER_K - (1 - flow.stillShare) * flow.wPerK))
    } else busy(flow.water, flow.wPerPa * 150)
  const watched = new Set(
    scenario.controls
      .filter(isContinuous)
      .flatMap((control) =>
        control.kind === 'fan' ? control.demands.map(({ probe: id }) => id) : 'probe' in control ? [control.probe] : [],
      ),
  )
  const slow: Fastest = { s: Infinity, of: 'nothing' }
  const quicker = (a: Fastest, b: Fastest) => (b.s < a.s ? b : a)
  const fastest = {
    node: perNode
      .map((rate, i) => ({ s: rate > 0 ? 1 / rate : Infinity, of: `node ${nodes[i]!}` }))
      .reduce(quicker, slow),
    probe: probes
      .filter(({ id }) => watched.has(id))
      .map(({ id, lagS }) => ({ s: lagS, of: `probe ${id}` }))
      .reduce(quicker, slow),
  }

  return {
    scenario,
    n,
    nodeCount,
    nodes,
    probes: probes.map(({ id }) => id),
    probeAt,
    frostAt,
    actuators,
    takesOut,
    energyAt,
    positionChannel,
    channels,
    place,
    probe,
    actuator,
    start,
    capacities,
    strides,
    ladders: () => remembered.size,
    fastest,
    weekdayOffsetS: weekStart(scenario.start),
  }
}

/** Rates times time up to which a power series is short and loses nothing to cancelling. */
const SERIES_REACH = 6

/** The ladder of strides of one mode. Sums over the inputs are made when a stride is first taken: most of the ladder never is. */
export class Ladder {
  /** Longest stretch that a power series follows well, s. */
  readonly seriesS: number
  private readonly made: (Stride | undefined)[]

  constructor(
    private readonly transitions: readonly Transition[],
    /** Rates, n × n; what the inputs add, n × c; what is constant. */
    readonly a: Matrix,
    readonly b: Float64Array,
    readonly q: Float64Array,
    private readonly n: number,
    private readonly c: number,
  ) {
    this.made = transitions.map(() => undefined)
    this.seriesS = SERIES_REACH / Math.max(1e-300, fastestRate(a, n))
  }

  /** The stride of 2^level ticks. */
  at(level: number): Stride {
    return this.made[level] ?? this.make(level)
  }

  private make(level: number): Stride {
    const { transitions, b, q, n, c } = this
    const { phi, gamma, lambda } = transitions[level]!
    const made = {
      phi,
      gamma,
      ofValues: times(gamma, b, n, c),
      ofSlopes: times(lambda, b, n, c),
      constant: times(gamma, q, n, 1),
    }
    this.made[level] = made
    return made
  }
}

/** What a coil without frost exchanges with its air, W/K. */
export const cleanCoil = (
  { wPerK, stillShare }: { readonly wPerK: number; readonly stillShare: number },
  moved: boolean,
) => wPerK * (moved ? 1 : stillShare)

/** How strongly what melts holds a coil at 0 °C. */
export const MELT_W_PER_K = 300

/** Matrix n × n times n × c. */
function times(m: Matrix, b: Float64Array, n: number, c: number): Float64Array {
  const made = new Float64Array(n * c)
  for (let i = 0; i < n; i++)
    for (let k = 0; k < n; k++) {
      const factor = m[i * n + k]!
      if (factor !== 0) for (let j = 0; j < c; j++) made[i * c + j]! += factor * b[k * c + j]!
    }
  return made
}

/** Water of a reset line over outdoor temperatures that run in straight lines: straight between its corners. */
function supplyLine(
  supply: { readonly line: Parameters<typeof resetLine>[0]; readonly shiftK?: number; readonly restC?: number },
  outdoor: NonNullable<Channel['line']>,
): NonNullable<Channel['line']> {
  const { line, shiftK = 0 } = supply
  const water = resetLine(line)
  const restC = supply.restC ?? line.minimumSupplyC ?? line.warmSupplyC
  const valueAt = (outdoorC: number) => {
    const value = water(outdoorC)
    return value === null ? restC : Math.min(line.maximumSupplyC ?? Infinity, value + shiftK)
  }
  const perK = (line.designSupplyC - line.warmSupplyC) / (line.warmOutdoorC - line.designOutdoorC)
  const reaches = (supplyC: number | undefined) =>
    supplyC === undefined || perK === 0 ? [] : [line.designOutdoorC + (line.designSupplyC - supplyC) / perK]
  const corners = [
    line.designOutdoorC,
    line.warmOutdoorC,
    ...reaches(line.minimumSupplyC),
    ...reaches(line.maximumSupplyC),
    ...reaches(line.maximumSupplyC === undefined ? undefined : line.maximumSupplyC - shiftK),
    ...(line.shutdownAboveC === undefined ? [] : [line.shutdownAboveC]),
    ...(line.frostBelowC === undefined ? [] : [line.frostBelowC, ...reaches(line.frostSupplyC)]),
  ].sort((a, b) => a - b)
  return (atS) => {
    const now = outdoor(atS)
    let untilS = now.untilS
    if (now.slope !== 0)
      for (const corner of corners) {
        const when = atS + (corner - now.value) / now.slope
        if (when > atS + 1e-6 && when < untilS) untilS = when
      }
    // Asked a hair inside, so that a corner counts to the stretch that begins there.
    const spanS = Math.min(untilS - atS, HOUR_S)
    const [near, far] = [1e-4, 0.9999].map((share) => valueAt(now.value + now.slope * spanS * share)) as [
      number,
      number,
    ]
    const slope = (far - near) / (0.9998 * spanS)
    return { value: near - slope * 1e-4 * spanS, slope, untilS }
  }
}
