import type { RowState } from '../../document/documents'
import { boxOf, type Picture, type PictureContact, type PictureText } from './picture'
import type { Point } from './pictureGraph'

/** Names of the faces in the program that will draw it. */
interface SvgFaces {
  readonly head: string
  readonly text: string
  readonly terminal: string
}

const INK = '#000'
const GREY = '#555'

/** Text as it may stand in XML. */
export const escapeXml = (text: string) =>
  text
    .replace(/[&<>"']/g, (sign) => `&#${sign.charCodeAt(0)};`)
    .replace(/[\u0000-\u0008\u000b\u000c\u000e-\u001f\ufffe\uffff]/g, '')

const round = (n: number) => Math.round(n * 10) / 10

/** A line through points as an SVG path. */
export const pathOf = (points: readonly Point[]) =>
  points.map(({ x, y }, i) => `${i === 0 ? 'M' : 'L'}${round(x)} ${round(y)}`).join('')

/** Strokes of a contact or a coil beside its terminals. */
export function symbolPath({ kind, from, to, inward }: PictureContact, closed = false): string {
  const x = round(from.x + inward * 18)
  const [a, b] = [round(from.y), round(to.y)]
  const down = b > a ? 1 : -1
  if (kind === 'coil') {
    const [m, h] = [round((a + b) / 2), 9]
    return `M${round(from.x)} ${a}H${x}V${m - down * h}M${round(to.x)} ${b}H${x}V${m + down * h}M${x - 7} ${m - h}h14v${2 * h}h-14z`
  }
  const m = (a + b) / 2
  const [near, far] = [round(m + down * 7), round(m - down * 7)]
  const tip = closed ? `L${x} ${far}` : `L${round(x - inward * 8)} ${round(far - down)}`
  return `M${round(from.x)} ${a}H${x}V${far}M${round(to.x)} ${b}H${x}V${near}${tip}`
}

const sizes: Record<PictureText['style'], readonly [keyof SvgFaces, number, number]> = {
  head: ['head', 16, 600],
  title: ['head', 16, 600],
  note: ['head', 13, 500],
  warn: ['head', 13, 500],
  terminal: ['terminal', 13, 400],
  number: ['text', 12, 400],
}

/**
 * The drawing as an SVG file in black on white: mains heavy, extra-low light, what is not landed dashed, a triangle beside the number of
 * what stays live. Nothing in it is taken over unescaped.
 */
export function svgText(
  picture: Picture,
  states: Readonly<Record<string, RowState>>,
  faces: SvgFaces,
  title: string,
): string {
  const { width, height, blocks, wires, heads, gap } = picture
  const parts: string[] = []
  const text = (each: PictureText, colour = INK) => {
    const [face, size, weight] = sizes[each.style]
    parts.push(
      `<text x="${round(each.x)}" y="${round(each.y)}" text-anchor="${each.anchor}" font-family="${faces[face]}" font-size="${size}" font-weight="${weight}" fill="${colour}">${escapeXml(each.text)}</text>`,
    )
  }
  if (gap)
    parts.push(
      `<path d="M${round(gap.x)} ${gap.y}V${round(gap.y + gap.height)}M${round(gap.x + gap.width)} ${gap.y}V${round(gap.y + gap.height)}" stroke="${GREY}" stroke-width="1" stroke-dasharray="3 3" fill="none"/>`,
    )
  for (const block of blocks) {
    parts.push(
      `<rect x="${round(block.x)}" y="${round(block.y)}" width="${round(block.width)}" height="${round(block.height)}" fill="#fff" stroke="${INK}" stroke-width="1.5"/>`,
    )
    for (const { x, y, width: w, height: h, label, used, free } of block.terminals) {
      parts.push(
        `<rect x="${round(x)}" y="${round(y)}" width="${w}" height="${round(h)}" fill="${used ? '#fff' : '#ddd'}" stroke="${INK}" stroke-width="1"${free ? ' stroke-dasharray="3 3"' : ''}/>`,
      )
      text({ text: label, x: x + w / 2, y: y + h / 2 + 4.5, anchor: 'middle', style: 'terminal' })
    }
    for (const contact of block.contacts)
      parts.push(`<path d="${symbolPath(contact)}" stroke="${INK}" stroke-width="1.5" fill="none"/>`)
    for (const each of block.texts) text(each, each.style === 'note' ? GREY : INK)
  }
  for (const { row, points } of wires)
    parts.push(
      `<path d="${pathOf(points)}" stroke="${INK}" stroke-width="${row.circuit === 'mains' ? 2 : 1.2}" fill="none"${states[row.id]?.landed ? '' : ' stroke-dasharray="7 5"'}/>`,
    )
  for (const { row, at } of wires) {
    const mark = row.liveFrom === undefined ? 0 : 12
    const label: PictureText = {
      text: String(row.number),
      x: at.x - mark / 2,
      y: at.y + 4.5,
      anchor: 'middle',
      style: 'number',
    }
    const box = boxOf(label)
    parts.push(
      `<rect x="${round(box.x - 2)}" y="${round(at.y - 8)}" width="${round(box.width + 4 + mark)}" height="16" fill="#fff"/>`,
    )
    text(label)
    if (mark > 0) {
      const x = round(box.x + box.width + 7)
      parts.push(`<path d="M${x} ${round(at.y - 5)}l6 10h-12z" fill="none" stroke="${INK}" stroke-width="1.2"/>`)
    }
  }
  for (const each of heads) text(each)
  return `<svg xmlns="http://www.w3.org/2000/svg" width="${round(width)}" height="${round(height)}" viewBox="0 0 ${round(width)} ${round(height)}"><title>${escapeXml(title)}</title><rect width="${round(width)}" height="${round(height)}" fill="#fff"/>${parts.join('')}</svg>`
}
