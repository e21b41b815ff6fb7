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

/** Whether an output's controller is keyed to a band, and to a cycle where the output is a contact. */
export function canModulate(chain: ResolvedChain, output: PortRef): boolean {
  const controller = controllerOf(chain, output)
  if (!controller || !bindsAny(controller, 'band')) return false
  return portOf(chain, output)?.kind === 'signal-out' || (cycleAsItComes(chain, output) ?? 0) > 0
}

/** Whether what an output moves bears a band: elements and water valves, in a cycle; never what burns or compresses, never a motor. */
export function bearsModulation(chain: ResolvedChain, output: PortRef): boolean {
  const ends = reachOf(chain, output)
  return (
    ends.length > 0 &&
    ends.every(
      ({ does, port }) =>
        (does === 'element' || does === 'water-flow') && !(port.kind === 'load' && port.load.kind === 'motor'),
    )
  )
}
