import type { ResolvedChain, ResolvedConnection, ResolvedDevice } from '../document/chain'
import type { ContactInPort, ContactPort, LoadPort, SupplyOutPort } from '../device/deviceProfile'
import { remembered } from '../memory/remembered'
import { voltsAcross } from './voltsAcross'

export interface LineContact {
  readonly device: ResolvedDevice
  readonly portId: string
  readonly port: ContactPort
}

/** The line of one load or one dry-contact input: from its source through every contact in series to what it ends in. */
export interface Line<P> {
  readonly load: ResolvedDevice
  readonly portId: string
  readonly loadPort: P
  /** In the order in which the current meets them. */
  readonly contacts: readonly LineContact[]
  readonly supply?: { readonly device: ResolvedDevice; readonly portId: string; readonly port: SupplyOutPort }
  readonly connections: readonly ResolvedConnection[]
}

export type PowerPath = Line<LoadPort>
type CallPath = Line<ContactInPort>

const into = (chain: ResolvedChain, device: string, port: string) =>
  chain.connections.find((c) => c.to.device === device && c.to.port === port)

/** Walks every load's line upstream to its supply, or to a contact that feeds it itself. A ring of contacts ends the walk. */
export const powerPaths = remembered((chain: ResolvedChain): readonly PowerPath[] =>
  linesTo(chain, (port) => (port.kind === 'load' ? port : undefined)),
)

/** The same for every input that wants a dry contact: its circuit is fed by the input itself. */
export const callPaths = remembered((chain: ResolvedChain): readonly CallPath[] =>
  linesTo(chain, (port) => (port.kind === 'contact-in' ? port : undefined)),
)

function linesTo<P>(chain: ResolvedChain, wanted: (port: ResolvedDevice['facts']['ports'][string]) => P | undefined) {
  const paths: Line<P>[] = []
  for (const load of chain.devices)
    for (const [portId, port] of Object.entries(load.facts.ports)) {
      const loadPort = wanted(port)
      if (loadPort) paths.push(walk(chain, load, portId, loadPort))
    }
  return paths
}

function walk<P>(chain: ResolvedChain, load: ResolvedDevice, portId: string, loadPort: P): Line<P> {
  const contacts: LineContact[] = []
  const connections: ResolvedConnection[] = []
  const seen = new Set<string>()
  let here = into(chain, load.id, portId)
  while (here && !seen.has(here.id)) {
    seen.add(here.id)
    connections.unshift(here)
    const { fromDevice: device, fromPort: port, from } = here
    if (port.kind === 'supply-out')
      return { load, portId, loadPort, contacts, connections, supply: { device, portId: from.port, port } }
    if (port.kind !== 'contact') break
    contacts.unshift({ device, portId: from.port, port })
    if (port.fed) break
    here = into(chain, device.id, from.port)
  }
  return { load, portId, loadPort, contacts, connections }
}

/** The supply that feeds a device itself, by its supply input. */
export const supplyOf = (chain: ResolvedChain, device: string) =>
  chain.connections.find(({ fromPort, toPort, to }) => {
    return fromPort.kind === 'supply-out' && toPort.kind === 'supply-in' && to.device === device
  })

/** Voltage at the head of a line: of its supply, or of the contact that feeds it; undefined while nothing does. */
export function lineVoltage(
  chain: ResolvedChain,
  {
    supply,
    contacts,
    loadPort,
  }: Pick<Line<unknown>, 'supply' | 'contacts'> & {
    readonly loadPort?: LoadPort | ContactInPort
  },
): { readonly volts: number; readonly current: 'ac' | 'dc' } | undefined {
  const told = ({ volts, current }: { readonly volts: number; readonly current: 'ac' | 'dc' }) => ({ volts, current })
  const phases = loadPort && 'load' in loadPort ? loadPort.load.phases : undefined
  if (supply) return told({ ...supply.port, volts: voltsAcross(supply.port, phases) })
  const head = contacts[0]
  const fed = head?.port.fed
  if (!head || !fed) return undefined
  const feeds = fed.from === 'supply' ? supplyOf(chain, head.device.id)?.fromPort : undefined
  return told(feeds?.kind === 'supply-out' ? feeds : fed)
}
