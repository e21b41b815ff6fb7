import type { PortRef, ResolvedChain, ResolvedDevice } from '../document/chain'
import { type PowerPath, powerPaths } from './powerPath'
import { controlOutputs, type Reach, reachOf } from './reach'

/** One output's path through a chain, in the order in which it is drawn: probe, controller, what lies in the line, load; its supply. */
interface OutputPath {
  readonly probe?: ResolvedDevice
  readonly controller?: ResolvedDevice
  readonly series: readonly ResolvedDevice[]
  readonly load?: ResolvedDevice
  readonly supply?: ResolvedDevice
}

/** The output and the input that a path is drawn for: those of one plan. */
interface OutputEnds {
  readonly output: PortRef
  readonly input: PortRef
}

/** The line of the load that an output switches in the end; undefined while nothing hangs on it. */
export function lineOfOutput(chain: ResolvedChain, output: PortRef): PowerPath | undefined {
  const line = reachOf(chain, output)[0]?.lines.at(-1)
  return line?.loadPort.kind === 'load' ? (line as PowerPath) : undefined
}

function reachToDraw(
  chain: ResolvedChain,
  controller: ResolvedDevice | undefined,
  ends?: OutputEnds,
): Reach | undefined {
  if (ends) return reachOf(chain, ends.output)[0]
  if (!controller) return undefined
  return controlOutputs(controller)
    .flatMap((port) => reachOf(chain, { device: controller.id, port }))
    .at(0)
}

/**
 * The path to draw for a plan's output and input; without a plan the first of everything that is there.
 * A relay's coil is followed to what its contact switches, a signal to what it moves.
 */
export function outputPath(chain: ResolvedChain, ends?: OutputEnds): OutputPath {
  const ofCategory = (category: string) => chain.devices.filter(({ facts }) => facts.category === category)
  const [first] = ofCategory('controller')
  const controller = chain.devices.find(({ id }) => id === ends?.output.device) ?? first
  const reach = reachToDraw(chain, controller, ends)
  const bare = ends ? undefined : powerPaths(chain).find((p) => p.loadPort.does !== 'none' && p.connections.length > 0)
  const inputs = chain.connections.filter(
    ({ to, toPort }) => to.device === controller?.id && (toPort.kind === 'probe-in' || toPort.kind === 'measure-in'),
  )
  const joined = ends && inputs.find(({ to }) => to.device === ends.input.device && to.port === ends.input.port)
  const loose = ofCategory('probe').filter(({ id }) => !inputs.some(({ from }) => from.device === id))
  // A thermostat that feels by itself has no probe to draw.
  const feelsItself =
    ends !== undefined && !Object.values(controller?.facts.ports ?? {}).some((p) => p.kind === 'probe-in')
  const probe = feelsItself
    ? undefined
    : (joined?.fromDevice ?? (ends && inputs.length > 0 ? undefined : inputs[0]?.fromDevice) ?? loose[0])
  // A load that hangs on nothing yet is drawn at its place in the first path, so that it is seen to be there.
  const hanging = new Set(chain.connections.map(({ to }) => to.device))
  const load = reach?.device ?? bare?.load ?? ofCategory('load').find(({ id }) => !hanging.has(id))
  const between = reach?.via ?? bare?.contacts.map(({ device }) => device) ?? []
  const series = between.filter(({ id }, i) => {
    return id !== controller?.id && id !== load?.id && between.findIndex((each) => each.id === id) === i
  })
  const line = [...(reach?.lines ?? [])].reverse().find(({ supply }) => supply && !supply.port.movedBy)
  const supply =
    line?.supply?.device ??
    bare?.supply?.device ??
    chain.connections.find(({ fromPort, to }) => fromPort.kind === 'supply-out' && to.device === controller?.id)
      ?.fromDevice
  return {
    series,
    ...(probe ? { probe } : {}),
    ...(controller ? { controller } : {}),
    ...(load ? { load } : {}),
    ...(supply ? { supply } : {}),
  }
}
