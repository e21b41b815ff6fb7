import { ordered } from '../schema/ordered'
import { asSet } from '../device/asSet'
import { withNameplate } from '../device/withNameplate'
import type { DeviceProfile, Port } from '../device/deviceProfile'
import type { Value } from '../schema/value'
import type { chainDeviceRecord, chainRecord, connectionRecord } from './fields/chainFields'
import type { portRef } from '../schema/places'
import { rememberedOfBoth } from '../memory/remembered'

/** One device of a chain: a name on the job, and which profile it is. */
export interface ChainDevice extends Value<typeof chainDeviceRecord> {}
export interface PortRef extends Value<ReturnType<typeof portRef>> {}
/** Port to port; `from` is the side that gives (supply, probe, contact), `to` the side that takes. */
export interface Connection extends Value<typeof connectionRecord> {}
export interface Chain extends Value<typeof chainRecord> {}

export interface ResolvedDevice extends ChainDevice {
  readonly id: string
  readonly facts: DeviceProfile
  /** Held by the job and shared between loops. */
  readonly shared: boolean
}

export interface ResolvedConnection extends Connection {
  readonly id: string
  readonly fromDevice: ResolvedDevice
  readonly toDevice: ResolvedDevice
  readonly fromPort: Port
  readonly toPort: Port
}

/** A chain with every device's profile looked up. Connections to what is gone are left out. */
export interface ResolvedChain {
  readonly devices: readonly ResolvedDevice[]
  readonly connections: readonly ResolvedConnection[]
}

interface Shared {
  readonly devices: Readonly<Record<string, ChainDevice>>
  readonly profiles: Readonly<Record<string, DeviceProfile>>
}

/** A device with its profile looked up, set as its options are and as its own plate has it; nothing where the profile is gone. */
export function resolveDevice(
  { profiles }: Pick<Shared, 'profiles'>,
  device: ChainDevice & { readonly id: string },
  shared: boolean,
): ResolvedDevice | undefined {
  const facts = profiles[device.profile]
  return facts && { ...device, facts: withNameplate(asSet(facts, device.set), device.nameplate), shared }
}

/** Looks up the devices of a loop's own chain, the job's shared devices, and the ports that connections name. */
export const resolveChain = rememberedOfBoth((shared: Shared, chain: Chain): ResolvedChain => {
  const devices: ResolvedDevice[] = []
  const add = (map: Readonly<Record<string, ChainDevice>>, isShared: boolean) => {
    for (const device of ordered(map)) {
      const resolved = resolveDevice(shared, device, isShared)
      if (resolved) devices.push(resolved)
    }
  }
  add(chain.devices, false)
  const used = new Set(Object.values(chain.connections).flatMap((c) => [c.from.device, c.to.device]))
  add(Object.fromEntries(Object.entries(shared.devices).filter(([id]) => used.has(id))), true)
  const byId = new Map(devices.map((device) => [device.id, device]))
  const connections: ResolvedConnection[] = []
  for (const connection of ordered(chain.connections)) {
    const fromDevice = byId.get(connection.from.device)
    const toDevice = byId.get(connection.to.device)
    const fromPort = fromDevice?.facts.ports[connection.from.port]
    const toPort = toDevice?.facts.ports[connection.to.port]
    if (fromDevice && toDevice && fromPort && toPort)
      connections.push({ ...connection, fromDevice, toDevice, fromPort, toPort })
  }
  return { devices, connections }
})

/** What feels for an input: the connection that gives to it; nothing while it is open. */
export const feedOf = (
  { connections }: Pick<ResolvedChain, 'connections'>,
  { device, port }: PortRef,
): ResolvedConnection | undefined => connections.find(({ to }) => to.device === device && to.port === port)
