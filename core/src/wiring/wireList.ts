import { inLocalWords } from '../words/localWords'
import type { ResolvedChain, ResolvedConnection, ResolvedDevice } from '../document/chain'
import type { RowState } from '../document/documents'
import { callPaths, lineVoltage, type PowerPath, powerPaths, supplyOf } from './powerPath'
import type { Effect } from '../choices/deviceChoices'
import type { SignalInPort } from '../device/deviceProfile'
import type { Practice } from '../units/practice'
import { conductorFor, type Wear, type WireRole } from './conductor'
import { EXTRA_LOW_V } from '../units/peopleLimits'
import { feedersOf } from './feeders'
import { mainSource, sourceOf, type Source } from './sources'
import { voltsAcross } from './voltsAcross'
import { supplyVariant } from './supplyVariant'
import { terminalLabel } from './terminalLabel'
import { type Fed, rowId, type WireEnd, type WireList, type WireRow } from './wireRow'

interface Draft extends Omit<WireRow, 'number' | 'liveFrom' | 'cable'> {
  readonly connection: string
  readonly cableOf?: { readonly connection: string; readonly screenAt: readonly string[] }
  readonly forbidden?: string
}

/** What a row carries: the class of its circuit, where that comes from, and what protects it. */
interface Carries {
  readonly circuit: 'mains' | 'extra-low'
  readonly source: Source | undefined
  readonly protectionA: number
  readonly fedBy?: Fed
  /** Direct current: plus and minus are told apart. */
  readonly dc?: boolean
  /** Two hots and no neutral between load and supply. */
  readonly split?: boolean
  /** What its load does, where it is a control circuit. */
  readonly does?: Effect | 'hot'
}

type End = readonly [device: ResolvedDevice, terminal: string]

const thin = (role: WireRole) => role === 'probe' || role === 'signal' || role === 'screen'
const classOf = ([device, terminal]: End) => device.facts.terminals[terminal]?.voltageClass

const end = ([device, terminal]: End): WireEnd => ({
  device: device.id,
  tag: device.tag,
  deviceName: device.name,
  terminal,
  label: terminalLabel(device.facts, terminal),
})

/** Everything a rule needs to make rows of one connection. */
class Rows {
  constructor(
    readonly chain: ResolvedChain,
    readonly practice: Practice,
  ) {}

  row(
    connection: string,
    from: End,
    to: End,
    role: WireRole,
    carries: Carries,
    more: Partial<Draft> = {},
    phase?: Wear['phase'],
  ): Draft {
    const [a, b] = [end(from), end(to)]
    const { circuit, source, protectionA, fedBy } = carries
    const worn: WireRole =
      circuit === 'extra-low' && !thin(role) && role !== 'earth' && role !== 'motor' ? 'control' : role
    const crossed =
      circuit === 'mains' && role !== 'earth' && [from, to].some((each) => classOf(each) === 'extra-low')
        ? inLocalWords(
            this.practice,
            `Mains on an extra-low terminal: ${a.tag} ${a.label} to ${b.tag} ${b.label} is never wired.`,
          )
        : undefined
    return {
      id: rowId(a, b),
      from: a,
      to: b,
      role,
      circuit,
      source,
      conductor: conductorFor(worn, this.practice, protectionA, {
        ...(phase === undefined ? {} : { phase }),
        ...(carries.dc ? { pole: role === 'neutral' ? '-' : '+' } : {}),
        ...(worn === 'control' ? { control: calls(role, carries.does) } : {}),
        marked75: [from, to].every(([device]) => device.facts.marked75 === true),
      }),
      ...(phase === undefined ? {} : { phase }),
      connection,
      serves: [],
      ...(fedBy === undefined || role === 'earth' ? {} : { fedBy }),
      ...(crossed === undefined ? {} : { forbidden: crossed }),
      ...more,
      ...(more.hint === undefined ? {} : { hint: inLocalWords(this.practice, more.hint) }),
    }
  }

  /** Two wires of a cable with its screen, earthed where it is taken in and free at the far end. */
  pair(
    { id, from, to, fromDevice, toDevice }: ResolvedConnection,
    cores: readonly (readonly [string, string])[],
    role: 'probe' | 'signal',
    earthedAt: ResolvedDevice,
    more: readonly Partial<Draft>[] = [],
  ): Draft[] {
    const carries: Carries = { circuit: 'extra-low', source: sourceOf(this.chain, earthedAt), protectionA: 0 }
    const cableOf = { connection: id, screenAt: [earthedAt.tag] }
    const far = earthedAt.id === toDevice.id ? fromDevice : toDevice
    const rows = cores.map(([a, b], i) =>
      this.row(id, [fromDevice, a], [toDevice, b], role, carries, { cableOf, ...more[i] }),
    )
    const screen = this.row(
      id,
      [fromDevice, `screen.${from.port}`],
      [toDevice, `screen.${to.port}`],
      'screen',
      carries,
      { cableOf, hint: `Earthed at ${earthedAt.tag} alone; at ${far.tag} cut back and taped.` },
    )
    const named = (device: ResolvedDevice) => (device.id === earthedAt.id ? 'SCR' : 'cut')
    return [
      ...rows,
      {
        ...screen,
        from: { ...screen.from, label: named(fromDevice) },
        to: { ...screen.to, label: named(toDevice) },
      },
    ]
  }

  /** Class, source and protection of what a supply gives. */
  given(device: ResolvedDevice, portId: string, phases?: number): Carries {
    const port = device.facts.ports[portId]
    if (port?.kind !== 'supply-out') return { circuit: 'extra-low', source: undefined, protectionA: 0 }
    return {
      circuit: port.volts > EXTRA_LOW_V ? 'mains' : 'extra-low',
      source: sourceOf(this.chain, device),
      protectionA: port.protectionA,
      fedBy: { tag: device.tag, volts: voltsAcross(port, phases), protectionA: port.protectionA },
      dc: port.current === 'dc',
      split: port.midpoint !== undefined,
    }
  }
}

/** What a wire of an extra-low control circuit is there for. */
const calls = (role: WireRole, does: Carries['does']): NonNullable<Wear['control']> =>
  role === 'neutral' ? 'return' : role === 'line' ? 'hot' : (does ?? 'none')

/** Rules that make rows of a connection; each looks at the ports alone. */
type RowRule = (connection: ResolvedConnection, rows: Rows) => Draft[]

const probeRows: RowRule = (connection, rows) => {
  const { fromPort, toPort, toDevice } = connection
  return fromPort.kind === 'probe-out' && toPort.kind === 'probe-in'
    ? rows.pair(
        connection,
        [
          [fromPort.a, toPort.a],
          [fromPort.b, toPort.b],
        ],
        'probe',
        toDevice,
      )
    : []
}

/**
 * Whether the minus of a signal may join the commons of two devices: where it is the supply's own, every device on that
 * secondary must be half-wave, or all isolated, by its leaflet.
 */
function bridgeOf(
  chain: ResolvedChain,
  { fromPort, fromDevice, toDevice }: ResolvedConnection,
): Partial<Draft> | undefined {
  if (fromPort.kind !== 'signal-out' || fromPort.common !== 'supply') return undefined
  const [a, b] = [supplyOf(chain, fromDevice.id), supplyOf(chain, toDevice.id)]
  if (!a || !b || a.fromPort.kind !== 'supply-out' || a.fromPort.current !== 'ac') return undefined
  if (a.fromDevice.id !== b.fromDevice.id)
    return { hint: `Joins the 0 of ${a.fromDevice.tag} and of ${b.fromDevice.tag}: earth it at one point only.` }
  const onIt = chain.connections
    .filter(({ from, fromPort: port, toPort }) => {
      return from.device === a.from.device && port.kind === 'supply-out' && toPort.kind === 'supply-in'
    })
    .map(({ toDevice: device }) => device)
  const unfit = onIt.find(({ facts }) => facts.controller?.rectifies === 'full')
  return unfit
    ? {
        forbidden: `${unfit.tag} rectifies both half waves: a common wire shorts ${a.fromDevice.tag}. Give it a transformer of its own.`,
      }
    : {
        hint: `Joins the commons on ${a.fromDevice.tag}: all half-wave and in phase by their leaflets; earth one point.`,
      }
}

/** A signal has two wires, plus to plus; a two-wire transmitter is fed through the same two. */
const signalRows: RowRule = (connection, rows) => {
  const { fromPort, toPort, fromDevice, toDevice } = connection
  const measured = fromPort.kind === 'measure-out' && toPort.kind === 'measure-in'
  const given = fromPort.kind === 'signal-out' && toPort.kind === 'signal-in'
  if (!measured && !given) return []
  const common = given ? commonOf(rows.chain, connection) : undefined
  if (common !== undefined)
    return [
      ...rows.pair(connection, [[fromPort.plus, toPort.plus]], 'signal', fromDevice),
      commonBridge(rows, connection, common),
    ]
  const bridge = bridgeOf(rows.chain, connection)
  return rows.pair(
    connection,
    [
      [fromPort.plus, toPort.plus],
      [fromPort.minus, toPort.minus],
    ],
    'signal',
    given ? fromDevice : toDevice,
    bridge ? [bridge.forbidden === undefined ? {} : bridge, bridge] : [],
  )
}

/**
 * The common of a device's own supply through which a signal comes back: whoever gives it is fed by that supply and has one terminal for
 * the minus of both.
 */
function commonOf(chain: ResolvedChain, { fromPort, fromDevice, toPort, toDevice }: ResolvedConnection) {
  if (toPort.kind !== 'signal-in' || fromPort.kind !== 'signal-out' || toPort.bridgedTo === undefined) return undefined
  const feed = supplyOf(chain, fromDevice.id)
  if (feed?.from.device !== toDevice.id || feed.fromPort.kind !== 'supply-out' || feed.toPort.kind !== 'supply-in')
    return undefined
  const taken = supplyVariant(feed.fromPort, feed.toPort.variants)
  return feed.fromPort.neutral === toPort.bridgedTo && taken?.neutral === fromPort.minus ? toPort.bridgedTo : undefined
}

/** The bridge at the device between the common of its supply and that of its signal. */
function commonBridge(rows: Rows, { id, fromDevice, toDevice, toPort }: ResolvedConnection, common: string): Draft {
  const minus = (toPort as SignalInPort).minus
  const label = (terminal: string) => terminalLabel(toDevice.facts, terminal)
  const carries: Carries = { circuit: 'extra-low', source: sourceOf(rows.chain, toDevice), protectionA: 0 }
  return rows.row(id, [toDevice, common], [toDevice, minus], 'signal', carries, {
    hint: `Bridge at ${toDevice.tag}: the signal of ${fromDevice.tag} comes back through ${label(common)}. Without it ${label(minus)} floats and the speed wanders.`,
  })
}

/** Three wires from unit to unit; the screen is carried through and earthed at the first. */
const pairRows: RowRule = (connection, rows) => {
  const { fromPort, toPort, fromDevice } = connection
  return fromPort.kind === 'pair' && toPort.kind === 'pair'
    ? rows.pair(
        connection,
        (['a', 'b', 'common'] as const).map((wire) => [fromPort[wire], toPort[wire]] as const),
        'signal',
        fromDevice,
      )
    : []
}

interface Feet {
  readonly line: string
  readonly neutral: string
  readonly earth?: string
  readonly l2?: string
  readonly l3?: string
}

/** Wires from a supply to what it feeds: line and neutral, further phases and earth where both have them. */
function feedRows(
  rows: Rows,
  connection: string,
  from: readonly [ResolvedDevice, Feet],
  to: readonly [ResolvedDevice, Feet],
  carries: Carries,
  without: ReadonlySet<keyof Feet> = new Set(),
  motor?: Partial<Draft>,
): Draft[] {
  const wire = (key: keyof Feet, as: WireRole, phase?: Wear['phase']): Draft[] => {
    const [a, b] = [from[1][key], to[1][key]]
    if (a === undefined || b === undefined || without.has(key)) return []
    const role = motor && as !== 'earth' ? 'motor' : as
    return [rows.row(connection, [from[0], a], [to[0], b], role, carries, motor, motor ? undefined : phase)]
  }
  const several = carries.split === true || (from[1].l2 !== undefined && to[1].l2 !== undefined)
  return [
    ...wire('line', 'line', several ? 1 : undefined),
    ...wire('l2', 'line', 2),
    ...wire('l3', 'line', 3),
    ...(carries.split ? wire('neutral', 'line', 2) : wire('neutral', 'neutral')),
    ...wire('earth', 'earth'),
  ]
}

/** The supply decides the terminals: no pair for this voltage, no rows. Units of one pair hand a shared extra-low supply on. */
const supplyRows: RowRule = (connection, rows) => {
  const { id, from, fromPort, toPort, fromDevice, toDevice } = connection
  if (fromPort.kind !== 'supply-out' || toPort.kind !== 'supply-in') return []
  const variant = supplyVariant(fromPort, toPort.variants)
  if (!variant) return []
  const carries = rows.given(fromDevice, from.port)
  const before = carries.circuit === 'extra-low' ? handedOnBy(rows.chain, connection) : undefined
  const made = before
    ? feedRows(rows, id, [before.device, before.feet], [toDevice, variant], carries).map((row) => ({
        ...row,
        hint: `Supply pair of the daisy chain: handed on by ${before.device.tag}.`,
      }))
    : feedRows(rows, id, [fromDevice, fromPort], [toDevice, variant], carries)
  return serving(made, `${toDevice.id}.${connection.to.port}`)
}

/** Rows that carry the current of one more load. An earth carries none. */
const serving = (drafts: readonly Draft[], load: string): Draft[] =>
  drafts.map((draft) => (draft.role === 'earth' || draft.role === 'screen' ? draft : { ...draft, serves: [load] }))

/** The unit before this one on a pair, where both hang on the same supply. */
function handedOnBy(
  chain: ResolvedChain,
  { from, toDevice }: ResolvedConnection,
): { readonly device: ResolvedDevice; readonly feet: Feet } | undefined {
  const pair = chain.connections.find(({ fromPort, to }) => fromPort.kind === 'pair' && to.device === toDevice.id)
  const feed = pair && supplyOf(chain, pair.from.device)
  if (!feed || feed.from.device !== from.device || feed.fromPort.kind !== 'supply-out') return undefined
  const feet = feed.toPort.kind === 'supply-in' ? supplyVariant(feed.fromPort, feed.toPort.variants) : undefined
  return feet && { device: pair.fromDevice, feet }
}

const byConnection: readonly RowRule[] = [supplyRows, probeRows, signalRows, pairRows]

const makeOf = ({ fromPort }: ResolvedConnection) =>
  fromPort.kind === 'supply-out' ? fromPort.line : fromPort.kind === 'contact' ? fromPort.make : ''

/** Line of each load along every way that feeds it, contacts in parallel included, then its way back and its earth. */
function lineRows(rows: Rows): Draft[] {
  return powerPaths(rows.chain).flatMap((line) => serving(lineOf(rows, line), `${line.load.id}.${line.portId}`))
}

function lineOf(rows: Rows, line: PowerPath): Draft[] {
  const { chain } = rows
  const { load, loadPort, portId } = line
  const { connections, heads } = feedersOf(chain, load.id, portId)
  if (connections.length === 0) return []
  const supply = heads.find((head) => head.kind === 'supply')
  const fed = heads.find((head) => head.kind === 'fed')
  const volts = lineVoltage(chain, line)?.volts ?? supply?.port.volts ?? loadPort.load.volts
  const moved = supply?.port.movedBy !== undefined
  const carries: Carries = supply
    ? { ...rows.given(supply.device, supply.portId, loadPort.load.phases), does: loadPort.does }
    : {
        does: loadPort.does,
        dc: lineVoltage(chain, line)?.current === 'dc',
        circuit: volts > EXTRA_LOW_V ? 'mains' : 'extra-low',
        source: fed && sourceOf(chain, fed.device),
        protectionA: protectionOf(chain, fed?.device) ?? 10,
        ...(fed ? { fedBy: { tag: fed.device.tag, volts, protectionA: protectionOf(chain, fed.device) ?? 10 } } : {}),
      }
  const motor: Partial<Draft> | undefined = moved
    ? { cableOf: { connection: connections[0]!.id, screenAt: [supply.device.tag, load.tag] } }
    : undefined
  const along = connections.map((connection) => {
    const { id, fromDevice, fromPort, toDevice, toPort } = connection
    const into = toPort.kind === 'contact' ? toPort.common : toPort.kind === 'load' ? toPort.line : ''
    const role = motor ? 'motor' : fromPort.kind === 'supply-out' ? 'line' : 'switched'
    const from: End = [fromDevice, makeOf(connection)]
    const first = carries.split === true || (supply?.port.l3 !== undefined && loadPort.l3 !== undefined)
    return rows.row(id, from, [toDevice, into], role, carries, motor, first && !motor ? 1 : undefined)
  })
  const last = connections[0]!.id
  if (supply) {
    const [from, to] = [
      [supply.device, supply.port],
      [load, loadPort],
    ] as const
    const three = !motor && supply.port.l3 !== undefined && loadPort.l3 !== undefined
    const broken = three ? threeLegs(rows, last, supply, line, carries) : twoLegs(rows, last, supply, line, carries)
    const own: ReadonlySet<keyof Feet> = new Set(broken.map(({ foot }) => foot))
    // A load of three phases that has no neutral names its earth in its place.
    const bare: readonly (keyof Feet)[] = three && loadPort.neutral === loadPort.earth ? ['neutral'] : []
    return [
      ...along,
      ...broken.flatMap(({ drafts }) => drafts),
      ...feedRows(rows, last, from, to, carries, new Set([...own, ...bare, 'line']), motor),
      ...(motor ? [motorScreen(rows, last, supply.device, load, carries, motor)] : []),
    ]
  }
  // A contact that feeds the line itself has the way back on the same device.
  return fed
    ? [
        ...along,
        rows.row(
          last,
          [fed.device, (fed.port as { common: string }).common],
          [load, loadPort.neutral],
          'neutral',
          carries,
        ),
      ]
    : along
}

/** A leg of a line beside its first: the foot that it leads to, and its wires. */
interface Leg {
  readonly foot: keyof Feet
  readonly drafts: readonly Draft[]
}
interface Pole {
  readonly common: string
  readonly make: string
}
type Head = { readonly device: ResolvedDevice; readonly port: Feet }

/** Wires of one leg from the supply through a pole of each contact that has it, in the order in which the current meets them. */
function legOf(
  rows: Rows,
  connection: string,
  ends: readonly [End, End],
  poles: readonly (readonly [ResolvedDevice, Pole])[],
  [role, broken]: readonly [WireRole, WireRole],
  carries: Carries,
  phase: Wear['phase'],
): Draft[] {
  const feet: readonly (readonly [End | undefined, End | undefined])[] = [
    [undefined, ends[0]],
    ...poles.map(([device, { common, make }]): readonly [End, End] => [
      [device, common],
      [device, make],
    ]),
    [ends[1], undefined],
  ]
  return feet
    .slice(1)
    .map(([to], i) => rows.row(connection, feet[i]![1]!, to!, i > 0 ? broken : role, carries, {}, phase))
}

const polesOf = (contacts: PowerPath['contacts'], pole: 'second' | 'third') =>
  contacts.flatMap(({ device, port }): (readonly [ResolvedDevice, Pole])[] =>
    port[pole] ? [[device, port[pole]]] : [],
  )

/** The other leg of a line, where a second pole breaks it. */
function twoLegs(
  rows: Rows,
  connection: string,
  { device, port }: Head,
  { contacts, load, loadPort }: PowerPath,
  carries: Carries,
): readonly Leg[] {
  const poles = polesOf(contacts, 'second')
  if (poles.length === 0) return []
  const ends: readonly [End, End] = [
    [device, port.neutral],
    [load, loadPort.neutral],
  ]
  const wears: readonly [WireRole, WireRole] = carries.split ? ['line', 'switched'] : ['neutral', 'neutral']
  return [
    { foot: 'neutral', drafts: legOf(rows, connection, ends, poles, wears, carries, carries.split ? 2 : undefined) },
  ]
}

/** The second and the third phase of a line, each through the poles that break it. */
function threeLegs(
  rows: Rows,
  connection: string,
  { device, port }: Head,
  { contacts, load, loadPort }: PowerPath,
  carries: Carries,
): readonly Leg[] {
  return (
    [
      ['l2', 'second', 2],
      ['l3', 'third', 3],
    ] as const
  ).flatMap(([foot, pole, phase]): Leg[] => {
    const poles = polesOf(contacts, pole)
    const [from, to] = [port[foot], loadPort[foot]]
    if (poles.length === 0 || from === undefined || to === undefined) return []
    const ends: readonly [End, End] = [
      [device, from],
      [load, to],
    ]
    return [{ foot, drafts: legOf(rows, connection, ends, poles, ['line', 'switched'], carries, phase) }]
  })
}

const protectionOf = (chain: ResolvedChain, device: ResolvedDevice | undefined) => {
  const feed = device && supplyOf(chain, device.id)?.fromPort
  return feed?.kind === 'supply-out' ? feed.protectionA : undefined
}

function motorScreen(
  rows: Rows,
  connection: string,
  drive: ResolvedDevice,
  motor: ResolvedDevice,
  carries: Carries,
  more: Partial<Draft>,
): Draft {
  const screen = rows.row(connection, [drive, 'screen.motor'], [motor, 'screen.motor'], 'screen', carries, {
    ...more,
    hint: `Round clamp on bare braid at both ends, ${drive.tag} and ${motor.tag}; no pigtail.`,
  })
  return { ...screen, from: { ...screen.from, label: 'SCR' }, to: { ...screen.to, label: 'SCR' } }
}

/** A dry-contact input wets its own circuit: out of one terminal, through every contact, back into the other. */
function callRows(rows: Rows): Draft[] {
  const { chain } = rows
  return callPaths(chain).flatMap(({ load, portId, loadPort }) => {
    const { connections, heads } = feedersOf(chain, load.id, portId)
    const carries: Carries = {
      circuit: classOf([load, loadPort.a]) ?? 'extra-low',
      source: sourceOf(chain, load),
      protectionA: 0,
      does: loadPort.does,
    }
    const out = heads.flatMap((head) =>
      head.kind === 'supply'
        ? []
        : [
            rows.row(
              connections[0]?.id ?? '',
              [load, loadPort.a],
              [head.device, head.port.common],
              'control',
              { ...carries, does: 'hot' },
              head.kind === 'fed'
                ? { forbidden: `${head.device.tag} puts its own voltage out: ${load.tag} wants a dry contact.` }
                : {},
            ),
          ],
    )
    const onward = connections.flatMap((connection) => {
      const { id, fromDevice, fromPort, toDevice, toPort } = connection
      const into = toPort.kind === 'contact' ? toPort.common : toPort.kind === 'contact-in' ? toPort.b : ''
      const live =
        fromPort.kind === 'supply-out' || (fromPort.kind === 'contact' && fromPort.fed)
          ? { forbidden: `${fromDevice.tag} puts voltage on it: ${load.tag} wants a dry contact.` }
          : {}
      return [rows.row(id, [fromDevice, makeOf(connection)], [toDevice, into], 'control', carries, live)]
    })
    return serving([...out, ...onward], `${load.id}.${portId}`)
  })
}

/** Mains before what transformers and power supplies make of it. */
const fromTheRoot = (drafts: readonly Draft[]) => [
  ...drafts.filter(({ circuit }) => circuit === 'mains'),
  ...drafts.filter(({ circuit }) => circuit !== 'mains'),
]

/** Numbers as kept on wires that are landed; whatever is free for the others, in order. */
function numbered(drafts: readonly Draft[], states: Readonly<Record<string, RowState>>): readonly number[] {
  const kept = drafts.map(({ id }) => states[id]?.number)
  const taken = new Set(kept.filter((n) => n !== undefined))
  let next = 1
  return kept.map((number) => {
    if (number !== undefined) return number
    while (taken.has(next)) next++
    return next++
  })
}

/**
 * The terminal-to-terminal list of a chain, made by rules and never drawn by hand: supplies first, then each load's line and
 * each call, then probes and signals. Two rules that ask for the same wire give one row. What must not be wired is withheld, with the
 * reason.
 * @param states what is kept of each row: a wire that carries its number keeps it
 */
export function wireList(
  chain: ResolvedChain,
  practice: Practice,
  states: Readonly<Record<string, RowState>> = {},
): WireList {
  const rows = new Rows(chain, practice)
  const byRule = chain.connections.flatMap((connection) => byConnection.flatMap((rule) => rule(connection, rows)))
  const all = [
    ...fromTheRoot(byRule.filter(({ role }) => !thin(role))),
    ...lineRows(rows),
    ...callRows(rows),
    ...byRule.filter(({ role }) => thin(role)),
  ]
  const byId = new Map<string, Draft>()
  for (const draft of all) {
    const had = byId.get(draft.id)
    byId.set(draft.id, had ? { ...draft, serves: [...new Set([...had.serves, ...draft.serves])] } : draft)
  }
  const unique = [...byId.values()]
  const made = unique.filter(({ forbidden }) => forbidden === undefined)
  const main = mainSource(chain)
  const cables = [...new Set(made.flatMap(({ cableOf }) => (cableOf ? [cableOf.connection] : [])))]
  const numbers = numbered(made, states)
  return {
    main,
    rows: made.map(({ connection: _c, forbidden: _f, cableOf, ...row }, i) => ({
      ...row,
      number: numbers[i]!,
      ...(row.source && main && row.source.device !== main.device ? { liveFrom: row.source.tag } : {}),
      ...(cableOf ? { cable: { tag: `W${cables.indexOf(cableOf.connection) + 1}`, screenAt: cableOf.screenAt } } : {}),
    })),
    withheld: unique.flatMap(({ connection, from, to, forbidden }) =>
      forbidden === undefined ? [] : [{ connection, from, to, reason: forbidden }],
    ),
  }
}
