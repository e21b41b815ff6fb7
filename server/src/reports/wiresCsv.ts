import { FORMULA } from '@nachtigal/contract/formula'
import Papa from 'papaparse'
import type { LoopContext } from '@nachtigal/core/loop/context'
import { wireColumns } from './wireSheets'

/** The list of wires as CSV; a cell that a table program would take for a formula is made plain text. */
export function wiresCsv(context: LoopContext): string {
  const { head, rows } = wireColumns(context)
  // The mark tells table programs that it is UTF-8.
  return `\ufeff${Papa.unparse({ fields: [...head], data: rows.map((row) => [...row]) }, { escapeFormulae: FORMULA })}\r\n`
}
