import type { ResolvedChain, ResolvedDevice } from '../../document/chain'
import type { Port } from '../../device/deviceProfile'
import { supplyVariant } from '../supplyVariant'
import { terminalLabel } from '../terminalLabel'
import type { WireEnd, WireRow } from '../wireRow'

/** Measures of the drawing, px. */
export const PIN = { width: 28, least: 24, gap: 4, between: 8 } as const
export const HEAD = 34
const FOOT = 10
const APART = 28
const TOP = 16
const WIDE = { narrow: 148, middle: 256 } as const
/** Px a sign of a block's name and of what is written at its terminals, taken on the wide side; and what a block is wide at most for them. */
const TITLE = { sign: 6.6, note: 5.4, most: 340 }

/** Room that the longest name in a column asks for, and the longest word at a terminal beside those of the other side. */
const titleRoom = (blocks: readonly Pick<PlannedBlock, 'device' | 'terminals'>[]) =>
  Math.min(
    TITLE.most,
    Math.max(
      ...blocks.map(({ device: { tag, name, facts }, terminals }) => {
        const sides = new Set(terminals.map(({ side }) => side)).size
        const longest = Math.max(0, ...Object.values(facts.ports).map(({ title }) => title.length))
        return Math.ceil(
          Math.max([...`${tag} ${name}`].length * TITLE.sign + 16, sides * (longest * TITLE.note + PIN.width + 16)),
        )
      }),
    ),
  )

export type Side = 'mains' | 'extra-low'
type ColumnId = 'left' | 'middle' | 'right'

/** One terminal of a strip, with the wires that land there, topmost first. */
interface PlannedTerminal {
  readonly terminal: string
  readonly label: string
  readonly side: Side
  readonly wires: readonly string[]
  /** From the top of its block. */
  readonly y: number
  readonly height: number
}

export interface PlannedBlock {
  readonly device: ResolvedDevice
  readonly column: ColumnId
  readonly terminals: readonly PlannedTerminal[]
  /** From the top of its column. */
  readonly y: number
  readonly height: number
}

interface PlannedColumn {
  readonly id: ColumnId
  readonly width: number
  readonly height: number
  readonly blocks: readonly PlannedBlock[]
}

/** Everything of the picture but the routes. */
export interface PicturePlan {
  readonly columns: readonly PlannedColumn[]
  readonly rows: readonly WireRow[]
}

/** Side of the picture on which a wire is drawn. */
export const sideOf = ({ circuit, role }: WireRow): Side =>
  circuit === 'mains' || role === 'earth' ? 'mains' : 'extra-low'

const isScreen = (terminal: string) => terminal.startsWith('screen.')

/** Devices that stand between the two sides. */
const between = new Set(['controller', 'relay', 'drive'])

/** Terminals of a device in the order of the real strip, screens last. */
function stripOf(device: ResolvedDevice, ends: readonly { readonly end: WireEnd; readonly row: WireRow }[]) {
  const used = new Map<string, { label: string; side: Side; rows: string[] }>()
  for (const { end, row } of ends) {
    const at = used.get(end.terminal) ?? { label: end.label, side: sideOf(row), rows: [] }
    used.set(end.terminal, { ...at, rows: [...at.rows, row.id] })
  }
  const own = Object.entries(device.facts.terminals)
    .sort(([, a], [, b]) => a.order - b.order)
    .map(([terminal, { voltageClass }]) => ({
      terminal,
      label: terminalLabel(device.facts, terminal),
      side: used.get(terminal)?.side ?? voltageClass,
      rows: used.get(terminal)?.rows ?? [],
    }))
  const screens = [...used]
    .filter(([terminal]) => isScreen(terminal))
    .map(([terminal, { label, side, rows }]) => ({ terminal, label, side, rows }))
  return [...own, ...screens]
}

function blockOf(device: ResolvedDevice, ends: readonly { readonly end: WireEnd; readonly row: WireRow }[]) {
  const strip = stripOf(device, ends)
  const sides = new Set(strip.filter(({ rows }) => rows.length > 0).map(({ side }) => side))
  const column: ColumnId =
    between.has(device.facts.category) || sides.size > 1 ? 'middle' : sides.has('mains') ? 'left' : 'right'
  const only: Side | undefined = column === 'left' ? 'mains' : column === 'right' ? 'extra-low' : undefined
  const down: Record<Side, number> = { mains: HEAD, 'extra-low': HEAD }
  const terminals = strip.map(({ terminal, label, side: own, rows }): PlannedTerminal => {
    const side = only ?? own
    const height = Math.max(PIN.least, PIN.between * (rows.length - 1) + 16)
    const y = down[side]
    down[side] += height + PIN.gap
    return { terminal, label, side, wires: rows, y, height }
  })
  return { device, column, terminals, y: 0, height: Math.max(down.mains, down['extra-low']) - PIN.gap + FOOT }
}

type Placed = Omit<PlannedBlock, 'y'> & { y: number }

/** Stacks the blocks of one column under one another. */
const stack = (blocks: readonly Placed[]): number => {
  let y = TOP
  for (const block of blocks) {
    block.y = y
    y += block.height + APART
  }
  return blocks.length === 0 ? 0 : y - APART + TOP
}

/** Orders the blocks of one column by where their wires go, so that fewer cross; supplies stay on top. */
function order(blocks: Placed[], rows: readonly WireRow[], at: ReadonlyMap<string, Placed>) {
  const rank = new Map(
    blocks.map((block, i) => {
      const others = rows.flatMap(({ from, to }) => {
        const far = from.device === block.device.id ? to : to.device === block.device.id ? from : undefined
        const other = far && at.get(far.device)
        return other && other.column !== block.column
          ? [other.y + (other.terminals.find((t) => t.terminal === far.terminal)?.y ?? 0)]
          : []
      })
      const mean = others.length === 0 ? 1e6 + i : others.reduce((a, b) => a + b, 0) / others.length
      return [block, block.device.facts.category === 'supply' && block.column === 'left' ? -1e6 + i : mean]
    }),
  )
  blocks.sort((a, b) => rank.get(a)! - rank.get(b)!)
}

/** Which of several wires in one terminal lies above: those to the other column by where they go, then those that come back, widest first. */
function orderWires(block: Placed, rows: ReadonlyMap<string, WireRow>, at: ReadonlyMap<string, Placed>): Placed {
  const rankOf = (wire: string) => {
    const { from, to } = rows.get(wire)!
    const far = from.device === block.device.id ? to : from
    const other = at.get(far.device)
    const y = (other?.y ?? 0) + (other?.terminals.find(({ terminal }) => terminal === far.terminal)?.y ?? 0)
    if (other?.column !== block.column) return y
    return y > block.y ? 1e5 - y : -1e5 - y
  }
  return {
    ...block,
    terminals: block.terminals.map((t) => ({ ...t, wires: [...t.wires].sort((a, b) => rankOf(a) - rankOf(b)) })),
  }
}

/**
 * Makes blocks with their strips from the list: what carries mains alone on the left, extra-low alone on the right, controllers, relays
 * and whatever has both between, mains to the left and extra-low to the right. Devices without a wire are left out.
 */
export function picturePlan(chain: ResolvedChain, rows: readonly WireRow[]): PicturePlan {
  const ends = new Map<string, { end: WireEnd; row: WireRow }[]>()
  for (const row of rows)
    for (const end of [row.from, row.to]) ends.set(end.device, [...(ends.get(end.device) ?? []), { end, row }])
  const blocks = chain.devices.flatMap((device): Placed[] => {
    const mine = ends.get(device.id)
    return mine ? [blockOf(device, mine)] : []
  })
  const at = new Map(blocks.map((block) => [block.device.id, block]))
  const ids: readonly ColumnId[] = ['left', 'middle', 'right']
  const columns = ids.map((id) => ({ id, blocks: blocks.filter(({ column }) => column === id) }))
  for (const column of columns) stack(column.blocks)
  for (let pass = 0; pass < 4; pass++)
    for (const column of columns) {
      order(column.blocks, rows, at)
      stack(column.blocks)
    }
  const byId = new Map(rows.map((row) => [row.id, row]))
  return {
    rows,
    columns: columns
      .filter((column) => column.blocks.length > 0)
      .map(({ id, blocks: mine }) => ({
        id,
        width: Math.max(id === 'middle' ? WIDE.middle : WIDE.narrow, titleRoom(mine)),
        height: stack(mine),
        blocks: mine.map((block) => orderWires(block, byId, at)),
      })),
  }
}

/** Height of a wire in its terminal, from the top of the terminal. */
export const wireY = ({ height, wires }: Pick<PlannedTerminal, 'height' | 'wires'>, wire: string) =>
  height / 2 + PIN.between * (wires.indexOf(wire) - (wires.length - 1) / 2)

/** What the layout package is given: each column one node, each wire's end a port of fixed place, so that it routes and nothing else. */
export interface LayoutGraph {
  readonly id: string
  readonly layoutOptions: Readonly<Record<string, string>>
  readonly children: readonly {
    readonly id: string
    readonly width: number
    readonly height: number
    readonly layoutOptions: Readonly<Record<string, string>>
    readonly ports: readonly {
      readonly id: string
      readonly x: number
      readonly y: number
      readonly width: number
      readonly height: number
      readonly layoutOptions: Readonly<Record<string, string>>
    }[]
  }[]
  readonly edges: readonly {
    readonly id: string
    readonly sources: readonly string[]
    readonly targets: readonly string[]
  }[]
}

/** What it gives back, as far as it is used. */
export interface LaidOut {
  readonly children?: readonly { readonly id: string; readonly x?: number; readonly y?: number }[]
  readonly edges?: readonly {
    readonly id: string
    readonly sections?: readonly {
      readonly startPoint: Point
      readonly endPoint: Point
      readonly bendPoints?: readonly Point[]
    }[]
  }[]
}

export interface Point {
  readonly x: number
  readonly y: number
}

/** On which edge of its block a terminal sits. */
export const isEast = (column: ColumnId, side: Side) =>
  column === 'left' || (column === 'middle' && side === 'extra-low')

/** The graph for a layered layout with right-angled routes. */
export function layoutGraph({ columns, rows }: PicturePlan): LayoutGraph {
  const place = new Map<string, number>()
  columns.forEach(({ blocks }, i) => blocks.forEach(({ device }) => place.set(device.id, i)))
  const portId = (device: string, terminal: string, wire: string) => `${device}:${terminal}|${wire}`
  return {
    id: 'picture',
    layoutOptions: {
      'elk.algorithm': 'layered',
      'elk.direction': 'RIGHT',
      'elk.edgeRouting': 'ORTHOGONAL',
      'elk.partitioning.activate': 'true',
      'elk.separateConnectedComponents': 'false',
      'elk.layered.nodePlacement.strategy': 'LINEAR_SEGMENTS',
      'elk.spacing.edgeEdge': '14',
      'elk.spacing.nodeSelfLoop': '24',
      'elk.layered.spacing.edgeEdgeBetweenLayers': '16',
      'elk.layered.spacing.edgeNodeBetweenLayers': '26',
      'elk.layered.spacing.nodeNodeBetweenLayers': '110',
      'elk.padding': '[top=40,left=16,bottom=16,right=16]',
    },
    children: columns.map(({ id, width, height, blocks }, i) => ({
      id,
      width,
      height,
      layoutOptions: { 'elk.portConstraints': 'FIXED_POS', 'elk.partitioning.partition': String(i) },
      ports: blocks.flatMap((block) =>
        block.terminals.flatMap((terminal) =>
          terminal.wires.map((wire) => ({
            id: portId(block.device.id, terminal.terminal, wire),
            x: isEast(id, terminal.side) ? width : 0,
            y: block.y + terminal.y + wireY(terminal, wire),
            width: 0,
            height: 0,
            layoutOptions: { 'elk.port.side': isEast(id, terminal.side) ? 'EAST' : 'WEST' },
          })),
        ),
      ),
    })),
    edges: rows.map(({ id, from, to }) => {
      const [a, b] = (place.get(from.device) ?? 0) <= (place.get(to.device) ?? 0) ? [from, to] : [to, from]
      return { id, sources: [portId(a.device, a.terminal, id)], targets: [portId(b.device, b.terminal, id)] }
    }),
  }
}

/** Terminals of the supply pairs that are not for the voltage at hand. */
export function emptyPairs(chain: ResolvedChain, device: ResolvedDevice): ReadonlyMap<string, string> {
  const empty = new Map<string, string>()
  for (const [id, port] of Object.entries(device.facts.ports)) {
    if (port.kind !== 'supply-in') continue
    const feed = chain.connections.find(({ to, fromPort }) => {
      return to.device === device.id && to.port === id && fromPort.kind === 'supply-out'
    })?.fromPort
    const taken = feed?.kind === 'supply-out' ? supplyVariant(feed, port.variants) : undefined
    if (!taken) continue
    for (const { lowV, highV, line, neutral } of Object.values(port.variants))
      for (const terminal of [line, neutral])
        if (terminal !== taken.line && terminal !== taken.neutral)
          empty.set(terminal, `${Math.round((lowV + highV) / 2)} V: empty`)
  }
  return empty
}

/** Terminal at which a port's title stands: its first in the order of the strip. */
export function feetOf(port: Port): readonly string[] {
  switch (port.kind) {
    case 'contact':
      return [port.common, port.make]
    case 'probe-out':
    case 'probe-in':
    case 'contact-in':
      return [port.a, port.b]
    case 'measure-out':
    case 'measure-in':
    case 'signal-out':
    case 'signal-in':
      return [port.plus, port.minus]
    case 'pair':
      return [port.a, port.b, port.common]
    case 'load':
    case 'supply-out':
      return [port.line, port.neutral]
    case 'supply-in':
      return Object.values(port.variants).flatMap(({ line, neutral }) => [line, neutral])
  }
}
