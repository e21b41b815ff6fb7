import { type Connection, type PortRef, type ResolvedChain } from '../document/chain'
import { ordered } from '../schema/ordered'
import { asSet } from '../device/asSet'
import type {
  ContactInPort,
  ContactPort,
  ElectricLoad,
  LoadPort,
  Port,
  ProbeFacts,
  SupplyOutPort,
} from '../device/deviceProfile'
import type { Category, ContactRole, Effect, ProbePlace } from '../choices/deviceChoices'
import { lineVoltage, type Line, powerPaths, callPaths } from './powerPath'
import { voltsAcross } from './voltsAcross'
import { supplyVariant } from './supplyVariant'
import type { Edited } from './edited'

interface Loose {
  readonly ref: PortRef
  readonly port: Port
  readonly category: Category
  readonly probe: ProbeFacts | undefined
  readonly sits: string | undefined
}

type Connect = (edited: Edited, from: PortRef, to: PortRef) => Edited
type Drop = (edited: Edited, drop: (connection: Connection) => boolean) => Edited

/** Effects that an output with no role of its own is for. */
const CONTROLLED: ReadonlySet<Effect> = new Set(['element', 'fuel', 'water-flow', 'cooling', 'air-flow', 'none'])
const wantedBy: Readonly<Partial<Record<ContactRole, ReadonlySet<Effect>>>> = {
  defrost: new Set(['defrost']),
  fan: new Set(['air-flow']),
  light: new Set(['light']),
  pump: new Set(['water-flow']),
}

const isSame = (a: PortRef, b: PortRef) => a.device === b.device && a.port === b.port

/**
 * Joins what waits for each other, in this order: probes, transmitters, signals, group wires, loads and calls, limiters and
 * permissives, supplies. Nothing that is joined already is moved.
 */
export function autoJoin(
  start: Edited,
  alsoShared: string | undefined,
  chainOf: (edited: Edited) => ResolvedChain,
  connect: Connect,
  drop: Drop,
): Edited {
  /** Ports with nothing on one side, in the order of the devices. */
  const loose = (edited: Edited, side: 'from' | 'to'): Loose[] => {
    const { devices, connections } = chainOf(edited)
    const shared = ordered(edited.job.devices)
      .filter(({ id }) => !devices.some((d) => d.id === id))
      .flatMap((device) => {
        const facts = edited.job.profiles[device.profile]
        // What another loop uses is not this loop's to feed.
        return facts && (side === 'from' || device.id === alsoShared)
          ? [{ ...device, facts: asSet(facts, device.set) }]
          : []
      })
    return [...devices, ...shared].flatMap(({ id, facts, sits }) =>
      Object.entries(facts.ports)
        .filter(([port]) => !connections.some((c) => c[side].device === id && c[side].port === port))
        .map(([port, facts_]) => ({
          ref: { device: id, port },
          port: facts_,
          category: facts.category,
          probe: facts.probe,
          sits,
        })),
    )
  }

  /** Gives each taker the first giver that suits it best; `suits` answers a rank, lower is better, undefined for never. */
  const match = (
    edited: Edited,
    givers: readonly Loose[],
    takers: readonly Loose[],
    suits: (giver: Loose, taker: Loose) => number | undefined,
  ): Edited => {
    const left = [...givers]
    return takers.reduce((next, taker) => {
      const ranked = left
        .filter((giver) => giver.ref.device !== taker.ref.device)
        .flatMap((giver) => {
          const rank = suits(giver, taker)
          return rank === undefined ? [] : [{ giver, rank }]
        })
        .sort((a, b) => a.rank - b.rank)
      const best = ranked[0]?.giver
      if (!best) return next
      left.splice(left.indexOf(best), 1)
      return connect(next, best.ref, taker.ref)
    }, edited)
  }

  /** Inputs for a place of their own take the probes made for it first; then the plain inputs; what is left over fills the rest. */
  const joinProbes = (edited: Edited) => {
    const pass = (next: Edited, suits: (giver: Loose, feels: ProbePlace | undefined) => number | undefined) =>
      match(
        next,
        loose(next, 'from').filter(({ port }) => port.kind === 'probe-out'),
        loose(next, 'to').filter(({ port }) => port.kind === 'probe-in'),
        (giver, { port }) => (port.kind === 'probe-in' ? suits(giver, port.feels) : undefined),
      )
    const sitsAt = ({ sits, probe }: Loose) => sits ?? Object.keys(probe?.places ?? {})[0]
    const made = (giver: Loose, feels: ProbePlace) => sitsAt(giver) === feels || giver.probe?.places?.[feels] === true
    const elsewhere = (giver: Loose) => ['outdoor', 'coil'].includes(sitsAt(giver) ?? '')
    const own = pass(edited, (giver, feels) => (feels !== undefined && made(giver, feels) ? 0 : undefined))
    const plain = pass(own, (giver, feels) => (feels === undefined ? (elsewhere(giver) ? 1 : 0) : undefined))
    return pass(plain, () => 0)
  }

  const joinMeasures = (edited: Edited) =>
    match(
      edited,
      loose(edited, 'from').filter(({ port }) => port.kind === 'measure-out'),
      loose(edited, 'to').filter(({ port }) => port.kind === 'measure-in'),
      ({ port: out }, { port: input }) =>
        out.kind === 'measure-out' && input.kind === 'measure-in' && out.measures === input.measures
          ? out.signal === input.signal
            ? 0
            : 1
          : undefined,
    )

  const joinSignals = (edited: Edited) =>
    match(
      edited,
      loose(edited, 'from').filter(({ port }) => port.kind === 'signal-out'),
      loose(edited, 'to').filter(({ port }) => port.kind === 'signal-in'),
      ({ port: out }, { port: input }) =>
        out.kind === 'signal-out' && input.kind === 'signal-in' ? (out.signal === input.signal ? 0 : 1) : undefined,
    )

  const joinPairs = (edited: Edited) => {
    const takers = loose(edited, 'to').filter(({ port }) => port.kind === 'pair')
    const givers = loose(edited, 'from').filter(({ port }) => port.kind === 'pair')
    return takers
      .slice(1)
      .reduce(
        (next, taker, i) =>
          givers[i] && givers[i].ref.device !== taker.ref.device ? connect(next, givers[i].ref, taker.ref) : next,
        edited,
      )
  }

  /** Each output without a load gets the next load, or the next call, that its role is for. */
  const joinLoads = (edited: Edited) => {
    const outputs = loose(edited, 'from').filter(
      ({ port }) => port.kind === 'contact' && (port.movedBy === 'control' || port.role === 'timer'),
    )
    const taken = loose(edited, 'to').filter(({ port }) => port.kind === 'load' || port.kind === 'contact-in')
    const left = [...outputs]
    return taken.reduce((next, taker) => {
      const at = left.findIndex(
        ({ ref, port }) => ref.device !== taker.ref.device && suitsRole(port as ContactPort, taker.port),
      )
      const [output] = at < 0 ? [] : left.splice(at, 1)
      return output ? connect(next, output.ref, taker.ref) : next
    }, edited)
  }

  /** A loose contact of a limiter or a permissive goes into the line of the first load that has none of its sort yet. */
  const joinProtections = (edited: Edited) =>
    loose(edited, 'to')
      .filter(
        ({ ref, port, category }) =>
          (category === 'limiter' || category === 'permissive') &&
          port.kind === 'contact' &&
          !Object.values(edited.loop.chain.connections).some(({ from }) => isSame(from, ref)),
      )
      .reduce((next, { ref, category, port }) => {
        const rated =
          port.kind === 'contact' ? Math.max(0, ...Object.values(port.ratings).map(({ volts }) => volts)) : 0
        const chain = chainOf(next)
        const lines: readonly Line<LoadPort | ContactInPort>[] =
          category === 'limiter' ? powerPaths(chain) : [...callPaths(chain), ...powerPaths(chain)]
        const line = lines.find(
          ({ loadPort, contacts, connections }) =>
            loadPort.does !== 'none' &&
            loadPort.does !== 'light' &&
            rated >= voltsOf(loadPort) &&
            (category === 'permissive' || loadPort.does !== 'cooling') &&
            connections.length > 0 &&
            !contacts.some(({ device }) => device.facts.category === category),
        )
        const last = line?.connections.at(-1)
        if (!last || last.fromPort.kind === 'supply-out') return next
        const cut = drop(next, (c) => isSame(c.from, last.from) && isSame(c.to, last.to))
        return connect(connect(cut, last.from, ref), ref, last.to)
      }, edited)

  /**
   * Feeds supply inputs and the heads of lines from a supply of the job whose voltage suits. Where none does, one that this loop has
   * already (or was just given) is tried, so that it is seen not to fit; what only other loops use is left alone then.
   */
  const joinSupplies = (edited: Edited): Edited => {
    const chain = chainOf(edited)
    const supplies = [
      ...loose(edited, 'from'),
      ...chain.connections.map(({ from, fromPort }) => ({ ref: from, port: fromPort })),
    ].flatMap(({ ref, port }) => (port.kind === 'supply-out' && !port.movedBy ? [{ ref, port }] : []))
    /** What this loop is fed from, what was fed last first: of two circuits that fit, the loop's own before another loop's. */
    const here = [
      ...new Set([
        ...(alsoShared === undefined ? [] : [alsoShared]),
        ...[...chain.connections].reverse().flatMap(({ from, to }) => [to.device, from.device]),
      ]),
    ]
    const heads = new Map(
      powerPaths(chain).flatMap((line) => {
        const [head] = line.contacts
        return head && !line.supply && !head.port.fed && lineVoltage(chain, line) === undefined
          ? [[`${head.device.id}.${head.portId}`, line.loadPort.load] as const]
          : []
      }),
    )
    return loose(edited, 'to').reduce((next, { ref, port }) => {
      const load = heads.get(`${ref.device}.${ref.port}`)
      if (port.kind !== 'supply-in' && !load) return next
      const others = supplies.filter((each) => each.ref.device !== ref.device)
      const fits = others.filter(({ port: out }) =>
        port.kind === 'supply-in' ? supplyVariant(out, port.variants) !== undefined : suitsLoad(out, load!),
      )
      const own = (list: typeof others) => here.flatMap((id) => list.find((each) => each.ref.device === id) ?? [])[0]
      const best = own(fits) ?? fits[0] ?? own(others)
      return best ? connect(next, best.ref, ref) : next
    }, edited)
  }

  /** A supply that was just put in takes over what an unfit one feeds and it could. */
  const takeOver = (edited: Edited): Edited => {
    if (alsoShared === undefined) return edited
    const chain = chainOf(edited)
    const profile = edited.job.profiles[edited.job.devices[alsoShared]?.profile ?? '']
    const out = Object.values(profile?.ports ?? {}).find((port): port is SupplyOutPort => port.kind === 'supply-out')
    if (!out) return edited
    const lines = powerPaths(chain)
    return drop(edited, (c) => {
      if (c.from.device === alsoShared || c.to.device === alsoShared) return false
      const resolved = chain.connections.find((each) => isSame(each.from, c.from) && isSame(each.to, c.to))
      if (resolved?.fromPort.kind !== 'supply-out' || resolved.fromPort.movedBy) return false
      const { fromPort, toPort, id } = resolved
      if (toPort.kind === 'supply-in')
        return (
          supplyVariant(fromPort, toPort.variants) === undefined && supplyVariant(out, toPort.variants) !== undefined
        )
      const load = lines.find(({ connections }) => connections.some((each) => each.id === id))?.loadPort.load
      return load !== undefined && !suitsLoad(fromPort, load) && suitsLoad(out, load)
    })
  }

  /** A motor takes the output of its drive. */
  const joinDrives = (edited: Edited) =>
    match(
      edited,
      loose(edited, 'from').filter(({ port }) => port.kind === 'supply-out' && port.movedBy !== undefined),
      loose(edited, 'to').filter(
        ({ port }) => port.kind === 'load' && port.load.kind === 'motor' && port.does !== 'none',
      ),
      ({ port: out }, { port: motor }) =>
        out.kind === 'supply-out' && motor.kind === 'load' && out.l3 !== undefined && motor.l3 !== undefined
          ? 0
          : undefined,
    )

  return [
    takeOver,
    joinProbes,
    joinMeasures,
    joinDrives,
    joinSignals,
    joinPairs,
    joinLoads,
    joinProtections,
    joinSupplies,
  ].reduce((next, join) => join(next), start)
}

const voltsOf = (port: LoadPort | ContactInPort) => (port.kind === 'load' ? port.load.volts : port.wets.volts)

/** Whether a supply has the voltage and the kind of current of a load. */
const suitsLoad = (out: SupplyOutPort, load: ElectricLoad) =>
  Math.abs(voltsAcross(out, load.phases) - load.volts) <= 0.1 * load.volts &&
  (out.current === 'dc') === (load.kind === 'dc')

function suitsRole({ role }: ContactPort, taker: Port): boolean {
  if (taker.kind === 'load' && taker.role !== undefined) return taker.role === role
  if (role === 'open' || role === 'close') return false
  const does = 'does' in taker ? taker.does : 'none'
  if (role === undefined) return CONTROLLED.has(does)
  return wantedBy[role]?.has(does) ?? false
}
