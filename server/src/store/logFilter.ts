import type { LogWanted } from '@nachtigal/contract/api'
import { wordChange } from '@nachtigal/core/check/wordChange'
import type { LogRow } from '@nachtigal/core/job/command'
import type { LoopDocument } from '@nachtigal/core/job/documents'
import { kindsOf } from '@nachtigal/core/job/logKind'
import type { UnitPreferences } from '@nachtigal/core/units/quantity'

/** What the words of a log are made with: the units of its job, and what its loops are called. */
export interface LogReader {
  readonly preferences: UnitPreferences
  readonly loops: Readonly<Record<string, LoopDocument>>
}

/** The words of a row as its reader sees them: who, on which loop, what, before and after, why. */
export function rowText({ preferences, loops }: LogReader, { command }: LogRow): string {
  const lines = command.change.map((change) => {
    const { what, before, after } = wordChange(change, preferences)
    return `${what} ${before} ${after}`
  })
  return [
    command.by,
    loops[command.loopId ?? '']?.name ?? 'job',
    command.why ?? '',
    command.undoes ? 'taken back' : '',
    ...lines,
  ].join(' ')
}

/** Whether a row answers what is wanted: loop, kind, who, and every word that was typed. */
export function logFilter(reader: LogReader, { loop, kind, by, words }: LogWanted): (row: LogRow) => boolean {
  const asked = (words ?? '').toLowerCase().split(/\s+/).filter(Boolean)
  return (row) => {
    const { command } = row
    if (loop && command.loopId !== loop) return false
    if (by && command.by !== by) return false
    if (kind && !kindsOf(command).includes(kind)) return false
    if (asked.length === 0) return true
    const text = rowText(reader, row).toLowerCase()
    return asked.every((word) => text.includes(word))
  }
}
