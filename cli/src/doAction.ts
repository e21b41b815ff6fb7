import { createHash, randomUUID } from 'node:crypto'
import { documentSchema } from '@nachtigal/contract/documentSchemas'
import type { JobFile } from '@nachtigal/contract/api'
import { refusal, type Refusal } from '@nachtigal/contract/check'
import { inputRefusal } from '@nachtigal/contract/inputRefusal'
import type { AnyAction, Hand } from '@nachtigal/core/actions/action'
import { applyCommand } from '@nachtigal/core/document/applyChange'
import { changesBetween } from '@nachtigal/core/document/changesBetween'
import { type Command, firstHash, hashText, type LogRow } from '@nachtigal/core/document/command'
import type { LoopDocument } from '@nachtigal/core/document/documents'
import { lockedOut } from '@nachtigal/core/document/handover'
import { Refused } from '@nachtigal/core/units/refused'
import type { Edited } from '@nachtigal/core/wiring/edited'

interface Given {
  readonly action: AnyAction
  readonly job: JobFile['job']
  readonly loops: JobFile['loops']
  /** Where the log of the job stands. */
  readonly revision: number
  readonly loop: LoopDocument
  readonly input: unknown
  /** Who acts and when, with what is there to act with. */
  readonly hand: Pick<Hand, 'by' | 'at' | 'data' | 'shelf'>
}

/** The command that an action makes of a job, or what is wrong with what was put in. */
export function commandOf({
  action,
  job,
  loops,
  revision,
  loop,
  input,
  hand,
}: Given): { readonly command: Command } | Refusal {
  const wrong = inputRefusal(action, input)
  if (wrong) return wrong
  let after: Edited
  try {
    after = action.run({ job, loop }, input, { ...hand, newId: randomUUID, loops: Object.values(loops) })
  } catch (error) {
    if (error instanceof Refused) return { field: error.field, message: error.message }
    throw error
  }
  const change = [...changesBetween(job.id, job, after.job), ...changesBetween(loop.id, loop, after.loop)]
  if (change.length === 0) return { field: 'input', message: 'input changes nothing: it stands so already' }
  const documents = { [job.id]: job, ...loops }
  const locked = lockedOut(documents, change)
  if (locked) return { field: 'loop', message: locked }
  const bad =
    refusal(documentSchema(job.id, job.id), after.job, job) ??
    refusal(documentSchema(loop.id, job.id), after.loop, loop)
  if (bad) return bad
  return {
    command: {
      id: randomUUID(),
      jobId: job.id,
      loopId: loop.id,
      baseRevision: revision,
      at: hand.at,
      by: hand.by,
      action: action.id,
      change,
    },
  }
}

/** The job file with a command more: its documents after it, and its row in the chained log. */
export function withCommand(file: JobFile, command: Command, receivedAt: string): JobFile {
  const applied = applyCommand({ [file.job.id]: file.job, ...file.loops }, command)
  if (!applied.ok) throw new Error('a command that was just made does not apply')
  const last = file.log.at(-1)
  const row = { sequence: (last?.sequence ?? 0) + 1, receivedAt, command, previousHash: last?.hash ?? firstHash }
  const hash = createHash('sha256').update(hashText(row)).digest('hex')
  const { [file.job.id]: job, ...loops } = applied.documents
  return {
    ...file,
    job: job as JobFile['job'],
    loops: loops as JobFile['loops'],
    log: [...file.log, { ...row, hash } satisfies LogRow],
  }
}
