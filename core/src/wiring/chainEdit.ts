import type { Chain, ChainDevice, Connection, PortRef } from '../job/chain'
import { ordered, resolveChain } from '../job/chain'
import type { JobDocument, LoopDocument } from '../job/documents'
import type { Category, DeviceProfile, Port } from '../profile/deviceProfile'
import { powerPaths } from './powerPath'
import { supplyVariant } from './supplyVariant'

/** A job and one of its loops, edited together: shared devices and profile copies live in the job. */
export interface Edited {
  readonly job: JobDocument
  readonly loop: LoopDocument
}

const letters: Record<Category, string> = {
  controller: 'A',
  probe: 'B',
  relay: 'K',
  limiter: 'F',
  load: 'M',
  supply: 'X',
}

const letterFor = ({ category, ports }: DeviceProfile) =>
  Object.values(ports).some((port) => port.kind === 'load' && port.heat === 'element') ? 'E' : letters[category]

/** A connection's identity is its two ends. */
const connectionId = (from: PortRef, to: PortRef) => `${from.device}.${from.port}>${to.device}.${to.port}`

const chainOf = ({ job, loop }: Edited) => resolveChain(job, loop.chain)

const withChain = (edited: Edited, chain: Chain): Edited => ({ ...edited, loop: { ...edited.loop, chain } })

function connect(edited: Edited, from: PortRef, to: PortRef): Edited {
  const { chain } = edited.loop
  const order = Object.values(chain.connections).reduce((most, c) => Math.max(most, c.order), 0) + 1
  return withChain(edited, {
    ...chain,
    connections: { ...chain.connections, [connectionId(from, to)]: { order, from, to } },
  })
}

const dropWhere = (edited: Edited, drop: (connection: Connection) => boolean): Edited =>
  withChain(edited, {
    ...edited.loop.chain,
    connections: Object.fromEntries(Object.entries(edited.loop.chain.connections).filter(([, c]) => !drop(c))),
  })

const withProfile = ({ job, loop }: Edited, profile: DeviceProfile): Edited => ({
  job: { ...job, profiles: { ...job.profiles, [profile.id]: profile } },
  loop,
})

/** The next free designation of a letter: K1, K2 … counted over the job's shared devices and this loop. */
function nextTag({ job, loop }: Edited, letter: string): string {
  const taken = new Set([...Object.values(job.devices), ...Object.values(loop.chain.devices)].map(({ tag }) => tag))
  let n = 1
  while (taken.has(`${letter}${n}`)) n++
  return `${letter}${n}`
}

const nextOrder = (map: Readonly<Record<string, { order: number }>>) =>
  Object.values(map).reduce((most, { order }) => Math.max(most, order), 0) + 1

/** Adds a device under a client-made id and joins it to what waits for it. A supply belongs to the job, all else to the loop. */
export function addDevice(edited: Edited, profile: DeviceProfile, id: string): Edited {
  return autoConnect(place(edited, profile, id))
}

function place(edited: Edited, profile: DeviceProfile, id: string): Edited {
  const { job, loop } = withProfile(edited, profile)
  const tag = nextTag({ job, loop }, letterFor(profile))
  const shared = profile.category === 'supply'
  const order = nextOrder(shared ? job.devices : loop.chain.devices)
  const device: ChainDevice = {
    order,
    tag,
    name: profile.name,
    profile: profile.id,
    ...(profile.limiter ? { dialC: dialFor(profile) } : {}),
  }
  return shared
    ? { job: { ...job, devices: { ...job.devices, [id]: device } }, loop }
    : withChain({ job, loop }, { ...loop.chain, devices: { ...loop.chain.devices, [id]: device } })
}

/** A limiter comes set to the usual 50 °C of a floor's supply, within its own dial. Source: field data floor.limiter. */
const dialFor = ({ limiter }: DeviceProfile) => Math.min(limiter!.highC, Math.max(limiter!.lowC, 50))

/** Puts another profile in the place of a device; connections stay where the new one has a port of the same name and kind. */
export function replaceDevice(edited: Edited, id: string, profile: DeviceProfile): Edited {
  const { job, loop } = withProfile(edited, profile)
  const shared = Object.hasOwn(job.devices, id)
  const old = shared ? job.devices[id] : loop.chain.devices[id]
  if (!old) throw new RangeError(`device ${id} is not in this chain`)
  const before = job.profiles[old.profile]?.ports ?? {}
  const { dialC: _dial, ...kept } = old
  const device: ChainDevice = {
    ...kept,
    name: profile.name,
    profile: profile.id,
    ...(profile.limiter ? { dialC: dialFor(profile) } : {}),
  }
  const swapped: Edited = shared
    ? { job: { ...job, devices: { ...job.devices, [id]: device } }, loop }
    : withChain({ job, loop }, { ...loop.chain, devices: { ...loop.chain.devices, [id]: device } })
  const fits = (ref: PortRef) => ref.device !== id || before[ref.port]?.kind === profile.ports[ref.port]?.kind
  return autoConnect(dropWhere(swapped, ({ from, to }) => !fits(from) || !fits(to)))
}

/**
 * Puts a limiter or a contactor into a connection's line.
 * A contact in series takes the place of the wire. A contactor's coil takes the place of the load on the old contact, and its own
 * contact carries the load instead, fed from the supply.
 * @throws RangeError when the device is neither, or the connection is no line that a load hangs on
 */
export function insertDevice(edited: Edited, connection: string, profile: DeviceProfile, id: string): Edited {
  const found = edited.loop.chain.connections[connection]
  if (!found) throw new RangeError(`connection ${connection} is not in this chain`)
  if (profile.category !== 'relay' && profile.category !== 'limiter')
    throw new RangeError(`${profile.name} is a ${profile.category}: only a relay or a limiter goes into a line`)
  const [giver, taker] = [portKind(edited, found.from), portKind(edited, found.to)]
  if ((giver !== 'contact' && giver !== 'supply-out') || (taker !== 'contact' && taker !== 'load'))
    throw new RangeError(`connection ${connection} is no line that a load hangs on`)
  const ports = Object.entries(profile.ports)
  const contact = ports.find(([, port]) => port.kind === 'contact')?.[0]
  const coil = ports.find(([, port]) => port.kind === 'load')?.[0]
  if (!contact) throw new RangeError(`${profile.name} has no contact to put into the line`)
  const cut = dropWhere(place(edited, profile, id), (c) => connectionId(c.from, c.to) === connection)
  const entered = connect(cut, found.from, { device: id, port: coil ?? contact })
  return autoConnect(connect(entered, { device: id, port: contact }, found.to))
}

/** Takes a device out; a contact in series leaves its two neighbours joined. The planned behaviour of its outputs goes too. */
export function removeDevice(edited: Edited, id: string): Edited {
  const { chain } = edited.loop
  const touching = ordered(chain.connections).filter((c) => c.from.device === id || c.to.device === id)
  const coming = touching.find((c) => c.to.device === id && portKind(edited, c.from) === 'contact')
  const going = touching.find((c) => c.from.device === id && portKind(edited, c.from) === 'contact')
  const { [id]: _gone, ...devices } = chain.devices
  const planned = Object.fromEntries(
    Object.entries(edited.loop.settings.planned).filter(
      ([, { output, input }]) => output.device !== id && input.device !== id,
    ),
  )
  let next = dropWhere(edited, ({ from, to }) => from.device === id || to.device === id)
  next = {
    ...next,
    loop: { ...next.loop, chain: { ...next.loop.chain, devices }, settings: { ...next.loop.settings, planned } },
  }
  if (coming && going) next = connect(next, coming.from, going.to)
  return autoConnect(next)
}

function portKind({ job, loop }: Edited, ref: PortRef): Port['kind'] | undefined {
  const device = loop.chain.devices[ref.device] ?? job.devices[ref.device]
  return device && job.profiles[device.profile]?.ports[ref.port]?.kind
}

interface Loose {
  readonly ref: PortRef
  readonly port: Port
  readonly category: Category
}

/** Ports with nothing on one side, in the order of the devices. */
function loosePorts(edited: Edited, side: 'from' | 'to'): Loose[] {
  const { devices, connections } = chainOf(edited)
  const shared = ordered(edited.job.devices)
    .filter(({ id }) => !devices.some((d) => d.id === id))
    .flatMap((device) => {
      const facts = edited.job.profiles[device.profile]
      return facts ? [{ ...device, facts }] : []
    })
  return [...devices, ...shared].flatMap(({ id, facts }) =>
    Object.entries(facts.ports)
      .filter(([port]) => !connections.some((c) => c[side].device === id && c[side].port === port))
      .map(([port, facts_]) => ({ ref: { device: id, port }, port: facts_, category: facts.category })),
  )
}

/** Joins what waits for each other, so that a fitter chooses devices and never ports: probes, loads, limiters, supplies, in that order. */
export function autoConnect(edited: Edited): Edited {
  return [joinProbes, joinLoads, joinLimiters, joinSupplies].reduce((next, join) => join(next), edited)
}

function joinProbes(edited: Edited): Edited {
  const probes = loosePorts(edited, 'from').filter(({ port }) => port.kind === 'probe-out')
  const inputs = loosePorts(edited, 'to').filter(({ port }) => port.kind === 'probe-in')
  return probes.slice(0, inputs.length).reduce((next, { ref }, i) => connect(next, ref, inputs[i]!.ref), edited)
}

/** Each output without a load gets the next load without a line. */
function joinLoads(edited: Edited): Edited {
  const outputs = loosePorts(edited, 'from').filter(({ port }) => port.kind === 'contact' && port.movedBy === 'control')
  const loads = loosePorts(edited, 'to').filter(({ port }) => port.kind === 'load')
  return loads.slice(0, outputs.length).reduce((next, { ref }, i) => connect(next, outputs[i]!.ref, ref), edited)
}

/** A limiter's contact goes into the line of the first heating load that has no limiter yet. */
function joinLimiters(edited: Edited): Edited {
  const loose = loosePorts(edited, 'to').filter(
    ({ port, category }) => category === 'limiter' && port.kind === 'contact',
  )
  return loose.reduce((next, { ref }) => {
    const path = powerPaths(chainOf(next)).find(
      ({ loadPort, contacts, connections }) =>
        loadPort.heat !== 'none' &&
        connections.length > 0 &&
        !contacts.some(({ device }) => device.facts.category === 'limiter'),
    )
    const last = path?.connections[path.connections.length - 1]
    if (!last || last.fromPort.kind === 'supply-out') return next
    const cut = dropWhere(next, (c) => connectionId(c.from, c.to) === last.id)
    return connect(connect(cut, last.from, ref), ref, last.to)
  }, edited)
}

/** Feeds supply inputs and the heads of lines from a supply of the job whose voltage suits, else from the first. */
function joinSupplies(edited: Edited): Edited {
  const supplies = [
    ...loosePorts(edited, 'from'),
    ...chainOf(edited).connections.map(({ from, fromPort, fromDevice }) => ({
      ref: from,
      port: fromPort,
      category: fromDevice.facts.category,
    })),
  ].flatMap(({ ref, port }) => (port.kind === 'supply-out' ? [{ ref, port }] : []))
  const [first] = supplies
  if (!first) return edited
  const heads = new Map(
    powerPaths(chainOf(edited)).flatMap(({ contacts, supply, loadPort }) => {
      const [head] = contacts
      return head && !supply ? [[`${head.device.id}.${head.portId}`, loadPort.load.volts] as const] : []
    }),
  )
  return loosePorts(edited, 'to').reduce((next, { ref, port }) => {
    if (port.kind === 'supply-in') {
      const fitting = supplies.find(({ port: out }) => supplyVariant(out, port.variants)) ?? first
      return connect(next, fitting.ref, ref)
    }
    const volts = heads.get(`${ref.device}.${ref.port}`)
    if (volts === undefined) return next
    return connect(
      next,
      (supplies.find(({ port: out }) => Math.abs(out.volts - volts) <= 0.1 * volts) ?? first).ref,
      ref,
    )
  }, edited)
}
