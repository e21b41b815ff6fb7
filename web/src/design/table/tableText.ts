import Papa from 'papaparse'

/** What a spreadsheet would calculate instead of showing. */
const FORMULA = /^[=+\-@\t\r]/

/**
 * A table as a spreadsheet takes it from the clipboard: lines of cells parted by tabs, heads first. A cell that
 * a spreadsheet would calculate begins with an apostrophe; a plain number stays one.
 */
export function tableText(
  heads: readonly string[],
  rows: readonly (readonly (string | number | undefined)[])[],
): string {
  return Papa.unparse(
    {
      fields: [...heads],
      data: rows.map((row) => row.map((cell) => (typeof cell === 'number' ? cell : guarded(cell)))),
    },
    { delimiter: '\t', newline: '\n' },
  )
}

const guarded = (cell = '') => (FORMULA.test(cell) && !/^[+-]?\d+([.,]\d+)?$/.test(cell) ? `'${cell}` : cell)
