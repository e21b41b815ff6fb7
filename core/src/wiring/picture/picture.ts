import type { Words } from '../../words/words'
import type { ResolvedChain, ResolvedDevice } from '../../document/chain'
import type { WireRow } from '../wireRow'
import {
  emptyPairs,
  feetOf,
  HEAD,
  isEast,
  type LaidOut,
  PIN,
  type PicturePlan,
  type PlannedBlock,
  type Point,
  type Side,
} from './pictureGraph'

/** A text of the drawing, with the room it takes. */
export interface PictureText extends Point {
  readonly text: string
  readonly anchor: 'start' | 'middle' | 'end'
  readonly style: 'head' | 'title' | 'note' | 'warn' | 'terminal' | 'number'
}

interface PictureTerminal extends Point {
  readonly terminal: string
  readonly label: string
  readonly width: number
  readonly height: number
  readonly used: boolean
  readonly free: boolean
}

/** A contact or a coil drawn inside its block, between two of its terminals. */
export interface PictureContact {
  readonly kind: 'contact' | 'coil'
  readonly port: string
  readonly from: Point
  readonly to: Point
  /** +1 where the block lies to the right of its terminals. */
  readonly inward: 1 | -1
}

export interface PictureBlock extends Point {
  readonly device: ResolvedDevice
  readonly width: number
  readonly height: number
  readonly terminals: readonly PictureTerminal[]
  readonly contacts: readonly PictureContact[]
  readonly texts: readonly PictureText[]
}

interface PictureWire {
  readonly row: WireRow
  readonly points: readonly Point[]
  /** Middle of the gap that its number stands in. */
  readonly at: Point
}

export interface Picture {
  readonly width: number
  readonly height: number
  readonly blocks: readonly PictureBlock[]
  readonly wires: readonly PictureWire[]
  readonly heads: readonly PictureText[]
  /** Strip that keeps mains and extra-low voltage apart. */
  readonly gap?: { readonly x: number; readonly y: number; readonly width: number; readonly height: number }
}

/** Widths of the faces, px a sign at the size each style is drawn in; taken on the wide side. */
const advance: Record<PictureText['style'], number> = {
  head: 6.8,
  title: 6.6,
  note: 5.4,
  warn: 5.4,
  terminal: 7.9,
  number: 7.8,
}
const tall: Record<PictureText['style'], number> = { head: 16, title: 16, note: 13, warn: 13, terminal: 13, number: 12 }

interface Box extends Point {
  readonly width: number
  readonly height: number
}

/** Room that a text takes. */
export function boxOf({ x, y, text, anchor, style }: PictureText): Box {
  const width = [...text].length * advance[style]
  const left = anchor === 'start' ? x : anchor === 'end' ? x - width : x - width / 2
  return { x: left, y: y - tall[style] * 0.8, width, height: tall[style] }
}

/** Whether two boxes lie over one another, px. */
export const overlap = (a: Box, b: Box) =>
  a.x < b.x + b.width - 0.01 && b.x < a.x + a.width - 0.01 && a.y < b.y + b.height - 0.01 && b.y < a.y + a.height - 0.01

const cut = (text: string, px: number, style: PictureText['style']) => {
  const most = Math.floor(px / advance[style])
  const signs = [...text]
  return signs.length <= most
    ? text
    : `${signs
        .slice(0, Math.max(1, most - 1))
        .join('')
        .trimEnd()}\u2026`
}

/** Room for a contact's or a coil's symbol beside its terminals. */
const SYMBOL = 34

function drawBlock(
  chain: ResolvedChain,
  { device, column, terminals, y, height }: PlannedBlock,
  origin: Point,
  width: number,
): PictureBlock {
  const at = { x: origin.x, y: origin.y + y }
  const strip = terminals.map((t) => {
    const east = isEast(column, t.side)
    return {
      ...t,
      east,
      x: east ? at.x + width - PIN.width : at.x,
      top: at.y + t.y,
    }
  })
  const find = (terminal: string) => strip.find((t) => t.terminal === terminal)
  const middle = (t: (typeof strip)[number]) => t.top + t.height / 2
  const contacts = Object.entries(device.facts.ports).flatMap(([id, port]): PictureContact[] => {
    const pair =
      port.kind === 'contact'
        ? ([port.common, port.make] as const)
        : port.kind === 'load' && port.does === 'none' && port.load.kind === 'coil'
          ? ([port.line, port.neutral] as const)
          : undefined
    const [a, b] = [pair && find(pair[0]), pair && find(pair[1])]
    if (!a || !b || a.east !== b.east || (a.wires.length === 0 && b.wires.length === 0)) return []
    const x = a.east ? a.x : a.x + PIN.width
    return [
      {
        kind: port.kind === 'contact' ? 'contact' : 'coil',
        port: id,
        from: { x, y: middle(a) },
        to: { x, y: middle(b) },
        inward: a.east ? -1 : 1,
      },
    ]
  })
  const sides = new Set(strip.map(({ east }) => east))
  const room = (width - PIN.width * sides.size) / sides.size - 8
  const empty = emptyPairs(chain, device)
  const titled = new Set<string>()
  const texts: PictureText[] = []
  const note = (t: (typeof strip)[number], text: string, style: 'note' | 'warn', symbol: boolean) => {
    if (titled.has(t.terminal)) return
    titled.add(t.terminal)
    const inset = symbol ? SYMBOL : 6
    texts.push({
      x: t.east ? t.x - inset : t.x + PIN.width + inset,
      y: middle(t) + 4,
      text: cut(text, room - inset, style),
      anchor: t.east ? 'end' : 'start',
      style,
    })
  }
  for (const [terminal, text] of empty) {
    const t = find(terminal)
    if (t) note(t, text, 'warn', false)
  }
  for (const [id, port] of Object.entries(device.facts.ports)) {
    const first = feetOf(port)
      .map(find)
      .filter((t) => t !== undefined && t.wires.length > 0)
      .sort((a, b) => a!.top - b!.top)[0]
    if (first)
      note(
        first,
        port.title,
        'note',
        contacts.some((c) => c.port === id),
      )
  }
  return {
    device,
    ...at,
    width,
    height,
    contacts,
    terminals: strip.map(({ terminal, label, x, top, height: h, wires }) => ({
      terminal,
      label,
      x,
      y: top,
      width: PIN.width,
      height: h,
      used: wires.length > 0,
      free: label === 'cut',
    })),
    texts: [
      {
        x: at.x + 8,
        y: at.y + HEAD - 14,
        text: cut(`${device.tag} ${device.name}`, width - 16, 'title'),
        anchor: 'start',
        style: 'title',
      },
      ...texts,
    ],
  }
}

/** Places a number in a gap of its line: on the longest stretch where it meets no other line, number or block. */
function placeNumber(
  points: readonly Point[],
  taken: readonly Box[],
  others: readonly (readonly Point[])[],
  digits: number,
): Point {
  const size = { width: digits * advance.number + 6, height: 16 }
  const stretches = points
    .slice(1)
    .map((b, i) => ({ a: points[i]!, b }))
    .map(({ a, b }) => ({ a, b, length: Math.abs(a.x - b.x) + Math.abs(a.y - b.y) }))
    .sort((p, q) => q.length - p.length)
  const candidates = stretches.flatMap(({ a, b, length }) =>
    [0.5, 0.35, 0.65, 0.22, 0.78, 0.12, 0.88]
      .map((share) => ({ x: a.x + share * (b.x - a.x), y: a.y + share * (b.y - a.y), length }))
      .filter(({ length: long }) => long > (a.x === b.x ? size.height : size.width) + 4),
  )
  const cost = (at: Point) => {
    const box = { x: at.x - size.width / 2, y: at.y - size.height / 2, ...size }
    const crossed = others.filter((line) =>
      line.slice(1).some((b, i) => {
        const a = line[i]!
        return overlap(box, {
          x: Math.min(a.x, b.x) - 1,
          y: Math.min(a.y, b.y) - 1,
          width: Math.abs(a.x - b.x) + 2,
          height: Math.abs(a.y - b.y) + 2,
        })
      }),
    ).length
    return crossed + 100 * taken.filter((each) => overlap(box, each)).length
  }
  let best = candidates[0] ?? points[0]!
  let least = Infinity
  for (const at of candidates) {
    const here = cost(at)
    if (here < least) [best, least] = [at, here]
    if (least === 0) break
  }
  return { x: best.x, y: best.y }
}

/** Puts what the layout package answered and the blocks together into one drawing, its heads in the words of a practice. */
export function pictureOf(chain: ResolvedChain, plan: PicturePlan, laid: LaidOut, words: Words): Picture {
  const origins = new Map((laid.children ?? []).map(({ id, x = 0, y = 0 }) => [id, { x, y }]))
  const blocks = plan.columns.flatMap(({ id, blocks: mine, width }) =>
    mine.map((block) => drawBlock(chain, block, origins.get(id) ?? { x: 0, y: 0 }, width)),
  )
  const routes = new Map(
    (laid.edges ?? []).map(({ id, sections = [] }) => [
      id,
      sections.flatMap(({ startPoint, bendPoints = [], endPoint }) => [startPoint, ...bendPoints, endPoint]),
    ]),
  )
  const solid: Box[] = blocks.map(({ x, y, width, height }) => ({ x, y, width, height }))
  const taken = [...solid]
  const wires = plan.rows.flatMap((row): PictureWire[] => {
    const points = routes.get(row.id) ?? []
    if (points.length < 2) return []
    const others = [...routes].filter(([id]) => id !== row.id).map(([, line]) => line)
    const digits = String(row.number).length + (row.liveFrom === undefined ? 0 : 2)
    const at = placeNumber(points, taken, others, digits)
    const width = digits * advance.number
    taken.push({ x: at.x - width / 2, y: at.y - 8, width, height: 16 })
    return [{ row, points, at }]
  })
  const right = Math.max(
    0,
    ...blocks.map(({ x, width }) => x + width),
    ...wires.flatMap(({ points }) => points.map((p) => p.x)),
  )
  const bottom = Math.max(
    0,
    ...blocks.map(({ y, height }) => y + height),
    ...wires.flatMap(({ points }) => points.map((p) => p.y)),
  )
  const sides = new Set(plan.rows.map((row): Side => (row.circuit === 'mains' ? 'mains' : 'extra-low')))
  const middle = plan.columns.find(({ id }) => id === 'middle')
  const origin = middle && origins.get('middle')
  const split = origin && middle ? origin.x + middle.width / 2 : undefined
  const volts = plan.rows.find(({ circuit, fedBy }) => circuit === 'mains' && fedBy)?.fedBy?.volts
  const mains = words.local(volts === undefined ? 'mains' : `mains ${volts} V`)
  const low = words.local('extra-low voltage')
  const heads: PictureText[] =
    split === undefined
      ? [{ x: 16, y: 22, text: sides.has('mains') ? mains : low, anchor: 'start', style: 'head' }]
      : [
          ...(sides.has('mains') ? [{ x: split - 12, y: 22, text: mains, anchor: 'end', style: 'head' } as const] : []),
          ...(sides.has('extra-low')
            ? [{ x: split + 12, y: 22, text: low, anchor: 'start', style: 'head' } as const]
            : []),
        ]
  return {
    width: right + 20,
    height: bottom + 20,
    blocks,
    wires,
    heads,
    ...(split !== undefined && sides.size > 1 ? { gap: { x: split - 5, y: 6, width: 10, height: bottom + 8 } } : {}),
  }
}

/** Every text of the drawing. */
export const textsOf = ({ blocks, wires, heads }: Picture): readonly PictureText[] => [
  ...heads,
  ...blocks.flatMap(({ texts, terminals }) => [
    ...texts,
    ...terminals.map(({ label, x, y, width, height }): PictureText => ({
      text: label,
      x: x + width / 2,
      y: y + height / 2 + 4.5,
      anchor: 'middle',
      style: 'terminal',
    })),
  ]),
  ...wires.map(({ row, at }): PictureText => ({
    text: String(row.number),
    x: at.x,
    y: at.y + 4.5,
    anchor: 'middle',
    style: 'number',
  })),
]
