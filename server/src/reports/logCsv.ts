import Papa from 'papaparse'
import { didOf } from '@nachtigal/core/actions/didOf'
import { wordChange } from '@nachtigal/core/check/wordChange'
import type { LogRow } from '@nachtigal/core/document/command'
import { zonedIso } from '@nachtigal/core/time/shownMoment'
import type { JobRecord, LogReader } from '../store/logReading'
import { FORMULA } from '@nachtigal/contract/formula'

const fields = ['no.', 'when', 'received', 'who', 'loop', 'did', 'what', 'before', 'after', 'why', 'takes back', 'hash']

const linesOf = ({ preferences, zone, loops }: LogReader, { sequence, receivedAt, command, hash }: LogRow) =>
  command.change.map((change) => {
    const { what, before, after } = wordChange(change, preferences)
    const loop = command.loopId === undefined ? 'job' : (loops[command.loopId]?.name ?? 'taken back')
    return [
      sequence,
      zonedIso(command.at, zone),
      zonedIso(receivedAt, zone),
      command.by,
      loop,
      didOf(command) ?? '',
      what,
      before,
      after,
      command.why ?? '',
      command.undoes ?? '',
      hash,
    ]
  })

/** The log as CSV in pieces, a line for each change; a cell that a table program would take for a formula is made plain text. */
export async function* logCsv(record: JobRecord): AsyncGenerator<string> {
  // The mark tells table programs that it is UTF-8.
  yield `\ufeff${Papa.unparse([fields])}\r\n`
  for await (const rows of record.rows)
    yield `${Papa.unparse(
      rows.flatMap((row) => linesOf(record, row)),
      { escapeFormulae: FORMULA },
    )}\r\n`
}

/** The log as JSON in pieces, as it is kept. */
export async function* logJson({ rows }: JobRecord): AsyncGenerator<string> {
  yield '['
  let first = true
  for await (const batch of rows) {
    yield `${first ? '' : ','}${batch.map((row) => JSON.stringify(row)).join(',')}`
    first = false
  }
  yield ']'
}
