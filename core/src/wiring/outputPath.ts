import type { ResolvedChain, ResolvedDevice } from '../job/chain'
import { powerPaths } from './powerPath'

/** One output's path through a chain, in the order in which it is drawn: probe, controller, what lies in the line, load; its supply. */
export interface OutputPath {
  readonly probe?: ResolvedDevice
  readonly controller?: ResolvedDevice
  readonly series: readonly ResolvedDevice[]
  readonly load?: ResolvedDevice
  readonly supply?: ResolvedDevice
}

/**
 * The path of one of a controller's outputs; the first unless said otherwise. A contactor's coil is followed to the load that its
 * contact carries.
 */
export function outputPath(chain: ResolvedChain, output = 0): OutputPath {
  const ofCategory = (category: string) => chain.devices.filter(({ facts }) => facts.category === category)
  const [controller] = ofCategory('controller')
  const paths = powerPaths(chain)
  const commanded = paths.filter(
    ({ contacts, loadPort }) =>
      loadPort.heat !== 'none' &&
      contacts.some(({ device, port }) => port.movedBy === 'control' || coilFeeds(paths, device)),
  )
  const path = commanded[output] ?? paths.find(({ loadPort }) => loadPort.heat !== 'none')
  const inputs = chain.connections.filter(
    ({ to, toPort }) => to.device === controller?.id && toPort.kind === 'probe-in',
  )
  const series = (path?.contacts ?? []).map(({ device }) => device).filter(({ id }) => id !== controller?.id)
  const supplied = chain.connections.find(
    ({ fromPort, to }) => fromPort.kind === 'supply-out' && to.device === controller?.id,
  )?.fromDevice
  const probe = inputs[output]?.fromDevice ?? inputs[0]?.fromDevice ?? ofCategory('probe')[0]
  const load = path?.load ?? ofCategory('load')[0]
  const supply = path?.supply?.device ?? supplied
  return {
    series,
    ...(probe ? { probe } : {}),
    ...(controller ? { controller } : {}),
    ...(load ? { load } : {}),
    ...(supply ? { supply } : {}),
  }
}

const coilFeeds = (paths: ReturnType<typeof powerPaths>, device: ResolvedDevice) =>
  paths.some(({ load, loadPort }) => load.id === device.id && loadPort.heat === 'none')
