import Papa from 'papaparse'
import { FORMULA } from '@nachtigal/contract/formula'

/**
 * A table as a spreadsheet takes it from the clipboard: heads first, cells parted by tabs. Text that a spreadsheet would
 * calculate begins with an apostrophe, as in the table files of the server; a number stays one.
 */
export const tableText = (
  heads: readonly string[],
  rows: readonly (readonly (string | number | undefined)[])[],
): string =>
  Papa.unparse(
    { fields: [...heads], data: rows.map((row) => [...row]) },
    { delimiter: '\t', newline: '\n', escapeFormulae: FORMULA },
  )
