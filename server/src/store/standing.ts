import { and, asc, eq, gt, isNull, sql } from 'drizzle-orm'
import { applyCommand, type Documents } from '@nachtigal/core/document/applyChange'
import type { Command } from '@nachtigal/core/document/command'
import type { AnyDocument } from '@nachtigal/core/document/documents'
import { AppError } from '../appError'
import { named } from '../db/named'
import type { Database } from '../db/openDatabase'
import { documents, jobs, logRows } from '../db/schema'
import type { DocumentCache, Held } from './documentCache'

export type Transaction = Parameters<Parameters<Database['transaction']>[0]>[0]
export type Asked = Database | Transaction

/** The refusal where there is no such job. */
export const jobUnknown = (jobId: string) => new AppError('JOB_UNKNOWN', `there is no job ${jobId}`, { jobId })

/** Rows that are applied to what is held rather than reading the documents anew. */
const MOST_CAUGHT_UP = 100

/** Documents and revision of a job in one look, so that they belong together. */
export async function readWhole(db: Asked, jobId: string): Promise<Held> {
  const rows = await db
    .select({ revision: jobs.revision, headHash: jobs.headHash, id: documents.id, body: documents.body })
    .from(jobs)
    .leftJoin(documents, eq(documents.jobId, jobs.id))
    .where(and(eq(jobs.id, jobId), isNull(jobs.importing)))
    // Wherever the rows lie: a file that is taken elsewhere and back is the same to the letter.
    .orderBy(asc(documents.id))
  const [first] = rows
  if (!first) throw jobUnknown(jobId)
  return {
    revision: first.revision,
    headHash: first.headHash,
    documents: Object.fromEntries(rows.flatMap(({ id, body }) => (id === null ? [] : [[id, body as AnyDocument]]))),
  }
}

/** Brings what is held of a job to a revision, by the rows between where they are few. */
export async function broughtTo(db: Asked, cache: DocumentCache, jobId: string, revision: number): Promise<Held> {
  const held = cache.get(jobId)
  if (held?.revision === revision) return held
  const next =
    held && held.revision < revision && revision - held.revision <= MOST_CAUGHT_UP
      ? withRows(held, await rowsSince(db, jobId, held.revision))
      : undefined
  if (next?.now.revision === revision) {
    cache.put(jobId, next.now, next.rows)
    return next.now
  }
  const whole = await readWhole(db, jobId)
  cache.put(jobId, whole)
  return whole
}

interface RowSince {
  readonly sequence: number
  readonly command: Command
  readonly hash: string
}

const rowsSince = (db: Asked, jobId: string, sequence: number): PromiseLike<readonly RowSince[]> =>
  db
    .select({ sequence: logRows.sequence, command: logRows.command, hash: logRows.hash })
    .from(logRows)
    .where(and(eq(logRows.jobId, jobId), gt(logRows.sequence, sequence)))
    .orderBy(asc(logRows.sequence))
    .limit(MOST_CAUGHT_UP + 1)

/** What is held, with the rows that came since; nothing where they are too many or do not follow. */
function withRows(held: Held, rows: readonly RowSince[]) {
  if (rows.length > MOST_CAUGHT_UP) return undefined
  let state: Documents = held.documents
  for (const [i, { sequence, command }] of rows.entries()) {
    const applied = sequence === held.revision + i + 1 ? applyCommand(state, command) : undefined
    if (!applied?.ok) return undefined
    state = applied.documents
  }
  const now: Held = {
    revision: held.revision + rows.length,
    documents: state,
    headHash: rows.at(-1)?.hash ?? held.headHash,
  }
  return { now, rows }
}

/** What is held of a job brought to the newest row, by the rows since where they are few. @throws AppError where there is none */
export async function refreshed(db: Database, cache: DocumentCache, jobId: string): Promise<Held> {
  const held = cache.get(jobId)
  const next =
    held &&
    withRows(
      held,
      await named<RowSince>(
        db,
        'rows-since',
        'SELECT sequence, command, hash FROM log_rows WHERE job_id = $1 AND sequence > $2::integer ORDER BY sequence LIMIT $3::integer',
        [jobId, held.revision, MOST_CAUGHT_UP + 1],
      ),
    )
  const now = next?.now ?? (await readWhole(db, jobId))
  cache.put(jobId, now, next?.rows)
  return now
}

/** A job as it stands now. @throws AppError where there is none */
export async function standing(db: Asked, cache: DocumentCache, jobId: string): Promise<Held> {
  const held = cache.alone ? cache.current(jobId) : undefined
  if (held) return held
  const [row] = await db
    .select({ revision: jobs.revision })
    .from(jobs)
    .where(and(eq(jobs.id, jobId), isNull(jobs.importing)))
  if (!row) throw jobUnknown(jobId)
  return broughtTo(db, cache, jobId, row.revision)
}

/** The row of a job, held for this transaction: two writers to one job follow each other. */
export async function lockedRow(tx: Transaction, jobId: string) {
  const [job] = await tx
    .select({ revision: jobs.revision, headHash: jobs.headHash })
    .from(jobs)
    .where(and(eq(jobs.id, jobId), isNull(jobs.importing)))
    .for('update')
  if (!job) throw jobUnknown(jobId)
  return job
}

/** Name of the channel on which a PostgreSQL server tells that a job was changed. */
export const CHANNEL = 'nachtigal_changes'

/** What is told of a change: job and sequence, nothing more, for a notice holds less than 8 kB. */
export const noticeOf = (jobId: string, sequence: number) => JSON.stringify({ job: jobId, sequence })

/** Tells the other processes at the server of a change when it is committed. */
export const notice = (jobId: string, sequence: number) => sql`pg_notify(${CHANNEL}, ${noticeOf(jobId, sequence)})`
