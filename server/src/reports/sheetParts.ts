import type { LoopContext } from '@nachtigal/core/loop/context'
import { shownMoment } from '@nachtigal/core/time/shownMoment'
import { fontRuns } from './fontRuns'

export const INK = '#1d2a30'
export const INK2 = '#46545a'
const LINE = '#cfc9ba'

export type Block = Record<string, unknown>

/** Text of a sheet. */
export const t = (text: string, more: Block = {}): Block => ({ text: fontRuns(text), ...more })
/** A heading that does not stand alone at the foot of a page. */
export const heading = (text: string): Block => t(text, { style: 'section', headlineLevel: 1 })
/** How far down a page a heading may still stand, share of its height: under that it would be left without its text. */
const LOWEST_HEADING = 0.87
/** A table of a sheet: widths, heads, rows. */
export function table(
  widths: readonly (string | number)[],
  head: readonly string[],
  rows: readonly (readonly (string | Block)[])[],
  { below = 8 }: { readonly below?: number } = {},
): Block {
  return {
    table: {
      headerRows: head.length > 0 ? 1 : 0,
      widths,
      dontBreakRows: true,
      body: [
        ...(head.length > 0 ? [head.map((text) => t(text, { style: 'head' }))] : []),
        ...rows.map((row) => row.map((cell) => (typeof cell === 'string' ? t(cell) : cell))),
      ],
    },
    layout: {
      hLineWidth: (i: number) => (i === 0 && head.length > 0 ? 0 : i === 1 && head.length > 0 ? 1 : 0.5),
      vLineWidth: () => 0,
      hLineColor: (i: number) => (i === 1 && head.length > 0 ? INK : LINE),
      paddingLeft: () => 0,
      paddingRight: () => 8,
    },
    margin: [0, 2, 0, below],
  }
}

/** What is printed at the foot of every page, so that a copy can be held against the record. */
export interface Stamp {
  readonly printedAt: string
  readonly hash: string
  /** What was changed after the loop was handed over, in words. */
  readonly since?: readonly string[]
  /** Where the loop is opened on the bench, without the step; left out where nobody else reaches the bench. */
  readonly address?: string
}

interface PlacedNode {
  readonly headlineLevel?: number
  readonly startPosition: { readonly verticalRatio: number }
}

/** Side of a code on a sheet, points: a module of the longest address is then wider than a third of a millimetre. */
const CODE = 84

/** An address as a code to be read with a phone. */
export const code = (address: string, side: number): Block => ({
  qr: address,
  fit: side,
  eccLevel: 'L',
  foreground: INK,
})

/** At the end of a sheet: where its step is opened on the bench. */
const onTheBench = (address: string): Block => ({
  columns: [
    { width: CODE, stack: [code(address, CODE)] },
    {
      width: '*',
      margin: [12, 0, 0, 0],
      stack: [t('Open this on the bench', { style: 'head' }), t(address, { fontSize: 7, color: INK2 })],
    },
  ],
  unbreakable: true,
  margin: [0, 16, 0, 0],
})

/** A sheet of one loop: page, faces, footer; with a step it also says where that is opened on the bench. */
export function sheet(
  { job, loop }: LoopContext,
  title: string,
  content: readonly Block[],
  stamp: Stamp,
  { step, ...more }: Block & { readonly step?: string } = {},
): object {
  return {
    pageSize: job.system === 'us' ? 'LETTER' : 'A4',
    pageMargins: [40, 40, 40, 48],
    info: { title: `${title}, ${loop.name}`, creator: 'Nachtigal' },
    defaultStyle: { font: 'B612', fontSize: 9, lineHeight: 1.25, color: INK },
    styles: {
      title: { font: 'Barlow', fontSize: 24 },
      lead: { fontSize: 11, margin: [0, 0, 0, 6] },
      section: { font: 'Barlow', fontSize: 14, margin: [0, 8, 0, 2] },
      head: { font: 'Barlow', fontSize: 10, color: INK2 },
    },
    content:
      stamp.address !== undefined && step !== undefined
        ? [...content, onTheBench(`${stamp.address}/${step}`)]
        : content,
    pageBreakBefore: ({ headlineLevel, startPosition }: PlacedNode) =>
      headlineLevel === 1 && startPosition.verticalRatio > LOWEST_HEADING,
    footer: (page: number, pages: number) => ({
      columns: [
        t(`Printed ${shownMoment(stamp.printedAt, job.zone)} (${job.zone}). Record ${stamp.hash.slice(0, 16)}`),
        t(`${page} of ${pages}`, { alignment: 'right' }),
      ],
      margin: [40, 12, 40, 0],
      fontSize: 8,
      color: INK2,
    }),
    ...more,
  }
}
