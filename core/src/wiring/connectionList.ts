import type { ResolvedChain, ResolvedConnection, ResolvedDevice } from '../job/chain'
import { type Conductor, conductorFor, type Practice, type WireRole } from './conductor'
import { powerPaths } from './powerPath'
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
  const worn: WireRole = circuit === 'extra-low' && role !== 'probe' ? 'control' : role
  return { id: rowId(a, b), from: a, to: b, role, circuit, conductor: conductorFor(worn, practice, protectionA) }
}

const probeRows: RowRule = ({ fromPort, toPort, fromDevice, toDevice }, practice) =>
  fromPort.kind === 'probe-out' && toPort.kind === 'probe-in'
    ? [
        row([fromDevice, fromPort.a], [toDevice, toPort.a], 'probe', practice, 0),
        row([fromDevice, fromPort.b], [toDevice, toPort.b], 'probe', practice, 0),
      ]
    : []

/** The supply decides the terminals: no variant for this voltage, no rows. */
const supplyRows: RowRule = ({ fromPort, toPort, fromDevice, toDevice }, practice) => {
  if (fromPort.kind !== 'supply-out' || toPort.kind !== 'supply-in') return []
  const variant = supplyVariant(fromPort, toPort.variants)
  if (!variant) return []
  const rows = [
    row([fromDevice, fromPort.line], [toDevice, variant.line], 'line', practice, fromPort.protectionA),
    row([fromDevice, fromPort.neutral], [toDevice, variant.neutral], 'neutral', practice, fromPort.protectionA),
  ]
  if (fromPort.earth && variant.earth)
    rows.push(row([fromDevice, fromPort.earth], [toDevice, variant.earth], 'earth', practice, fromPort.protectionA))
  return rows
}

const rules: readonly RowRule[] = [supplyRows, probeRows]

/** Line of each load through its contacts, then its way back and its earth. */
function pathRows(chain: ResolvedChain, practice: Practice): Draft[] {
  return powerPaths(chain).flatMap(({ connections, load, loadPort, supply }) => {
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
    if (!supply) return rows
    rows.push(row([supply.device, supply.port.neutral], [load, loadPort.neutral], 'neutral', practice, protectionA))
    if (supply.port.earth && loadPort.earth)
      rows.push(row([supply.device, supply.port.earth], [load, loadPort.earth], 'earth', practice, protectionA))
    return rows
  })
}

/**
 * The terminal-to-terminal list of a chain, made by rules and never drawn by hand: supplies first, then each load's line,
 * then probes. Two rules that ask for the same wire give one row.
 */
export function connectionList(chain: ResolvedChain, practice: Practice): WireRow[] {
  const byRule = chain.connections.flatMap((connection) => rules.flatMap((rule) => rule(connection, practice)))
  const all = [
    ...byRule.filter(({ role }) => role !== 'probe'),
    ...pathRows(chain, practice),
    ...byRule.filter(({ role }) => role === 'probe'),
  ]
  const unique = new Map(all.map((draft) => [draft.id, draft]))
  return [...unique.values()].map((draft, index) => ({ ...draft, number: index + 1 }))
}
