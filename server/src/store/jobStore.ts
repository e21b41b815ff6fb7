import { and, asc, count, desc, eq, gt, isNull, sql } from 'drizzle-orm'
import type {
  CommandReply,
  JobState,
  JobSummary,
  LogPage,
  LogVerdict,
  LogWanted,
  RowsSince,
} from '@nachtigal/contract/api'
import type { Command } from '@nachtigal/core/document/command'
import type { JobDocument, LoopDocument } from '@nachtigal/core/document/documents'
import type { FieldData } from '@nachtigal/core/plant/fieldValue'
import type { Database } from '../db/openDatabase'
import { documents, jobs, logRows } from '../db/schema'
import { clearDead, JobIntake } from '../intake/jobIntake'
import { readJobFile } from '../intake/readJobFile'
import { AppError } from '../appError'
import { applyStored } from './applyStored'
import { jobAt } from './asOf'
import { indexLogs, migrateJobs } from './bringForward'
import type { ChangeFeed } from './changeFeed'
import { DocumentCache } from './documentCache'
import { exportJob, type JobExport } from './exportJob'
import { KeyedQueue } from './keyedQueue'
import { type JobRecord, readLog, recordOf, verifyLog } from './logReading'
import { putPhoto, readPhoto } from './photoStore'
import { jobUnknown, refreshed, standing } from './standing'

/** Everything the server does with jobs: one transaction for documents and log. */
export interface JobStore {
  list(): Promise<JobSummary[]>
  read(jobId: string): Promise<JobState>
  apply(command: Command): Promise<CommandReply>
  log(jobId: string, limit: number, wanted?: LogWanted): Promise<LogPage>
  /** Commands that came after a row, oldest first: what a reader lacks. */
  since(jobId: string, sequence: number): Promise<RowsSince>
  /** Whether every row follows from the one before: those not looked at yet, or from a row on. */
  verify(jobId: string, from?: number): Promise<LogVerdict>
  /** The job as it was after a row of its log. */
  at(jobId: string, sequence: number): Promise<JobState>
  /** The whole record of a job, oldest row first; of one that was taken back too. */
  record(jobId: string): Promise<JobRecord>
  exportFile(jobId: string): Promise<JobExport>
  /** Takes a job file in as it comes. @throws AppError when anything of it is wrong; nothing of it is left then */
  importFile(source: AsyncIterable<Uint8Array>): Promise<{ readonly jobId: string }>
  /** Keeps a photo under the hash of its bytes; the same one twice is kept once. @throws AppError when it is none, or another's hash */
  putPhoto(jobId: string, hash: string, body: Uint8Array): Promise<void>
  photo(jobId: string, hash: string): Promise<{ readonly type: string; readonly body: Uint8Array }>
  /** Lets go of all that is held in memory: the database is another one now. */
  forget(): void
  /**
   * Brings jobs that an older program wrote to the present versions and clears away what was left half done; answers how many.
   * @param alone no other process is at this database
   */
  migrate(alone: boolean, say?: (message: string) => void): Promise<number>
}

interface Deps {
  readonly db: Database
  /** Field data that the gate before a signature reckons with. */
  readonly data: FieldData
  /** The server's clock, as ISO text. */
  readonly now: () => string
  readonly feed: ChangeFeed
}

/** Rows that a reader who lagged behind is given at once; one who lacks more reads the whole job. */
const MOST_SINCE = 200

/** The store of jobs: commands in, documents and log out. */
export function createJobStore({ db, data, now, feed }: Deps): JobStore {
  const cache = new DocumentCache(feed.alone)
  feed.listen((told) => {
    if (told === 'look') cache.doubt()
    else cache.hear(told.job, told.sequence)
  })
  const writers = new KeyedQueue()
  return {
    list: () => listJobs(db),
    read: (jobId) => readJob(db, cache, jobId),
    apply: async (command) => {
      const reply = await writers
        .run(command.jobId, () => applyStored({ db, cache, data, now }, command))
        .catch((error: unknown) => {
          // Broken off by the database it may have been written or not.
          if (!(error instanceof AppError)) cache.doubt()
          throw error
        })
      if (!reply.repeated) feed.told({ job: command.jobId, sequence: reply.sequence })
      return reply
    },
    log: (jobId, limit, wanted) => readLog(db, cache, jobId, limit, wanted),
    since: (jobId, sequence) => rowsSince(db, cache, jobId, sequence),
    verify: (jobId, from) => verifyLog(db, jobId, from),
    at: (jobId, sequence) => jobAt(db, jobId, sequence),
    record: (jobId) => recordOf(db, cache, jobId),
    exportFile: (jobId) => exportJob(db, cache, jobId),
    importFile: async (source) => {
      const intake = new JobIntake(db, now)
      try {
        await readJobFile(source, intake)
        return await intake.finish()
      } catch (error) {
        await intake.abandon().catch(() => undefined)
        throw error
      }
    },
    putPhoto: (jobId, hash, body) => putPhoto(db, jobId, hash, body),
    photo: (jobId, hash) => readPhoto(db, jobId, hash),
    forget: () => cache.clear(),
    migrate: async (alone, say = () => undefined) => {
      await clearDead(db, now, alone)
      await indexLogs(db, say)
      return migrateJobs(db, now)
    },
  }
}

async function listJobs(db: Database): Promise<JobSummary[]> {
  const loops = db
    .select({ jobId: documents.jobId, loops: count().as('loops') })
    .from(documents)
    .where(eq(documents.kind, 'loop'))
    .groupBy(documents.jobId)
    .as('loops')
  const rows = await db
    .select({
      id: jobs.id,
      // Not the whole documents: a job holds a copy of each device.
      name: sql<string | null>`${documents.body}->>'name'`,
      place: sql<string | null>`${documents.body}->>'place'`,
      loops: loops.loops,
      revision: jobs.revision,
      changedAt: jobs.changedAt,
    })
    .from(jobs)
    .innerJoin(documents, and(eq(documents.jobId, jobs.id), eq(documents.kind, 'job')))
    .leftJoin(loops, eq(loops.jobId, jobs.id))
    .where(isNull(jobs.importing))
    .orderBy(desc(jobs.changedAt))
  return rows.map((row) => ({ ...row, name: row.name ?? '', place: row.place ?? '', loops: Number(row.loops ?? 0) }))
}

async function readJob(db: Database, cache: DocumentCache, jobId: string): Promise<JobState> {
  const { documents: all, revision } = await standing(db, cache, jobId)
  const { [jobId]: job, ...loops } = all
  if (!job) throw jobUnknown(jobId)
  return { job: job as JobDocument, loops: loops as Record<string, LoopDocument>, revision }
}

async function revisionOf(db: Database, jobId: string): Promise<{ readonly revision: number }> {
  const [job] = await db
    .select({ revision: jobs.revision })
    .from(jobs)
    .where(and(eq(jobs.id, jobId), isNull(jobs.importing)))
  if (!job) throw jobUnknown(jobId)
  return job
}

async function rowsSince(db: Database, cache: DocumentCache, jobId: string, sequence: number): Promise<RowsSince> {
  // Documents are not read for it: whoever looks on may look at more jobs than are held.
  const { revision } =
    cache.current(jobId) ?? (await (cache.get(jobId) ? refreshed(db, cache, jobId) : revisionOf(db, jobId)))
  if (sequence >= revision) return { revision, commands: [] }
  if (revision - sequence > MOST_SINCE) return { revision }
  const known = cache.rowsAfter(jobId, sequence)
  if (known) return { revision, commands: known }
  const commands = await db
    .select({ command: logRows.command })
    .from(logRows)
    .where(and(eq(logRows.jobId, jobId), gt(logRows.sequence, sequence)))
    .orderBy(asc(logRows.sequence))
  return { revision: sequence + commands.length, commands: commands.map(({ command }) => command) }
}
