import type { ResolvedChain, ResolvedConnection, ResolvedDevice } from '../job/chain'
import { type Conductor, conductorFor, type Practice, type WireRole } from './conductor'
import { callPaths, powerPaths } from './powerPath'
import { supplyVariant } from './supplyVariant'

export interface WireEnd {
  readonly device: string
  readonly tag: string
  readonly deviceName: string
  readonly terminal: string
  readonly label: string
}

/** One wire from terminal to terminal. Its identity is its two ends, so that ticks survive changes elsewhere. */
export interface WireRow {
  readonly id: string
  readonly number: number
  readonly from: WireEnd
  readonly to: WireEnd
  readonly role: WireRole
  readonly circuit: 'mains' | 'extra-low'
  readonly conductor: Conductor
}

const thin = (role: WireRole) => role === 'probe' || role === 'signal'

type Draft = Omit<WireRow, 'number'>

const end = (device: ResolvedDevice, terminal: string): WireEnd => ({
  device: device.id,
  tag: device.tag,
  deviceName: device.name,
  terminal,
  label: device.facts.terminals[terminal]?.label ?? terminal,
})

export const rowId = (from: Pick<WireEnd, 'device' | 'terminal'>, to: Pick<WireEnd, 'device' | 'terminal'>) =>
  [`${from.device}:${from.terminal}`, `${to.device}:${to.terminal}`].sort().join('~')

/** Rules that make rows of a connection; each looks at the ports alone. */
type RowRule = (connection: ResolvedConnection, practice: Practice) => Draft[]

function row(
  from: readonly [ResolvedDevice, string],
  to: readonly [ResolvedDevice, string],
  role: WireRole,
  practice: Practice,
  protectionA: number,
): Draft {
  const a = end(...from)
  const b = end(...to)
  const classes = [from, to].map(([device, terminal]) => device.facts.terminals[terminal]?.voltageClass)
  const circuit = classes.includes('mains') ? 'mains' : 'extra-low'
  const worn: WireRole = circuit === 'extra-low' && !thin(role) ? 'control' : role
  return { id: rowId(a, b), from: a, to: b, role, circuit, conductor: conductorFor(worn, practice, protectionA) }
}

const probeRows: RowRule = ({ fromPort, toPort, fromDevice, toDevice }, practice) =>
  fromPort.kind === 'probe-out' && toPort.kind === 'probe-in'
    ? [
        row([fromDevice, fromPort.a], [toDevice, toPort.a], 'probe', practice, 0),
        row([fromDevice, fromPort.b], [toDevice, toPort.b], 'probe', practice, 0),
      ]
    : []

/** A signal has two wires, plus to plus; a two-wire transmitter is fed through the same two. */
const signalRows: RowRule = ({ fromPort, toPort, fromDevice, toDevice }, practice) =>
  (fromPort.kind === 'measure-out' && toPort.kind === 'measure-in') ||
  (fromPort.kind === 'signal-out' && toPort.kind === 'signal-in')
    ? [
        row([fromDevice, fromPort.plus], [toDevice, toPort.plus], 'signal', practice, 0),
        row([fromDevice, fromPort.minus], [toDevice, toPort.minus], 'signal', practice, 0),
      ]
    : []

const pairRows: RowRule = ({ fromPort, toPort, fromDevice, toDevice }, practice) =>
  fromPort.kind === 'pair' && toPort.kind === 'pair'
    ? (['a', 'b', 'common'] as const).map((wire) =>
        row([fromDevice, fromPort[wire]], [toDevice, toPort[wire]], 'signal', practice, 0),
      )
    : []

/** The supply decides the terminals: no variant for this voltage, no rows. */
const supplyRows: RowRule = ({ fromPort, toPort, fromDevice, toDevice }, practice) => {
  if (fromPort.kind !== 'supply-out' || toPort.kind !== 'supply-in') return []
  const variant = supplyVariant(fromPort, toPort.variants)
  if (!variant) return []
  return feedRows(fromDevice, fromPort, toDevice, variant, 'line', practice)
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
  from: ResolvedDevice,
  out: Feet & { readonly protectionA: number },
  to: ResolvedDevice,
  taken: Feet,
  role: WireRole,
  practice: Practice,
  withLine = true,
): Draft[] {
  const wire = (key: keyof Feet, as: WireRole): Draft[] => {
    const [a, b] = [out[key], taken[key]]
    return a !== undefined && b !== undefined ? [row([from, a], [to, b], as, practice, out.protectionA)] : []
  }
  return [
    ...(withLine ? wire('line', role) : []),
    ...wire('l2', role),
    ...wire('l3', role),
    ...wire('neutral', 'neutral'),
    ...wire('earth', 'earth'),
  ]
}

const rules: readonly RowRule[] = [supplyRows, probeRows, signalRows, pairRows]

/** Line of each load through its contacts, then its way back and its earth. */
function pathRows(chain: ResolvedChain, practice: Practice): Draft[] {
  return powerPaths(chain).flatMap(({ connections, contacts, load, loadPort, supply }) => {
    const protectionA = supply?.port.protectionA ?? 10
    const rows = connections.map(({ fromDevice, fromPort, toDevice, toPort }) => {
      const from = fromPort.kind === 'supply-out' ? fromPort.line : fromPort.kind === 'contact' ? fromPort.make : ''
      const to = toPort.kind === 'contact' ? toPort.common : toPort.kind === 'load' ? toPort.line : ''
      return row(
        [fromDevice, from],
        [toDevice, to],
        fromPort.kind === 'supply-out' ? 'line' : 'switched',
        practice,
        protectionA,
      )
    })
    if (supply) return [...rows, ...feedRows(supply.device, supply.port, load, loadPort, 'line', practice, false)]
    const head = contacts[0]
    // A contact that feeds the line itself has the way back on the same device.
    return head?.port.fed
      ? [...rows, row([head.device, head.port.common], [load, loadPort.neutral], 'neutral', practice, protectionA)]
      : rows
  })
}

/** A dry-contact input wets its own circuit: out of one terminal, through every contact, back into the other. */
function callRows(chain: ResolvedChain, practice: Practice): Draft[] {
  return callPaths(chain).flatMap(({ connections, contacts, load, loadPort }) => {
    const [head] = contacts
    if (!head) return []
    const out = row([load, loadPort.a], [head.device, head.port.common], 'control', practice, 0)
    const onward = connections.map(({ fromDevice, fromPort, toDevice, toPort }) =>
      row(
        [fromDevice, fromPort.kind === 'contact' ? fromPort.make : ''],
        [toDevice, toPort.kind === 'contact' ? toPort.common : toPort.kind === 'contact-in' ? toPort.b : ''],
        'control',
        practice,
        0,
      ),
    )
    return [out, ...onward]
  })
}

/**
 * The terminal-to-terminal list of a chain, made by rules and never drawn by hand: supplies first, then each load's line and
 * each call, then probes and signals. Two rules that ask for the same wire give one row.
 */
export function connectionList(chain: ResolvedChain, practice: Practice): WireRow[] {
  const byRule = chain.connections.flatMap((connection) => rules.flatMap((rule) => rule(connection, practice)))
  const all = [
    ...byRule.filter(({ role }) => !thin(role)),
    ...pathRows(chain, practice),
    ...callRows(chain, practice),
    ...byRule.filter(({ role }) => thin(role)),
  ]
  const unique = new Map(all.map((draft) => [draft.id, draft]))
  return [...unique.values()].map((draft, index) => ({ ...draft, number: index + 1 }))
}
