import { beyondWords } from '@nachtigal/core/words/beyondWords'
import { FORMULA } from '@nachtigal/contract/formula'
import Papa from 'papaparse'
import type { LoopContext } from '@nachtigal/core/loop/context'
import type { Reading } from '@nachtigal/core/document/documents'
import { keyingRoute } from '@nachtigal/core/device/keyingRoute'
import { beforeKeying } from '@nachtigal/core/commissioning/beforeKeying'
import { keyingSheet, type KeyingRow } from '@nachtigal/core/commissioning/keyingSheet'
import { type Block, heading, INK2, sheet, type Stamp, t, table } from './sheetParts'

const shown = (reading: Reading | undefined) => reading?.text ?? ''

/** What stands behind a planned value: what the display cannot show, what it does not take, why it was left otherwise. */
const notes = ({ rounded, beyond, setsBack, asLeft }: KeyingRow) =>
  [
    rounded ? `of ${rounded.exact}, ${rounded.difference}` : '',
    beyond ? beyondWords(beyond) : '',
    setsBack.length > 0 ? `sets back ${setsBack.join(', ')}` : '',
    asLeft?.why ? `left so: ${asLeft.why}` : '',
  ]
    .filter(Boolean)
    .join('; ')

/** Each parameter of a loop in the order of keying, as columns of text. */
function lines(context: LoopContext) {
  return keyingSheet(context).map(({ device, rows }) => {
    const steps = keyingRoute(
      device.facts.controller!,
      rows.map(({ code }) => code),
    )
    return {
      device,
      before: beforeKeying(context, device, rows),
      rows: rows.map((row, i) => ({
        row,
        keys: `${steps[i]!.enters ? `${steps[i]!.enters}: ` : ''}${steps[i]!.keys}`,
        keeps: steps[i]!.keeps,
      })),
    }
  })
}

/** The keying sheet as CSV; a cell that a table program would take for a formula is made plain text. */
export function keyingCsv(context: LoopContext): string {
  const fields = ['device', 'keys', 'code', 'name', 'planned', 'unit', 'as found', 'as left', 'keep by', 'note']
  const data = lines(context).flatMap(({ device, rows }) =>
    rows.map(({ row, keys, keeps }) => [
      `${device.tag} ${device.name}`,
      keys,
      row.code,
      row.name,
      row.planned,
      row.unit,
      shown(row.asFound),
      shown(row.asLeft),
      keeps,
      notes(row),
    ]),
  )
  return `\ufeff${Papa.unparse({ fields, data }, { escapeFormulae: FORMULA })}\r\n`
}

/** The keying sheet to be taken along: the path of keys, what to key, and room to write what was there and what is left. */
export function keyingPdf(context: LoopContext, stamp: Stamp): object {
  const { loop, job } = context
  const sheets = lines(context)
  const content: Block[] = [
    t('Keying sheet', { style: 'title' }),
    t(`${loop.name}, ${job.name}${job.place ? `, ${job.place}` : ''}`, { style: 'lead' }),
    ...(sheets.length === 0 ? [t('No controller yet.')] : []),
    ...sheets.flatMap(({ device, before, rows }) => [
      heading(`${device.tag} ${device.name}`),
      ...before.map((line) => t(line, { bold: true, margin: [0, 0, 0, 4] })),
      table(
        [150, 44, '*', 60, 30, 60, 60],
        ['keys', 'code', 'parameter', 'planned', '', 'as found', 'as left'],
        rows.map(({ row, keys }) => [
          keys,
          row.code,
          notes(row) ? `${row.name} (${notes(row)})` : row.name,
          row.planned,
          row.unit,
          shown(row.asFound) || '........',
          shown(row.asLeft) || '........',
        ]),
      ),
    ]),
    t('Write down what is there before anything is keyed. Local code and the maker\u2019s leaflet come first.', {
      color: INK2,
    }),
  ]
  return sheet(context, 'Keying sheet', content, stamp, { step: 'set/keying' })
}
