import type { ResolvedChain, ResolvedConnection, ResolvedDevice } from '../job/chain'
import type { ContactPort, LoadPort, SupplyOutPort } from '../profile/deviceProfile'

/** The line of one load: from the supply through every contact in series to the load. */
export interface PowerPath {
  readonly load: ResolvedDevice
  readonly loadPort: LoadPort
  /** In the order in which the current meets them. */
  readonly contacts: readonly { readonly device: ResolvedDevice; readonly portId: string; readonly port: ContactPort }[]
  readonly supply?: { readonly device: ResolvedDevice; readonly portId: string; readonly port: SupplyOutPort }
  readonly connections: readonly ResolvedConnection[]
}

const into = (chain: ResolvedChain, device: string, port: string) =>
  chain.connections.find((c) => c.to.device === device && c.to.port === port)

/** Walks every load's line upstream to its supply. A ring of contacts ends the walk. */
export function powerPaths(chain: ResolvedChain): PowerPath[] {
  const paths: PowerPath[] = []
  for (const load of chain.devices)
    for (const [portId, loadPort] of Object.entries(load.facts.ports))
      if (loadPort.kind === 'load') paths.push(walk(chain, load, portId, loadPort))
  return paths
}

function walk(chain: ResolvedChain, load: ResolvedDevice, portId: string, loadPort: LoadPort): PowerPath {
  const contacts: PowerPath['contacts'][number][] = []
  const connections: ResolvedConnection[] = []
  const seen = new Set<string>()
  let here = into(chain, load.id, portId)
  while (here && !seen.has(here.id)) {
    seen.add(here.id)
    connections.unshift(here)
    const { fromDevice: device, fromPort: port, from } = here
    if (port.kind === 'supply-out')
      return { load, loadPort, contacts, connections, supply: { device, portId: from.port, port } }
    if (port.kind !== 'contact') break
    contacts.unshift({ device, portId: from.port, port })
    here = into(chain, device.id, from.port)
  }
  return { load, loadPort, contacts, connections }
}
