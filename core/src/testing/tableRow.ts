/** A cell of a table: nothing in it may end the cell or the row. */
const cell = (text: string) =>
  text.replaceAll('|', '\\|').replaceAll('\n', ' ').replaceAll('\u00a0', ' ').replaceAll('\u202f', ' ')

/** A row of a table in Markdown. */
export const tableRow = (cells: readonly string[]) => `| ${cells.map(cell).join(' | ')} |`
