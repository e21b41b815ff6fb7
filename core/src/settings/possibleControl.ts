import { bindsAny, boundTo, timeFrom } from '../device/bound'
import type { PortRef, ResolvedChain } from '../document/chain'
import { reachOf } from '../wiring/reach'

const controllerOf = (chain: ResolvedChain, { device }: PortRef) =>
  chain.devices.find(({ id }) => id === device)?.facts.controller

const portOf = (chain: ResolvedChain, { device, port }: PortRef) =>
  chain.devices.find(({ id }) => id === device)?.facts.ports[port]

/** Whether an output can be planned with a swing: its controller is keyed to one, and the output is a contact. */
export function canSwitch(chain: ResolvedChain, output: PortRef): boolean {
  const controller = controllerOf(chain, output)
  return controller !== undefined && bindsAny(controller, 'swing') && portOf(chain, output)?.kind === 'contact'
}

/** The cycle that a controller proportions its time in as it comes, s; undefined where it has none. */
export function cycleAsItComes(chain: ResolvedChain, output: PortRef): number | undefined {
  const controller = controllerOf(chain, output)
  const cycle = controller && boundTo(controller, 'cycle')
  return cycle && typeof cycle.comes === 'number' ? timeFrom(cycle, cycle.comes) : undefined
}

/**
 * Whether an output can be planned with a band: its controller is keyed to one, and it gives a signal, or switches in a cycle what bears
 * that: elements and water valves, never what burns or compresses.
 */
export function canModulate(chain: ResolvedChain, output: PortRef): boolean {
  const controller = controllerOf(chain, output)
  const port = portOf(chain, output)
  if (!controller || !bindsAny(controller, 'band')) return false
  if (port?.kind === 'signal-out') return true
  const ends = reachOf(chain, output)
  return (
    (cycleAsItComes(chain, output) ?? 0) > 0 &&
    ends.length > 0 &&
    ends.every(
      ({ does, port: end }) =>
        (does === 'element' || does === 'water-flow') && !(end.kind === 'load' && end.load.kind === 'motor'),
    )
  )
}
