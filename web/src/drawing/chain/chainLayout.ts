import { linesOf } from '../wrapText'

/** How the strip stands: so wide and so high a block, so wide a space, and in how many rows. */
export interface ChainLayout {
  readonly rows: 1 | 2
  readonly block: number
  readonly supply: number
  readonly space: number
  readonly height: number
  /** What stands at a space: in words beside its shape, on two short lines, or the shape alone. */
  readonly says: 'words' | 'short' | 'shape'
}

/** The gap before the supply, which stands apart: it feeds the path and is no part of it. */
export const APART = 24

const oneRow = [
  { block: 206, supply: 206, space: 78, says: 'words' },
  { block: 160, supply: 160, space: 64, says: 'words' },
  { block: 143, supply: 143, space: 35, says: 'short' },
  { block: 109, supply: 121, space: 21, says: 'shape' },
] as const
/** Joints of a path in two rows: the narrow one where blocks would else be too narrow for their names. */
const FOLDED = { space: 35, narrow: 21, most: 190, tight: 110 }

/** What a block keeps for its sign and tag, and for its edges. */
const CELL = 28
const EDGES = 15

/**
 * The widest way to draw a path of so many links in so much room: all in a row, with less at the spaces the more there are, or folded
 * into two rows.
 * @param links of the path, without the supply
 * @param width of the strip within its margins, px
 */
export function chainLayout(links: number, width: number): ChainLayout {
  for (const { block, supply, space, says } of oneRow)
    if (links * block + (links - 1) * space + APART + supply <= width + 2)
      return { rows: 1, block, supply, space, height: 60, says }
  const first = folded(links)
  const room = (space: number) => Math.floor((width - (first - 1) * space) / first)
  const space = room(FOLDED.space) < FOLDED.tight ? FOLDED.narrow : FOLDED.space
  const block = Math.min(FOLDED.most, room(space))
  return { rows: 2, block, supply: block, space, height: 48, says: 'shape' }
}

/** Links in the first of two rows: the supply stands at the end of the second. */
export const folded = (links: number): number => Math.ceil((links + 1) / 2)

/** Sizes of a name, largest first, with the height of a line. */
const sizes = [
  { size: 18, line: 20 },
  { size: 17, line: 18 },
  { size: 15, line: 16 },
  { size: 13, line: 14 },
] as const

/** How the name of a block is set, and whether there is room for what stands under it. */
export interface BlockText {
  readonly size: number
  readonly line: number
  readonly lines: number
  readonly sub: boolean
}

/**
 * The largest type in which a name stands whole in its block; with the line under it, if that too stands whole without a smaller name
 * than 15 px.
 */
export function blockText(name: string, sub: string, width: number, height: number): BlockText {
  const room = width - CELL - EDGES
  const inner = height - 8
  const set = sizes.map(({ size, line }) => ({ size, line, lines: linesOf(name, room, size) }))
  const whole = (each: (typeof set)[number]) => each.lines * each.line <= inner
  const withSub = set.find((each) => each.size >= 15 && each.lines * each.line + 17 * linesOf(sub, room, 14) <= inner)
  if (withSub && sub !== '') return { ...withSub, sub: true }
  const found = set.find(whole)
  if (found) return { ...found, sub: false }
  const least = set.at(-1)!
  // Longer than any block: what is left over is told by its title and its sheet.
  return { ...least, lines: Math.floor(inner / least.line), sub: false }
}
