import { sameValue } from '../document/canonicalJson'
import type { Chain, ChainDevice, Connection, PortRef } from '../document/chain'
import { resolveChain } from '../document/chain'
import { nextOrder } from '../schema/ordered'
import { ordered } from '../schema/ordered'
import { asSet } from '../device/asSet'
import type { DeviceProfile, Port } from '../device/deviceProfile'
import type { Category, Effect } from '../choices/deviceChoices'
import { joins } from './joins'
import { autoJoin } from './autoJoin'
import type { Edited } from './edited'

export type { Edited } from './edited'

const letters: Record<Category, string> = {
  controller: 'A',
  probe: 'B',
  transmitter: 'B',
  relay: 'K',
  limiter: 'F',
  permissive: 'S',
  drive: 'T',
  load: 'M',
  supply: 'X',
}
const heaters: ReadonlySet<Effect> = new Set(['element', 'fuel', 'defrost', 'light'])

/** Letter of a designation: heaters and lamps are E, whatever else does work is M. */
const letterFor = ({ category, ports }: DeviceProfile) =>
  category === 'load' && Object.values(ports).some((port) => 'does' in port && heaters.has(port.does))
    ? 'E'
    : letters[category]

/** A connection's identity is its two ends. */
const connectionId = (from: PortRef, to: PortRef) => `${from.device}.${from.port}>${to.device}.${to.port}`

const withChain = (edited: Edited, chain: Chain): Edited => ({ ...edited, loop: { ...edited.loop, chain } })

/** Joins two ports as they are given, whatever hung on them before. */
function connect(edited: Edited, from: PortRef, to: PortRef): Edited {
  const { chain } = edited.loop
  const order = nextOrder(chain.connections)
  return withChain(edited, {
    ...chain,
    connections: { ...chain.connections, [connectionId(from, to)]: { order, from, to } },
  })
}

/** Takes every connection out that answers the question with yes. */
export const dropWhere = (edited: Edited, drop: (connection: Connection) => boolean): Edited =>
  withChain(edited, {
    ...edited.loop.chain,
    connections: Object.fromEntries(Object.entries(edited.loop.chain.connections).filter(([, c]) => !drop(c))),
  })

/**
 * The job with a copy of a profile, and the key it is kept under. A device in use keeps the version it was used with: another
 * version of the same profile gets a key of its own.
 */
function withProfile({ job, loop }: Edited, profile: DeviceProfile): { readonly edited: Edited; readonly key: string } {
  const fits = (key: string) => job.profiles[key] === undefined || sameValue(job.profiles[key], profile)
  const tries = [profile.id, `${profile.id}.v${profile.version ?? 1}`]
  for (let n = 2; !fits(tries.at(-1)!); n++) tries.push(`${profile.id}.v${profile.version ?? 1}.${n}`)
  const key = tries.find(fits)!
  return { key, edited: { job: { ...job, profiles: { ...job.profiles, [key]: profile } }, loop } }
}

/** The next free designation of a letter: K1, K2 … counted over the job's shared devices and this loop. */
function nextTag({ job, loop }: Edited, letter: string): string {
  const taken = new Set([...Object.values(job.devices), ...Object.values(loop.chain.devices)].map(({ tag }) => tag))
  let n = 1
  while (taken.has(`${letter}${n}`)) n++
  return `${letter}${n}`
}

/** What is known of a device as it is put in: where it sits, what its dial is set to. */
export type Placing = Pick<ChainDevice, 'dialC' | 'sits' | 'leadM' | 'place' | 'set' | 'nameplate'>

/** Adds a device under a client-made id and joins it to what waits for it. A supply belongs to the job, all else to the loop. */
export function addDevice(edited: Edited, profile: DeviceProfile, id: string, placing: Placing = {}): Edited {
  return autoConnect(place(edited, profile, id, placing), profile.category === 'supply' ? id : undefined)
}

/** Takes a supply that the job has already into this loop, and feeds from it what waits for it. */
export const useSupply = (edited: Edited, id: string): Edited => autoConnect(edited, id)

/** Puts a device in under a client-made id and joins it to nothing. */
export function place(edited: Edited, profile: DeviceProfile, id: string, placing: Placing): Edited {
  const {
    key,
    edited: { job, loop },
  } = withProfile(edited, profile)
  const tag = nextTag({ job, loop }, letterFor(profile))
  const shared = profile.category === 'supply'
  const order = nextOrder(shared ? job.devices : loop.chain.devices)
  return putDevice({ job, loop }, id, shared, { order, tag, name: profile.name, profile: key, ...placing })
}

const putDevice = ({ job, loop }: Edited, id: string, shared: boolean, device: ChainDevice): Edited =>
  shared
    ? { job: { ...job, devices: { ...job.devices, [id]: device } }, loop }
    : withChain({ job, loop }, { ...loop.chain, devices: { ...loop.chain.devices, [id]: device } })

/** The device as it stands, and whether the job holds it. @throws RangeError when it is in neither */
function held({ job, loop }: Edited, id: string): { readonly device: ChainDevice; readonly shared: boolean } {
  const shared = Object.hasOwn(job.devices, id)
  const device = shared ? job.devices[id] : loop.chain.devices[id]
  if (!device) throw new RangeError(`device ${id} is not in this chain`)
  return { device, shared }
}

/** Puts another profile in the place of a device; connections stay where the new one has a port of the same name and kind. */
export function replaceDevice(edited: Edited, id: string, profile: DeviceProfile, placing: Placing = {}): Edited {
  const { device: old, shared } = held(edited, id)
  const { key, edited: next } = withProfile(edited, profile)
  const before = edited.job.profiles[old.profile]?.ports ?? {}
  const device: ChainDevice = {
    order: old.order,
    tag: old.tag,
    name: profile.name,
    profile: key,
    ...(old.place === undefined ? {} : { place: old.place }),
    ...(old.leadM === undefined ? {} : { leadM: old.leadM }),
    ...placing,
  }
  const fits = (ref: PortRef) => ref.device !== id || before[ref.port]?.kind === profile.ports[ref.port]?.kind
  return autoConnect(
    dropWhere(putDevice(next, id, shared, device), ({ from, to }) => !fits(from) || !fits(to)),
    shared ? id : undefined,
  )
}

/** Writes what is known of a device on this job: its place, its dial, its links. */
export function setDevice(edited: Edited, id: string, change: Partial<ChainDevice>): Edited {
  const { device, shared } = held(edited, id)
  return putDevice(edited, id, shared, { ...device, ...change })
}

/** Chooses an option of a device. What its ports can be joined to may change with it. */
export function setOption(edited: Edited, id: string, option: string, choice: string): Edited {
  const { device } = held(edited, id)
  return autoConnect(setDevice(edited, id, { set: { ...device.set, [option]: choice } }))
}

/**
 * Puts a limiter, a permissive or a relay into a connection's line.
 * A contact in series takes the place of the wire. A relay's coil takes the place of what hung on the old contact, and its own
 * contact carries that instead, fed from the supply or by the input itself.
 * @throws RangeError when the device is none of these, or the connection is no line that something hangs on
 */
export function insertDevice(
  edited: Edited,
  connection: string,
  profile: DeviceProfile,
  id: string,
  placing: Placing = {},
): Edited {
  const found = edited.loop.chain.connections[connection]
  if (!found) throw new RangeError(`connection ${connection} is not in this chain`)
  const [giver, taker] = [portOf(edited, found.from)?.kind, portOf(edited, found.to)?.kind]
  if (giver === 'signal-out' && taker === 'signal-in') return insertConverter(edited, found, profile, id)
  if (profile.category !== 'relay' && profile.category !== 'limiter' && profile.category !== 'permissive')
    throw new RangeError(
      `${profile.name} is a ${profile.category}: only a relay, a limiter or a permissive goes into a line`,
    )
  if ((giver !== 'contact' && giver !== 'supply-out') || !['contact', 'load', 'contact-in'].includes(taker ?? ''))
    throw new RangeError(`connection ${connection} is no line that a load hangs on`)
  const ports = Object.entries(profile.ports)
  const contact = ports.find(([, port]) => port.kind === 'contact')?.[0]
  const coil = ports.find(([, port]) => port.kind === 'load')?.[0]
  if (!contact) throw new RangeError(`${profile.name} has no contact to put into the line`)
  const cut = dropWhere(place(edited, profile, id, placing), (c) => connectionId(c.from, c.to) === connection)
  const entered = connect(cut, found.from, { device: id, port: coil ?? contact })
  return autoConnect(connect(entered, { device: id, port: contact }, found.to))
}

/** A resistor or a converter takes the signal in and gives it out again in another form. */
function insertConverter(edited: Edited, { from, to }: Connection, profile: DeviceProfile, id: string): Edited {
  const ports = Object.entries(profile.ports)
  const into = ports.find(([, port]) => port.kind === 'signal-in')?.[0]
  const out = ports.find(([, port]) => port.kind === 'signal-out')?.[0]
  if (!into || !out) throw new RangeError(`${profile.name} takes no signal in and gives none out`)
  const cut = dropWhere(place(edited, profile, id, {}), (c) => connectionId(c.from, c.to) === connectionId(from, to))
  return autoConnect(connect(connect(cut, from, { device: id, port: into }), { device: id, port: out }, to))
}

/** Takes a device out; a contact in series leaves its two neighbours joined. The planned behaviour of its outputs goes too. */
export function removeDevice(edited: Edited, id: string): Edited {
  const { chain } = edited.loop
  const touching = ordered(chain.connections).filter((c) => c.from.device === id || c.to.device === id)
  const carried = (ref: PortRef) => ['contact', 'signal-out'].includes(portOf(edited, ref)?.kind ?? '')
  const coming = touching.find((c) => c.to.device === id && carried(c.from))
  const going = touching.find((c) => c.from.device === id && carried(c.from))
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
  // One that lay across another contact leaves nothing to join: a wire in its place would by-pass that contact for good.
  const across = going && touchedElsewhere(next, going.to)
  if (coming && going && !across && canJoin(next, coming.from, going.to)) next = connect(next, coming.from, going.to)
  return autoConnect(next)
}

const touchedElsewhere = ({ loop }: Edited, to: PortRef) =>
  Object.values(loop.chain.connections).some((c) => c.to.device === to.device && c.to.port === to.port)

/**
 * Lays a contact across another one: a switch that runs the load whatever the other contact does.
 * @throws RangeError when the device has no contact, or there is none to lay it across
 */
export function bypass(edited: Edited, over: PortRef, profile: DeviceProfile, id: string): Edited {
  if (portOf(edited, over)?.kind !== 'contact')
    throw new RangeError(`${over.device} ${over.port} is no contact: only a contact can have another across it`)
  const contact = Object.entries(profile.ports).find(([, port]) => port.kind === 'contact' && !port.fed)?.[0]
  if (!contact) throw new RangeError(`${profile.name} has no contact to by-pass`)
  const mine = { device: id, port: contact }
  const is = (ref: PortRef) => ref.device === over.device && ref.port === over.port
  return ordered(edited.loop.chain.connections).reduce(
    (next, { from, to }) => {
      if (is(to)) return connect(next, from, mine)
      return is(from) ? connect(next, mine, to) : next
    },
    place(edited, profile, id, {}),
  )
}

/** A port of a device of this loop or of the job, as set. */
export function portOf({ job, loop }: Edited, ref: PortRef): Port | undefined {
  const device = loop.chain.devices[ref.device] ?? job.devices[ref.device]
  const profile = device && job.profiles[device.profile]
  return profile && asSet(profile, device.set).ports[ref.port]
}

/** Whether two ports can be joined at all, the first giving and the second taking. */
export const canJoin = (edited: Edited, from: PortRef, to: PortRef): boolean => {
  const [giver, taker] = [portOf(edited, from), portOf(edited, to)]
  return giver !== undefined && taker !== undefined && from.device !== to.device && joins(giver, taker)
}

/**
 * Joins two ports by hand: what fed the second before is taken off first, and a probe or a signal gives to one input alone.
 * @throws RangeError when the two have nothing to do with each other
 */
export function joinPorts(edited: Edited, from: PortRef, to: PortRef): Edited {
  if (!canJoin(edited, from, to))
    throw new RangeError(`${from.device} ${from.port} cannot be joined to ${to.device} ${to.port}`)
  const same = (a: PortRef, b: PortRef) => a.device === b.device && a.port === b.port
  const alone = ['probe-out', 'contact'].includes(portOf(edited, from)!.kind)
  return connect(
    dropWhere(edited, (c) => same(c.to, to) || (alone && same(c.from, from))),
    from,
    to,
  )
}

/**
 * Lets another supply of the job feed whatever this one fed in this loop; other loops keep it.
 * @throws RangeError when the other one gives nothing
 */
export function moveSupply(edited: Edited, from: string, to: string): Edited {
  const { job } = edited
  const out = Object.entries(job.profiles[job.devices[to]?.profile ?? '']?.ports ?? {}).find(
    ([, { kind }]) => kind === 'supply-out',
  )?.[0]
  if (out === undefined) throw new RangeError(`device ${to} is no supply of this job`)
  const fed = ordered(edited.loop.chain.connections).filter((c) => c.from.device === from && c.to.device !== to)
  const bare = dropWhere(edited, (c) => c.from.device === from || c.to.device === from)
  return autoConnect(
    fed.reduce((next, c) => connect(next, { device: to, port: out }, c.to), bare),
    to,
  )
}

/** Takes a shared supply out of this loop alone: nothing of it is fed from there any longer. */
export const leaveSupply = (edited: Edited, id: string): Edited =>
  dropWhere(edited, (c) => c.from.device === id || c.to.device === id)

/** Takes a supply out of the job altogether; for one that feeds nothing. */
export function dropSupply({ job, loop }: Edited, id: string): Edited {
  const { [id]: _gone, ...devices } = job.devices
  return { job: { ...job, devices }, loop }
}

/** Takes one connection out. */
export const partPorts = (edited: Edited, connection: string): Edited =>
  dropWhere(edited, (c) => connectionId(c.from, c.to) === connection)

/** Joins what waits for each other, so that a fitter chooses devices and never ports. */
function autoConnect(edited: Edited, alsoShared?: string): Edited {
  return autoJoin(edited, alsoShared, (next) => resolveChain(next.job, next.loop.chain), connect, dropWhere)
}
