import { and, asc, eq, gt, lte, sql } from 'drizzle-orm'
import type { JobState } from '@nachtigal/contract/api'
import { applyCommand, type Documents } from '@nachtigal/core/document/applyChange'
import type { Command } from '@nachtigal/core/document/command'
import type { AnyDocument, JobDocument, LoopDocument } from '@nachtigal/core/document/documents'
import { AppError } from '../appError'
import { jobs, logRows } from '../db/schema'
import { type Asked, jobUnknown } from './standing'

/** Rows from one snapshot to the next: the most that a view as of a moment replays. */
export const SNAPSHOT_EVERY = 500

/** A command applied to what its log led to. @throws AppError when the log contradicts itself */
export function follow(state: Documents, command: Command): Documents {
  const next = applyCommand(state, command)
  if (!next.ok)
    throw new AppError('FILE_REFUSED', `the log contradicts itself at command ${command.id}`, { id: command.id })
  return next.documents
}

/** Documents as a log led to them after a row: from the snapshots before it, then by the rows between. */
async function documentsAt(db: Asked, jobId: string, sequence: number): Promise<Documents> {
  const from = sequence - (sequence % SNAPSHOT_EVERY)
  const { rows: kept } = (await db.execute(sql`
    SELECT DISTINCT ON (document_id) document_id AS id, body FROM snapshots
    WHERE job_id = ${jobId} AND sequence <= ${from}::integer
    ORDER BY document_id, sequence DESC`)) as unknown as {
    rows: { readonly id: string; readonly body: AnyDocument | null }[]
  }
  const rows = await db
    .select({ command: logRows.command })
    .from(logRows)
    .where(and(eq(logRows.jobId, jobId), gt(logRows.sequence, from), lte(logRows.sequence, sequence)))
    .orderBy(asc(logRows.sequence))
  const start: Documents = Object.fromEntries(kept.flatMap(({ id, body }) => (body === null ? [] : [[id, body]])))
  return rows.reduce<Documents>((state, { command }) => follow(state, command), start)
}

/** The job as it was after a row of its log. @throws AppError where there is no such row, or the job was gone then */
export async function jobAt(db: Asked, jobId: string, sequence: number): Promise<JobState> {
  const [row] = await db
    .select({ revision: jobs.revision, importing: jobs.importing })
    .from(jobs)
    .where(eq(jobs.id, jobId))
  if (!row || row.importing !== null) throw jobUnknown(jobId)
  const there = sequence <= row.revision
  const { [jobId]: job, ...loops } = there ? await documentsAt(db, jobId, sequence) : {}
  if (!job) throw new AppError('ROW_UNKNOWN', `there is no row ${sequence} in this log`, { sequence })
  return { job: job as JobDocument, loops: loops as Record<string, LoopDocument>, revision: sequence }
}
