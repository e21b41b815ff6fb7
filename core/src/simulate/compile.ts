import { type Matrix, matrixExponential } from './matrixExponential'
import type { Expression, Scenario } from './scenario'

/**
 * A scenario with every name resolved to an index. Layout of the state: nodes, probe lags, energy of each actuator, boundary
 * values, boundary slopes (K/s), the constant one. All of it moves linearly while no relay switches, so one exponential carries it.
 */
export interface Compiled {
  readonly size: number
  readonly nodes: readonly string[]
  readonly probeAt: readonly number[]
  readonly energyAt: readonly number[]
  readonly boundaryAt: readonly number[]
  readonly slopeAt: readonly number[]
  readonly oneAt: number
  readonly actuators: readonly string[]
  /** Transition over a number of ticks, for a set of running actuators (bit mask); remembered. */
  readonly transition: (running: number, ticks: number) => Matrix
  readonly start: Float64Array
  /** Boundary value at an hour knot. */
  readonly boundaryC: (index: number, hour: number) => number
}

function indexOf(names: readonly string[], name: string, what: string): number {
  const index = names.indexOf(name)
  if (index < 0) throw new RangeError(`${what} ${name} is not in the scenario; it has ${names.join(', ') || 'none'}`)
  return index
}

function unique(names: readonly string[], what: string) {
  const twice = names.find((name, i) => names.indexOf(name) !== i)
  if (twice !== undefined) throw new RangeError(`${what} ${twice} is there twice`)
}

/**
 * Resolves and checks a scenario once, so that the run itself looks nothing up.
 * @throws RangeError naming what is wrong: a missing name, a capacity not over 0, more than 16 actuators
 */
export function compile(scenario: Scenario, tickS: number): Compiled {
  const { network, probes } = scenario
  const nodes = network.nodes.map(({ id }) => id)
  const boundaries = Object.keys(network.boundaries)
  const actuators = scenario.actuators.map(({ id }) => id)
  unique([...nodes, ...boundaries], 'node')
  unique(
    probes.map(({ id }) => id),
    'probe',
  )
  unique(actuators, 'actuator')
  if (actuators.length > 16) throw new RangeError(`${actuators.length} actuators: 16 are the most`)
  for (const { id, capacityJPerK } of network.nodes)
    if (!(capacityJPerK > 0)) throw new RangeError(`capacityJPerK ${capacityJPerK} of node ${id} must be over 0`)
  for (const { id, powerW } of scenario.actuators)
    if (powerW !== undefined && !(powerW >= 0))
      throw new RangeError(`powerW ${powerW} of actuator ${id} must be 0 or more`)

  const n = nodes.length
  const probeAt = probes.map((_, i) => n + i)
  const energyAt = actuators.map((_, i) => n + probes.length + i)
  const boundaryAt = boundaries.map((_, i) => n + probes.length + actuators.length + i)
  const slopeAt = boundaries.map((_, i) => n + probes.length + actuators.length + boundaries.length + i)
  const oneAt = n + probes.length + actuators.length + 2 * boundaries.length
  const size = oneAt + 1
  const places = [...nodes, ...boundaries]
  const place = (name: string) => {
    const index = indexOf(places, name, 'node or boundary')
    return index < n ? index : boundaryAt[index - n]!
  }

  const cools = (actuator: string) => scenario.controls.some((c) => c.drives === actuator && c.action === 'cooling')
  const rates = (running: number): Matrix => {
    const m = new Float64Array(size * size)
    const add = (row: number, column: number, value: number) => {
      m[row * size + column]! += value
    }
    for (const link of network.links) {
      const actuator = link.while === undefined ? -1 : indexOf(actuators, link.while, 'actuator')
      if (actuator >= 0 && !(running & (1 << actuator))) continue
      const [from, to] = [place(link.from), place(link.to)]
      for (const [here, there] of [
        [from, to],
        [to, from],
      ] as const)
        if (here < n) {
          const perCapacity = link.wPerK / network.nodes[here]!.capacityJPerK
          add(here, there, perCapacity)
          add(here, here, -perCapacity)
        }
      if (actuator >= 0) {
        add(energyAt[actuator]!, from, link.wPerK)
        add(energyAt[actuator]!, to, -link.wPerK)
      }
    }
    for (const { node, constantW } of network.gains ?? []) {
      const at = indexOf(nodes, node, 'node')
      add(at, oneAt, constantW / network.nodes[at]!.capacityJPerK)
    }
    scenario.actuators.forEach(({ id, node, powerW }, i) => {
      if (node === undefined || powerW === undefined || !(running & (1 << i))) return
      const at = indexOf(nodes, node, 'node')
      add(at, oneAt, (cools(id) ? -powerW : powerW) / network.nodes[at]!.capacityJPerK)
      add(energyAt[i]!, oneAt, powerW)
    })
    probes.forEach(({ node, lagS, bias }, i) => {
      if (!(lagS > 0)) throw new RangeError(`lagS ${lagS} of probe ${probes[i]!.id} must be over 0`)
      const share = bias?.share ?? 0
      add(probeAt[i]!, probeAt[i]!, -1 / lagS)
      add(probeAt[i]!, place(node), (1 - share) / lagS)
      if (bias) add(probeAt[i]!, place(bias.towards), share / lagS)
    })
    boundaryAt.forEach((at, i) => add(at, slopeAt[i]!, 1))
    return m
  }

  const remembered = new Map<string, Matrix>()
  const transition = (running: number, ticks: number) => {
    const key = `${running}/${ticks}`
    const known = remembered.get(key)
    if (known) return known
    const made = matrixExponential(
      rates(running).map((value) => value * ticks * tickS),
      size,
    )
    remembered.set(key, made)
    return made
  }

  const boundaryC = (index: number, hour: number) => {
    const boundary = network.boundaries[boundaries[index]!]!
    if ('constantC' in boundary) return boundary.constantC
    const { hourlyC } = boundary
    return hourlyC[hour % hourlyC.length]!
  }
  const start = new Float64Array(size)
  network.nodes.forEach(({ startC }, i) => {
    start[i] = startC
  })
  boundaryAt.forEach((at, i) => {
    start[at] = boundaryC(i, 0)
  })
  probes.forEach(({ node, bias }, i) => {
    const share = bias?.share ?? 0
    start[probeAt[i]!] = (1 - share) * start[place(node)]! + (bias ? share * start[place(bias.towards)]! : 0)
  })
  start[oneAt] = 1
  return { size, nodes, probeAt, energyAt, boundaryAt, slopeAt, oneAt, actuators, transition, start, boundaryC }
}

/** Value of a permissive expression over named conditions. @throws RangeError naming a condition that is not there */
export function evaluate(expression: Expression, holds: (name: string) => boolean): boolean {
  if (typeof expression === 'string') return holds(expression)
  if ('and' in expression) return expression.and.every((part) => evaluate(part, holds))
  if ('or' in expression) return expression.or.some((part) => evaluate(part, holds))
  return !evaluate(expression.not, holds)
}
