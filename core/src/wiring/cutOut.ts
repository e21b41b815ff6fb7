import { Refused } from '../units/refused'
import { number } from '../schema/field'
import type { BodyFacts, DeviceProfile } from '../device/deviceProfile'
import type { Words } from '../words/words'
import { escapeXml } from './picture/svgText'

/** Length of the bar that proves the print, mm. */
export const BAR_MM = 100
/** What a rule shows of the printed bar. */
export const printedBar = number('bar', 'thickness', { over: 0, max: 1 })
/** Room for plugs and the bend of the wires behind a device, mm. */
const BEND_MM = 40

export interface CutOut {
  readonly widthMm: number
  readonly heightMm: number
  /** How much larger it may be cut; never smaller. */
  readonly toleranceMm: number
  /** Depth that has to be free behind the panel. */
  readonly behindMm: number
  readonly notes: readonly string[]
}

/** What a cut-out measures, in the words of whoever cuts it; the bar of the print with it. */
export function sayCutOut(
  { widthMm, heightMm, toleranceMm }: Pick<CutOut, 'widthMm' | 'heightMm' | 'toleranceMm'>,
  words: Words,
) {
  const fine = words.preferences.system === 'us' ? 3 : 1
  const say = (mm: number, decimals?: number) => words.say(mm / 1000, 'thickness', decimals)
  return {
    title: `${words.tell(sides(widthMm, heightMm))}, +${say(toleranceMm, fine)} \u22120`,
    width: say(widthMm),
    height: say(heightMm),
    bar: say(BAR_MM),
    /** Decimals to which a rule is read on the bar. */
    fine,
  }
}

/** What to cut for a device, and what to know behind it; undefined where it does not go into a panel. */
export function cutOutOf({ body }: Pick<DeviceProfile, 'body'>): CutOut | undefined {
  if (!body?.cutOut) return undefined
  const { widthMm, heightMm, toleranceMm } = body.cutOut
  return {
    widthMm,
    heightMm,
    toleranceMm,
    behindMm: body.depthMm + BEND_MM,
    notes: notesOf(body),
  }
}

const MM_PER_INCH = 25.4
const inches = (mm: number) => (mm / MM_PER_INCH).toFixed(2)

/** A length in both systems of measures, for `tell`. */
const length = (mm: number) => `{${mm} mm|${inches(mm)} in}`

/**
 * Two sides in both systems of measures, for `tell`.
 */
const sides = (widthMm: number, heightMm: number): string =>
  `{${widthMm} \u00d7 ${heightMm} mm|${inches(widthMm)} \u00d7 ${inches(heightMm)} in}`

function notesOf({ protection, widthMm, heightMm, depthMm }: BodyFacts): string[] {
  return [
    `Front ${sides(widthMm, heightMm)} covers the edge all round.`,
    protection !== undefined && protection % 10 >= 4
      ? `IP ${protection} only with its gasket flat between front and panel, panel clean and flat.`
      : 'No seal against water by itself: a gasket or a window where it is washed down.',
    'Clips from behind, drawn up evenly; the panel\u2019s thickness as its leaflet says.',
    `${length(depthMm + BEND_MM)} free behind: ${length(depthMm)} of the device and room to bend the wires.`,
  ]
}

/**
 * Whether a print is true: how far the cut-out would be off by the measured bar. Formula: off = (measured / 100 mm − 1) · longer side.
 * @throws RangeError unless the measured length, m, is over 0
 * @example printVerdict(0.102, { widthMm: 90, heightMm: 45, toleranceMm: 1 }).offMm // 1.8
 */
export function printVerdict(
  measuredM: number,
  { widthMm, heightMm, toleranceMm }: Pick<CutOut, 'widthMm' | 'heightMm' | 'toleranceMm'>,
): { readonly true: boolean; readonly offMm: number; readonly says: string } {
  if (!(measuredM > 0)) throw new Refused('measuredM', { must: 'over', value: measuredM, than: 0 })
  const offMm = ((1000 * measuredM) / BAR_MM - 1) * Math.max(widthMm, heightMm)
  const fits = Math.abs(offMm) <= toleranceMm / 2
  return {
    true: fits,
    offMm,
    says: fits
      ? `The print is true: {${Math.abs(offMm).toFixed(2)} mm|${(Math.abs(offMm) / MM_PER_INCH).toFixed(3)} in} off over the cut-out, ${length(toleranceMm)} is allowed.`
      : `The print is ${offMm > 0 ? 'too large' : 'too small'}: the cut-out would be {${Math.abs(offMm).toFixed(1)} mm|${inches(Math.abs(offMm))} in} off. Print at 100 %, no fitting to the page.`,
  }
}

/** Edge round the drawing, mm. */
const EDGE = 24

/** Size of the drawing on paper, mm. */
export const cutOutPaper = ({ widthMm, heightMm }: Pick<CutOut, 'widthMm' | 'heightMm'>) => ({
  widthMm: Math.max(widthMm, BAR_MM) + 2 * EDGE,
  heightMm: heightMm + 2 * EDGE + 22,
})

/** The cut-out at 1:1 as an SVG whose units are millimetres, with a bar of 100 mm to be measured. */
export function cutOutSvg(cutOut: CutOut, title: string, face = 'sans-serif'): string {
  const { widthMm: w, heightMm: h, toleranceMm: t } = cutOut
  const paper = cutOutPaper(cutOut)
  const [x, y] = [(paper.widthMm - w) / 2, EDGE]
  const text = (tx: number, ty: number, words: string, anchor = 'middle') =>
    `<text x="${tx}" y="${ty}" font-size="4" text-anchor="${anchor}" font-family="${face}" fill="#000">${escapeXml(words)}</text>`
  const bar = { x: (paper.widthMm - BAR_MM) / 2, y: y + h + EDGE - 4 }
  const ticks = Array.from({ length: 11 }, (_, i) => `M${bar.x + i * 10} ${bar.y}v${i % 5 === 0 ? 5 : 3}`).join('')
  return [
    `<svg xmlns="http://www.w3.org/2000/svg" width="${paper.widthMm}mm" height="${paper.heightMm}mm" viewBox="0 0 ${paper.widthMm} ${paper.heightMm}">`,
    `<title>${escapeXml(title)}</title>`,
    `<rect x="${x}" y="${y}" width="${w}" height="${h}" fill="none" stroke="#000" stroke-width="0.25"/>`,
    `<path d="M${x - 6} ${y}h4M${x + w + 2} ${y}h4M${x - 6} ${y + h}h4M${x + w + 2} ${y + h}h4M${x} ${y - 6}v4M${x} ${y + h + 2}v4M${x + w} ${y - 6}v4M${x + w} ${y + h + 2}v4" stroke="#000" stroke-width="0.2" fill="none"/>`,
    `<path d="M${x + w / 2 - 4} ${y + h / 2}h8M${x + w / 2} ${y + h / 2 - 4}v8" stroke="#000" stroke-width="0.2" fill="none"/>`,
    text(x + w / 2, y - 8, `${w} +${t} / \u22120 mm`),
    `<text x="${x - 8}" y="${y + h / 2}" font-size="4" text-anchor="middle" font-family="${face}" transform="rotate(-90 ${x - 8} ${y + h / 2})">${h} +${t} / \u22120 mm</text>`,
    `<path d="M${bar.x} ${bar.y}h${BAR_MM}${ticks}" stroke="#000" stroke-width="0.3" fill="none"/>`,
    text(paper.widthMm / 2, bar.y + 11, `measure this bar: ${BAR_MM} mm. Otherwise do not cut.`),
    '</svg>',
  ].join('')
}
