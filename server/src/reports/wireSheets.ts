import { judgeRow } from '@nachtigal/core/wiring/judgeRow'
import type { LoopContext } from '@nachtigal/core/loop/context'
import type { ResolvedDevice } from '@nachtigal/core/document/chain'
import { safetyBlocks } from '@nachtigal/core/commissioning/safetyBlocks'
import { sizeWords } from '@nachtigal/core/words/sizeWords'
import { type CutOut, cutOutPaper, cutOutSvg } from '@nachtigal/core/wiring/cutOut'
import type { Picture } from '@nachtigal/core/wiring/picture/picture'
import { svgText } from '@nachtigal/core/wiring/picture/svgText'
import { type Block, heading, sheet, type Stamp, t, table, code } from './sheetParts'

const PT_PER_MM = 72 / 25.4
/** Faces as the PDF package knows them. */
const faces = { head: 'Barlow', text: 'B612', terminal: 'Mono' } as const

const where = ({ job, loop }: LoopContext) => `${loop.name}, ${job.name}${job.place ? `, ${job.place}` : ''}`

/** Wires of a loop as columns of text, for the printed list and the open file. */
export function wireColumns(context: LoopContext): {
  readonly head: readonly string[]
  readonly rows: readonly (readonly string[])[]
} {
  const { loop, rows, words } = context
  return {
    head: ['no.', 'from', 'to', 'conductor', 'size', 'colour', 'label', 'length', 'landed', 'ohm', 'tested', 'note'],
    rows: rows.map((row) => {
      const state = loop.wiring.rows[row.id]
      const { verdict, sizeMm2 } = judgeRow(context, row)
      const notes = [row.liveFrom === undefined ? undefined : `stays live from ${row.liveFrom}`, row.hint, state?.note]
      return [
        String(row.number),
        `${row.from.tag} ${row.from.label}`,
        `${row.to.tag} ${row.to.label}`,
        row.cable ? `${row.conductor.kind} ${row.cable.tag}` : row.conductor.kind,
        sizeWords(context.job.practice, sizeMm2),
        row.conductor.colourName,
        state?.label ?? String(row.number),
        state?.lengthM === undefined ? '' : words.say(state.lengthM, 'length'),
        state?.landed ? 'yes' : 'no',
        state?.tested ? (state.tested.state === 'over-range' ? 'over-range' : state.tested.text) : '',
        verdict === 'fits' ? 'good' : verdict === 'stop' ? 'failed' : 'not tested',
        notes.filter(Boolean).join('. '),
      ]
    }),
  }
}

/** Line that stands on every sheet of wires while it holds. */
function forbids(context: LoopContext): Block[] {
  const { failed } = safetyBlocks(context)
  return failed.length > 0 ? [t('NOT PROVED, DO NOT ENERGISE', { bold: true, fontSize: 14, margin: [0, 0, 0, 6] })] : []
}

/** The list from terminal to terminal, landscape. */
export function wiresSheet(context: LoopContext, stamp: Stamp): object {
  const { head, rows } = wireColumns(context)
  return sheet(
    context,
    'Wires',
    [
      t('Wires', { style: 'title' }),
      t(where(context), { style: 'lead' }),
      ...forbids(context),
      table([20, 50, 50, 104, 44, 60, 36, 44, 36, 44, 48, '*'], head, rows),
      t('Colours and sizes by usual practice: check local code.'),
      ...(context.wires.withheld.length > 0
        ? [heading('Not wired'), ...context.wires.withheld.map(({ reason }) => t(reason))]
        : []),
    ],
    stamp,
    { pageOrientation: 'landscape' },
  )
}

/** The picture on one page, black on white. */
export function pictureSheet(context: LoopContext, picture: Picture, stamp: Stamp): object {
  const scaleIn = (room: { width: number; height: number }) =>
    Math.min(room.width / picture.width, room.height / picture.height, 1)
  const [upright, lying] = [scaleIn({ width: 515, height: 620 }), scaleIn({ width: 760, height: 400 })]
  const wide = lying > upright
  const scale = Math.max(upright, lying)
  const svg = svgText(picture, context.loop.wiring.rows, faces, `Wiring of ${context.loop.name}`)
  return sheet(
    context,
    'Wiring',
    [
      t('Wiring', { style: 'title' }),
      t(where(context), { style: 'lead' }),
      ...forbids(context),
      { svg, width: picture.width * scale },
      t(
        'Heavy: mains. Light: extra-low voltage. Dashed: not landed. Triangle: stays live when the loop\u2019s own circuit is off.',
        { margin: [0, 8, 0, 0] },
      ),
    ],
    stamp,
    wide ? { pageOrientation: 'landscape' } : {},
  )
}

const ACROSS = 4
/** Side of the code on a label, points. */
const LABEL_CODE = 60
/** Two labels for each wire, one for each end, to be cut out. */
export function labelsSheet(context: LoopContext, stamp: Stamp): object {
  const labels = context.rows.flatMap((row) => {
    const label = context.loop.wiring.rows[row.id]?.label ?? String(row.number)
    return [
      [row.from, row.to],
      [row.to, row.from],
    ].map(([here, there]) => ({
      columns: [
        {
          width: '*',
          stack: [
            t(label, { fontSize: 16, bold: true }),
            t(`${here!.tag} ${here!.label} \u2192 ${there!.tag} ${there!.label}`, { fontSize: 8 }),
          ],
        },
        ...(stamp.address === undefined
          ? []
          : [
              {
                width: LABEL_CODE + 8,
                margin: [8, 0, 0, 0],
                stack: [code(`${stamp.address}/wire/${encodeURIComponent(row.id)}`, LABEL_CODE)],
              },
            ]),
      ],
      margin: [4, 4, 4, 4],
    }))
  })
  const lines = Array.from({ length: Math.ceil(labels.length / ACROSS) }, (_, i) =>
    Array.from({ length: ACROSS }, (_each, k) => labels[i * ACROSS + k] ?? t('')),
  )
  return sheet(
    context,
    'Labels',
    [
      t('Labels', { style: 'title' }),
      t(`${where(context)}: one for each end of each wire.`, { style: 'lead' }),
      lines.length === 0
        ? t('There is no wire in this loop yet.')
        : {
            table: { widths: Array.from({ length: ACROSS }, () => '*'), dontBreakRows: true, body: lines },
            layout: {
              hLineWidth: () => 0.5,
              vLineWidth: () => 0.5,
              hLineColor: () => '#999',
              vLineColor: () => '#999',
            },
          },
    ],
    stamp,
  )
}

/** The panel cut-out at 1:1 with its bar. */
export function cutOutSheet(context: LoopContext, device: ResolvedDevice, cutOut: CutOut, stamp: Stamp): object {
  const title = `${device.tag} ${device.name}`
  return sheet(
    context,
    'Cut-out',
    [
      t(`Cut-out for ${title}`, { style: 'title' }),
      t(where(context), { style: 'lead' }),
      { svg: cutOutSvg(cutOut, title, faces.text), width: cutOutPaper(cutOut).widthMm * PT_PER_MM },
      ...cutOut.notes.map((note) => t(context.words.tell(note), { margin: [0, 0, 0, 3] })),
      t('Dead and covered before the panel is cut: swarf on a live terminal is a short.', { bold: true }),
    ],
    stamp,
  )
}
