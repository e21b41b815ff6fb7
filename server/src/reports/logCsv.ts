import Papa from 'papaparse'
import { wordChange } from '@nachtigal/core/check/wordChange'
import type { LogRow } from '@nachtigal/core/job/command'
import type { LogReader } from '../store/logFilter'

const fields = ['no.', 'when', 'received', 'who', 'loop', 'what', 'before', 'after', 'why', 'takes back', 'hash']

/** The log as CSV, a line for each change; a cell that a table program would take for a formula is made plain text. */
export function logCsv({ preferences, loops }: LogReader, rows: readonly LogRow[]): string {
  const data = rows.flatMap(({ sequence, receivedAt, command, hash }) =>
    command.change.map((change) => {
      const { what, before, after } = wordChange(change, preferences)
      const loop = command.loopId === undefined ? 'job' : (loops[command.loopId]?.name ?? 'taken back')
      return [
        sequence,
        command.at,
        receivedAt,
        command.by,
        loop,
        what,
        before,
        after,
        command.why ?? '',
        command.undoes ?? '',
        hash,
      ]
    }),
  )
  // The mark tells table programs that it is UTF-8.
  return `\ufeff${Papa.unparse({ fields, data }, { escapeFormulae: true })}\r\n`
}
