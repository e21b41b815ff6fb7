import type { ResolvedChain, ResolvedConnection, ResolvedDevice } from '../document/chain'
import type { ContactPort, SupplyOutPort } from '../device/deviceProfile'

/** Where a line begins: a supply, a contact that feeds it itself, or a contact with nothing before it. */
type Head =
  | { readonly kind: 'supply'; readonly device: ResolvedDevice; readonly portId: string; readonly port: SupplyOutPort }
  | {
      readonly kind: 'fed' | 'open'
      readonly device: ResolvedDevice
      readonly portId: string
      readonly port: ContactPort
    }

/** Everything upstream of a port, contacts in parallel included, in the order in which the current meets it. */
interface Feeders {
  readonly connections: readonly ResolvedConnection[]
  readonly heads: readonly Head[]
}

const key = (device: string, port: string) => `${device}.${port}`

/** Walks from a load or a call upstream along every way that leads to it. A ring ends where it closes. */
export function feedersOf(chain: ResolvedChain, device: string, port: string): Feeders {
  const connections: ResolvedConnection[] = []
  const heads = new Map<string, Head>()
  const seen = new Set<string>()
  const walk = (at: string, into: string) => {
    if (seen.has(key(at, into))) return
    seen.add(key(at, into))
    for (const each of chain.connections) {
      if (each.to.device !== at || each.to.port !== into) continue
      const { fromDevice, fromPort, from } = each
      if (fromPort.kind === 'supply-out')
        heads.set(key(from.device, from.port), {
          kind: 'supply',
          device: fromDevice,
          portId: from.port,
          port: fromPort,
        })
      else if (fromPort.kind === 'contact') {
        const before = chain.connections.some((c) => c.to.device === from.device && c.to.port === from.port)
        if (fromPort.fed || !before)
          heads.set(key(from.device, from.port), {
            kind: fromPort.fed ? 'fed' : 'open',
            device: fromDevice,
            portId: from.port,
            port: fromPort,
          })
        else walk(from.device, from.port)
      } else continue
      connections.push(each)
    }
  }
  walk(device, port)
  return { connections, heads: [...heads.values()] }
}
