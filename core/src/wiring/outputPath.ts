import type { PortRef, ResolvedChain, ResolvedDevice } from '../job/chain'
import { type PowerPath, powerPaths } from './powerPath'

/** One output's path through a chain, in the order in which it is drawn: probe, controller, what lies in the line, load; its supply. */
export interface OutputPath {
  readonly probe?: ResolvedDevice
  readonly controller?: ResolvedDevice
  readonly series: readonly ResolvedDevice[]
  readonly load?: ResolvedDevice
  readonly supply?: ResolvedDevice
}

/** The output and the input that a path is drawn for: those of one plan. */
export interface OutputEnds {
  readonly output: PortRef
  readonly input: PortRef
}

/** Whether a line is switched by an output, by its own contact or by a contactor whose coil that contact feeds. */
function switchedBy(paths: readonly PowerPath[], path: PowerPath, { device, port }: PortRef): boolean {
  const own = (each: PowerPath) => each.contacts.some((c) => c.device.id === device && c.portId === port)
  return own(path) || path.contacts.some((c) => paths.some((coil) => coil.load.id === c.device.id && own(coil)))
}

/** The line of the heating load that an output switches; undefined while nothing hangs on it. */
export function lineOfOutput(chain: ResolvedChain, output: PortRef): PowerPath | undefined {
  const paths = powerPaths(chain)
  return paths.find((path) => path.loadPort.heat !== 'none' && switchedBy(paths, path, output))
}

/**
 * The path to draw for a plan's output and input; without a plan the first of everything that is there.
 * A contactor's coil is followed to the load that its contact carries.
 */
export function outputPath(chain: ResolvedChain, ends?: OutputEnds): OutputPath {
  const ofCategory = (category: string) => chain.devices.filter(({ facts }) => facts.category === category)
  const [first] = ofCategory('controller')
  const controller = chain.devices.find(({ id }) => id === ends?.output.device) ?? first
  const path = ends ? lineOfOutput(chain, ends.output) : powerPaths(chain).find((p) => p.loadPort.heat !== 'none')
  const series = (path?.contacts ?? []).map(({ device }) => device).filter(({ id }) => id !== controller?.id)
  const inputs = chain.connections.filter(
    ({ to, toPort }) => to.device === controller?.id && toPort.kind === 'probe-in',
  )
  const joined = ends && inputs.find(({ to }) => to.device === ends.input.device && to.port === ends.input.port)
  const loose = ofCategory('probe').filter(({ id }) => !inputs.some(({ from }) => from.device === id))
  const probe = joined?.fromDevice ?? (ends && inputs.length > 0 ? undefined : inputs[0]?.fromDevice) ?? loose[0]
  // A load that hangs on nothing yet is drawn at its place in the first path, so that it is seen to be there.
  const hanging = new Set(chain.connections.map(({ to }) => to.device))
  const load = path?.load ?? ofCategory('load').find(({ id }) => !hanging.has(id))
  const supply =
    path?.supply?.device ??
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
