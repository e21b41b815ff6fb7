import { and, asc, desc, eq, gt, isNull, lt, lte, type SQL, sql } from 'drizzle-orm'
import type { LogPage, LogVerdict, LogWanted } from '@nachtigal/contract/api'
import { firstHash, type LogRow } from '@nachtigal/core/document/command'
import type { JobDocument, LoopDocument } from '@nachtigal/core/document/documents'
import type { Reader } from '@nachtigal/core/words/words'
import type { Database } from '../db/openDatabase'
import { jobs, logRows } from '../db/schema'
import type { DocumentCache } from './documentCache'
import { lookUp } from './logWords'
import { brokenLink } from './rowHash'
import { type Asked, jobUnknown, standing } from './standing'

/** What the words of a log are made with: the units of its job, and what its loops are called. */
export interface LogReader {
  readonly preferences: Reader
  /** Whose clock its moments are read by. */
  readonly zone: string
  readonly loops: Readonly<Record<string, LoopDocument>>
}

/** A job's log with what its reader needs to word it. */
export interface JobRecord extends LogReader {
  readonly name: string
  readonly total: number
  /** Its rows, oldest first, so many at a time. */
  readonly rows: AsyncIterable<readonly LogRow[]>
}

/** Units of a job that has no document to say which. */
const METRIC: Reader = { temperatureUnit: 'C', system: 'metric' }
/** Rows that are read at once where a log is gone through. */
const BATCH = 100

const columns = {
  sequence: logRows.sequence,
  receivedAt: logRows.receivedAt,
  command: logRows.command,
  previousHash: logRows.previousHash,
  hash: logRows.hash,
}

/** Rows of a log from one to another, oldest first, in batches: however long it is, little of it is in memory. */
export async function* rowsOf(
  db: Asked,
  jobId: string,
  after: number,
  upTo: number,
): AsyncGenerator<readonly LogRow[]> {
  for (let below = after; below < upTo;) {
    const rows: readonly LogRow[] = await db
      .select(columns)
      .from(logRows)
      .where(and(eq(logRows.jobId, jobId), gt(logRows.sequence, below), lte(logRows.sequence, upTo)))
      .orderBy(asc(logRows.sequence))
      .limit(BATCH)
    if (rows.length === 0) return
    yield rows
    below = rows.at(-1)!.sequence
  }
}

/** Newest rows that are gone through one by one before the index is asked: what is often met is met there. */
const NEWEST = 3000
/** Rows that the index is asked for at once. */
const MOST_FOUND = 4000

/** The newest rows that answer what is wanted, so many at most. */
export async function readLog(
  db: Database,
  cache: DocumentCache,
  jobId: string,
  limit: number,
  wanted: LogWanted = {},
): Promise<LogPage> {
  const { documents, revision } = await standing(db, cache, jobId)
  const { before, ...filter } = wanted
  const names = Object.entries(documents).map(([id, document]) => [id, (document as { name: string }).name] as const)
  const query = lookUp(filter, names)
  const below = Math.min(before ?? revision + 1, revision + 1)
  const meets = query === undefined ? undefined : sql`${logRows.words} @@ ${query}::tsquery`
  const near = await rowsBelow(db, jobId, limit + 1, lt(logRows.sequence, below), [
    ...(meets ? [meets, gt(logRows.sequence, below - 1 - NEWEST)] : []),
  ])
  const found =
    meets && near.length <= limit && below - 1 > NEWEST ? await rowsFound(db, jobId, limit + 1, below, meets) : near
  const rows = found.slice(0, limit)
  return { total: revision, rows, ...(found.length > limit ? { more: true } : {}) }
}

const rowsBelow = (db: Asked, jobId: string, limit: number, where: SQL, more: readonly SQL[]) =>
  db
    .select(columns)
    .from(logRows)
    .where(and(eq(logRows.jobId, jobId), where, ...more))
    .orderBy(desc(logRows.sequence))
    .limit(limit)

/**
 * Rows by the index. One that nothing answers would otherwise be looked for in every row; one that very many answer would be gathered
 * from the index for nothing, so it is met on the way back through the log.
 */
async function rowsFound(db: Asked, jobId: string, limit: number, below: number, meets: SQL) {
  const found = await db
    .select({ sequence: logRows.sequence })
    .from(logRows)
    .where(and(eq(logRows.jobId, jobId), meets))
    .limit(MOST_FOUND)
  if (found.length === MOST_FOUND) return rowsBelow(db, jobId, limit, lt(logRows.sequence, below), [meets])
  const wanted = found
    .map(({ sequence }) => sequence)
    .filter((sequence) => sequence < below)
    .sort((a, b) => b - a)
    .slice(0, limit)
  return rowsBelow(db, jobId, limit, sql`${logRows.sequence} = ANY(${`{${wanted.join(',')}}`}::integer[])`, [])
}

/** Rows that are held against their chain in one request. */
const VERIFIED_AT_ONCE = 2000

/**
 * Whether rows of a log follow from one another: those that were not looked at yet, or from a row on when all are asked for again. So
 * many at a time; whoever wants the rest asks again from where it stopped.
 */
export async function verifyLog(db: Database, jobId: string, from?: number): Promise<LogVerdict> {
  const [job] = await db
    .select({ revision: jobs.revision, verified: jobs.verified })
    .from(jobs)
    .where(and(eq(jobs.id, jobId), isNull(jobs.importing)))
  if (!job) throw jobUnknown(jobId)
  const start = Math.min(from ?? job.verified, job.revision)
  const until = Math.min(start + VERIFIED_AT_ONCE, job.revision)
  let previous = start === 0 ? firstHash : await hashAt(db, jobId, start)
  let checked = start
  for await (const rows of rowsOf(db, jobId, start, until)) {
    const broken = brokenLink(rows, checked, previous)
    if (broken !== undefined) {
      await db
        .update(jobs)
        .set({ verified: broken - 1 })
        .where(eq(jobs.id, jobId))
      return { rows: job.revision, checked: broken - 1, brokenAt: broken }
    }
    checked = rows.at(-1)!.sequence
    previous = rows.at(-1)!.hash
  }
  if (checked < until) return { rows: job.revision, checked, brokenAt: checked + 1 }
  if (checked > job.verified) await db.update(jobs).set({ verified: checked }).where(eq(jobs.id, jobId))
  return { rows: job.revision, checked }
}

async function hashAt(db: Asked, jobId: string, sequence: number): Promise<string> {
  const [row] = await db
    .select({ hash: logRows.hash })
    .from(logRows)
    .where(and(eq(logRows.jobId, jobId), eq(logRows.sequence, sequence)))
  return row?.hash ?? ''
}

/** The whole record of a job; of one that was taken back too. */
export async function recordOf(db: Database, cache: DocumentCache, jobId: string): Promise<JobRecord> {
  const { documents, revision } = await standing(db, cache, jobId)
  const { [jobId]: job, ...loops } = documents as Record<string, JobDocument | LoopDocument>
  const preferences = (job as JobDocument | undefined) ?? METRIC
  return {
    name: job?.name ?? 'job',
    preferences,
    zone: (job as JobDocument | undefined)?.zone ?? 'UTC',
    loops: loops as Record<string, LoopDocument>,
    total: revision,
    rows: rowsOf(db, jobId, 0, revision),
  }
}
