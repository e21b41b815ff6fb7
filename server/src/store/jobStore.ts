import { createHash, randomUUID } from 'node:crypto'
import { and, asc, count, desc, eq, sql } from 'drizzle-orm'
import type {
  CommandReply,
  JobFile,
  JobState,
  JobSummary,
  LogPage,
  LogVerdict,
  LogWanted,
} from '@nachtigal/contract/api'
import { refusal } from '@nachtigal/contract/check'
import { JOB_FILE_VERSION, MOST_PHOTO_BYTES } from '@nachtigal/contract/jobFileSchema'
import { jobSchema, loopSchema } from '@nachtigal/contract/documentSchemas'
import { loopContext } from '@nachtigal/core/check/context'
import { signingBlockedBy } from '@nachtigal/core/check/stageStatus'
import { applyCommand, type Documents } from '@nachtigal/core/job/applyChange'
import { sameValue } from '@nachtigal/core/job/canonicalJson'
import { type Command, firstHash, type LogRow } from '@nachtigal/core/job/command'
import type { AnyDocument, JobDocument, LoopDocument } from '@nachtigal/core/job/documents'
import type { FieldData } from '@nachtigal/core/plant/fieldValue'
import { lockedOut } from '@nachtigal/core/job/handover'
import { migration } from '@nachtigal/core/job/migrate'
import type { UnitPreferences } from '@nachtigal/core/units/quantity'
import { AppError } from '../appError'
import type { Database } from '../db/openDatabase'
import { documents, jobs, logRows, photos } from '../db/schema'
import { logFilter, type LogReader } from './logFilter'
import { photoType } from './photoType'
import { brokenLink, rowHash } from './rowHash'

/** Everything the server does with jobs: one transaction for documents and log. */
export interface JobStore {
  list(): Promise<JobSummary[]>
  read(jobId: string): Promise<JobState>
  apply(command: Command): Promise<CommandReply>
  log(jobId: string, limit: number, wanted?: LogWanted): Promise<LogPage>
  /** Whether every row follows from the one before; the first that does not. */
  verify(jobId: string): Promise<LogVerdict>
  /** The job as it was after a row of its log. */
  at(jobId: string, sequence: number): Promise<JobState>
  /** The whole record of a job, oldest row first; of one that was taken back too. */
  record(jobId: string): Promise<JobRecord>
  exportFile(jobId: string): Promise<JobFile>
  importFile(file: JobFile): Promise<{ jobId: string }>
  /** Keeps a photo under the hash of its bytes; the same one twice is kept once. @throws AppError when it is none, or another's hash */
  putPhoto(jobId: string, hash: string, body: Uint8Array): Promise<void>
  photo(jobId: string, hash: string): Promise<{ readonly type: string; readonly body: Uint8Array }>
  /** Brings jobs that an older program wrote to the present versions; answers how many. */
  migrate(): Promise<number>
}

/** A job's log with what its reader needs to word it. */
export interface JobRecord extends LogReader {
  readonly name: string
  readonly rows: readonly LogRow[]
}

/** Units of a job that has no document to say which. */
const METRIC: UnitPreferences = { temperatureUnit: 'C', system: 'metric' }

type Transaction = Parameters<Parameters<Database['transaction']>[0]>[0]

/**
 * @param data field data that the gate before a signature reckons with
 * @param now the server's clock, as ISO text
 */
export function createJobStore(db: Database, data: FieldData, now: () => string): JobStore {
  return {
    list: () => listJobs(db),
    read: (jobId) => readJob(db, jobId),
    apply: (command) => db.transaction((tx) => applyInTransaction(tx, command, data, now())),
    log: (jobId, limit, wanted) => readLog(db, jobId, limit, wanted),
    verify: async (jobId) => {
      const rows = await wholeLog(db, jobId)
      const broken = brokenLink(rows)
      return { rows: rows.length, ...(broken === undefined ? {} : { brokenAt: broken }) }
    },
    at: (jobId, sequence) => jobAt(db, jobId, sequence),
    record: async (jobId) => {
      const { job, loops } = await standing(db, jobId)
      return { name: job?.name ?? 'job', preferences: job ?? METRIC, loops, rows: await wholeLog(db, jobId) }
    },
    exportFile: (jobId) => exportJob(db, jobId),
    importFile: (file) => db.transaction((tx) => importJob(tx, file, now())),
    putPhoto: (jobId, hash, body) => putPhoto(db, jobId, hash, body),
    photo: (jobId, hash) => readPhoto(db, jobId, hash),
    migrate: () => migrateJobs(db, now),
  }
}

async function listJobs(db: Database): Promise<JobSummary[]> {
  const rows = await db
    .select({ body: documents.body, revision: jobs.revision, changedAt: jobs.changedAt })
    .from(documents)
    .innerJoin(jobs, eq(jobs.id, documents.jobId))
    .where(eq(documents.kind, 'job'))
    .orderBy(desc(jobs.changedAt))
  const loops = await db
    .select({ jobId: documents.jobId, loops: count() })
    .from(documents)
    .where(eq(documents.kind, 'loop'))
    .groupBy(documents.jobId)
  const byJob = new Map(loops.map((row) => [row.jobId, row.loops]))
  return rows.map(({ body, revision, changedAt }) => {
    const { id, name, place } = body as JobDocument
    return { id, name, place, loops: byJob.get(id) ?? 0, revision, changedAt }
  })
}

async function documentsOf(db: Database | Transaction, jobId: string): Promise<Record<string, AnyDocument>> {
  const rows = await db
    .select({ id: documents.id, body: documents.body })
    .from(documents)
    .where(eq(documents.jobId, jobId))
    // Wherever the rows lie: a file that is taken elsewhere and back is the same to the letter.
    .orderBy(asc(documents.id))
  return Object.fromEntries(rows.map(({ id, body }) => [id, body]))
}

/** What stands of a job now; one that was taken back has no document any more, and its log goes on. */
async function standing(db: Database, jobId: string) {
  const [row] = await db.select().from(jobs).where(eq(jobs.id, jobId))
  if (!row) throw new AppError('JOB_UNKNOWN', `there is no job ${jobId}`, { jobId })
  const { [jobId]: job, ...loops } = await documentsOf(db, jobId)
  return {
    job: job as JobDocument | undefined,
    loops: loops as Record<string, LoopDocument>,
    revision: row.revision,
  }
}

async function readJob(db: Database, jobId: string): Promise<JobState> {
  const { job, ...rest } = await standing(db, jobId)
  if (!job) throw new AppError('JOB_UNKNOWN', `there is no job ${jobId}`, { jobId })
  return { job, ...rest }
}

/** Rows that are looked through at once for a filter. */
const SEARCHED = 500

/** The newest rows that answer what is wanted, so many at most. */
async function readLog(db: Database, jobId: string, limit: number, wanted: LogWanted = {}): Promise<LogPage> {
  const { job, loops, revision } = await standing(db, jobId)
  const { before, ...filter } = wanted
  const plain = Object.values(filter).every((each) => each === undefined || each === '')
  const fits = logFilter({ preferences: job ?? METRIC, loops }, filter)
  const rows: LogRow[] = []
  let below = before ?? revision + 1
  while (rows.length < limit && below > 1) {
    const batch = await db
      .select()
      .from(logRows)
      .where(and(eq(logRows.jobId, jobId), sql`${logRows.sequence} < ${below}`))
      .orderBy(desc(logRows.sequence))
      .limit(plain ? limit : SEARCHED)
    if (batch.length === 0) break
    for (const row of batch.map(asLogRow)) {
      below = row.sequence
      if (fits(row)) rows.push(row)
      if (rows.length === limit) break
    }
  }
  return { total: revision, rows, ...(below > 1 ? { more: true } : {}) }
}

async function wholeLog(db: Database | Transaction, jobId: string): Promise<readonly LogRow[]> {
  const rows = await db.select().from(logRows).where(eq(logRows.jobId, jobId)).orderBy(asc(logRows.sequence))
  if (rows.length === 0) throw new AppError('JOB_UNKNOWN', `there is no job ${jobId}`, { jobId })
  return rows.map(asLogRow)
}

/** The documents of a job as they were after a row: its commands replayed from the first. */
async function jobAt(db: Database, jobId: string, sequence: number): Promise<JobState> {
  const rows = (await wholeLog(db, jobId)).filter((row) => row.sequence <= sequence)
  const { [jobId]: job, ...loops } = replay(rows)
  if (!job) throw new AppError('ROW_UNKNOWN', `there is no row ${sequence} in this log`, { sequence })
  return { job: job as JobDocument, loops: loops as Record<string, LoopDocument>, revision: rows.at(-1)!.sequence }
}

/** Documents that a log leads to. @throws AppError when it contradicts itself */
function replay(log: readonly LogRow[]): Documents {
  return log.reduce<Documents>((state, { command }) => {
    const next = applyCommand(state, command)
    if (!next.ok)
      throw new AppError('FILE_REFUSED', `the log contradicts itself at command ${command.id}`, { id: command.id })
    return next.documents
  }, {})
}

const asLogRow = ({ sequence, receivedAt, command, previousHash, hash }: typeof logRows.$inferSelect): LogRow => ({
  sequence,
  receivedAt,
  command,
  previousHash,
  hash,
})

async function applyInTransaction(
  tx: Transaction,
  command: Command,
  data: FieldData,
  receivedAt: string,
): Promise<CommandReply> {
  const { jobId } = command
  const creates =
    command.change[0]!.document === jobId && command.change[0]!.path.length === 0 && command.change[0]!.from === null
  if (creates) await tx.insert(jobs).values({ id: jobId, revision: 0, changedAt: receivedAt }).onConflictDoNothing()
  // The job's row is the lock: two writers to one job follow each other.
  const [job] = await tx.select().from(jobs).where(eq(jobs.id, jobId)).for('update')
  if (!job) throw new AppError('JOB_UNKNOWN', `there is no job ${jobId}`, { jobId })

  const [known] = await tx.select().from(logRows).where(eq(logRows.commandId, command.id))
  if (known) {
    if (!sameValue(known.command, command))
      throw new AppError('COMMAND_ID_REUSED', `command ${command.id} was sent before with other contents`, {
        id: command.id,
      })
    return { sequence: known.sequence, revision: job.revision, receivedAt: known.receivedAt, repeated: true }
  }
  if (command.undoes !== undefined) {
    const [undone] = await tx
      .select()
      .from(logRows)
      .where(and(eq(logRows.jobId, jobId), eq(logRows.commandId, command.undoes)))
    if (!undone)
      throw new AppError('COMMAND_REFUSED', `undoes ${command.undoes}: there is no such command in this job`, {
        field: 'undoes',
      })
  }
  const before = await documentsOf(tx, jobId)
  const locked = lockedOut(before, command.change)
  if (locked) throw new AppError('LOOP_LOCKED', locked, { field: 'change' })
  const after = changed(before, command)
  checkSigning(before, after, command.jobId, data)
  await write(tx, jobId, command, before, after)

  const sequence = job.revision + 1
  const [last] = await tx
    .select({ hash: logRows.hash })
    .from(logRows)
    .where(and(eq(logRows.jobId, jobId), eq(logRows.sequence, job.revision)))
  const row = { sequence, receivedAt, command, previousHash: last?.hash ?? firstHash }
  await tx.insert(logRows).values({ jobId, commandId: command.id, ...row, hash: rowHash(row) })
  await tx.update(jobs).set({ revision: sequence, changedAt: receivedAt }).where(eq(jobs.id, jobId))
  return { sequence, revision: sequence, receivedAt, repeated: false }
}

/** The documents after a command. @throws AppError when it clashes or makes a document of the wrong shape */
function changed(before: Documents, command: Command): Documents {
  let applied
  try {
    applied = applyCommand(before, command)
  } catch (error) {
    throw new AppError('COMMAND_REFUSED', (error as Error).message, { field: 'change' }, error)
  }
  if (!applied.ok)
    throw new AppError('COMMAND_CONFLICT', 'what stands there is no longer what this change started from', {
      clashes: applied.clashes,
    })
  for (const id of new Set(command.change.map(({ document }) => document))) {
    const document = applied.documents[id]
    if (document !== undefined) checkDocument(id, command.jobId, document)
  }
  return applied.documents
}

const loopsOf = (documents: Documents, jobId: string) =>
  Object.entries(documents).flatMap(([id, document]) => (id === jobId ? [] : [document as LoopDocument]))

/**
 * The gate before a signature: whoever sends it, a loop is signed only when nothing keeps its hand-over shut.
 * @throws AppError saying what does
 */
function checkSigning(before: Documents, after: Documents, jobId: string, data: FieldData) {
  const signedIn = (documents: Documents, id: string) => (documents[id] as LoopDocument | undefined)?.handover?.signed
  for (const id of Object.keys(after)) {
    const signed = id === jobId ? undefined : signedIn(after, id)
    if (!signed || sameValue(signed, signedIn(before, id))) continue
    const job = after[jobId] as JobDocument
    const blocked = signingBlockedBy(loopContext(job, after[id] as LoopDocument, data, job, loopsOf(after, jobId)))
    if (blocked.length > 0)
      throw new AppError('COMMAND_REFUSED', `handover.signed: this loop cannot be signed yet. ${blocked.join(' ')}`, {
        field: 'handover.signed',
        blocked,
      })
  }
}

/** @throws AppError naming field, value and what is allowed */
function checkDocument(id: string, jobId: string, document: unknown) {
  const wrong = refusal(id === jobId ? jobSchema : loopSchema, document)
  if (wrong) throw new AppError('COMMAND_REFUSED', wrong.message, { ...wrong })
  const known = document as AnyDocument
  if (known.id !== id || (known.type === 'loop' && known.jobId !== jobId))
    throw new AppError('COMMAND_REFUSED', `document ${id} says it is ${known.id} of another place`, { field: 'id' })
}

async function write(tx: Transaction, jobId: string, command: Command, before: Documents, after: Documents) {
  for (const id of new Set(command.change.map(({ document }) => document))) {
    const body = after[id] as AnyDocument | undefined
    if (body === undefined) await tx.delete(documents).where(eq(documents.id, id))
    else if (before[id] !== undefined) await tx.update(documents).set({ body }).where(eq(documents.id, id))
    else {
      const made = await tx
        .insert(documents)
        .values({ id, jobId, kind: body.type, body })
        .onConflictDoNothing()
        .returning({ id: documents.id })
      if (made.length === 0)
        throw new AppError('COMMAND_REFUSED', `document ${id} belongs to another job`, { field: 'document' })
    }
  }
}

async function exportJob(db: Database, jobId: string): Promise<JobFile> {
  const { job, loops } = await readJob(db, jobId)
  const kept = await db.select().from(photos).where(eq(photos.jobId, jobId)).orderBy(asc(photos.hash))
  return {
    format: 'nachtigal-job',
    version: JOB_FILE_VERSION,
    job,
    loops,
    log: [...(await wholeLog(db, jobId))],
    ...(kept.length === 0
      ? {}
      : {
          photos: Object.fromEntries(
            kept.map(({ hash, type, body }) => [hash, { type, base64: Buffer.from(body).toString('base64') }]),
          ),
        }),
  }
}

async function putPhoto(db: Database | Transaction, jobId: string, hash: string, body: Uint8Array): Promise<void> {
  const type = photoType(body)
  if (type === undefined)
    throw new AppError('PHOTO_REFUSED', 'photo is no JPEG, PNG or WebP picture', { field: 'photo' })
  if (body.byteLength > MOST_PHOTO_BYTES)
    throw new AppError('PHOTO_REFUSED', `photo has ${body.byteLength} bytes: at most ${MOST_PHOTO_BYTES}`, {
      field: 'photo',
    })
  if (createHash('sha256').update(body).digest('hex') !== hash)
    throw new AppError('PHOTO_REFUSED', `hash ${hash.slice(0, 12)} is not that of these bytes`, { field: 'hash' })
  const [job] = await db.select().from(jobs).where(eq(jobs.id, jobId))
  if (!job) throw new AppError('JOB_UNKNOWN', `there is no job ${jobId}`, { jobId })
  await db.insert(photos).values({ jobId, hash, type, body }).onConflictDoNothing()
}

async function readPhoto(db: Database, jobId: string, hash: string) {
  const [row] = await db
    .select()
    .from(photos)
    .where(and(eq(photos.jobId, jobId), eq(photos.hash, hash)))
  if (!row) throw new AppError('PHOTO_UNKNOWN', `there is no photo ${hash.slice(0, 12)} in this job`, { hash })
  return { type: row.type, body: row.body }
}

/** The log row that brings documents to the present versions, and what they are then; nothing where none is old. */
function broughtForward(
  jobId: string,
  documents: Documents,
  last: LogRow | undefined,
  receivedAt: string,
): { readonly row: LogRow; readonly documents: Documents } | undefined {
  const change = migration(documents, last?.receivedAt ?? receivedAt)
  if (change.length === 0) return undefined
  const sequence = (last?.sequence ?? 0) + 1
  const command: Command = {
    id: randomUUID(),
    jobId,
    baseRevision: sequence - 1,
    at: receivedAt,
    by: 'Nachtigal',
    why: 'Brought to the present version of the documents',
    change,
  }
  const applied = applyCommand(documents, command)
  if (!applied.ok) throw new AppError('FILE_REFUSED', 'these documents cannot be brought to the present version', {})
  const row = { sequence, receivedAt, command, previousHash: last?.hash ?? firstHash }
  return { row: { ...row, hash: rowHash(row) }, documents: applied.documents }
}

async function migrateJobs(db: Database, now: () => string): Promise<number> {
  let brought = 0
  for (const { id } of await db.select({ id: jobs.id }).from(jobs))
    await db.transaction(async (tx) => {
      const before = await documentsOf(tx, id)
      const [last] = await tx
        .select()
        .from(logRows)
        .where(eq(logRows.jobId, id))
        .orderBy(desc(logRows.sequence))
        .limit(1)
      const forward = broughtForward(id, before, last && asLogRow(last), now())
      if (!forward) return
      await write(tx, id, forward.row.command, before, forward.documents)
      await tx.insert(logRows).values({ jobId: id, commandId: forward.row.command.id, ...forward.row })
      await tx
        .update(jobs)
        .set({ revision: forward.row.sequence, changedAt: forward.row.receivedAt })
        .where(eq(jobs.id, id))
      brought++
    })
  return brought
}

/**
 * Takes in a whole job with its log as it was. The chain of hashes must hold and the log must lead to the documents: a file that
 * was edited by hand is refused.
 */
async function importJob(tx: Transaction, file: JobFile, receivedAt: string): Promise<{ jobId: string }> {
  const { job, loops } = file
  let { log } = file
  const broken = brokenLink(log)
  if (broken !== undefined)
    throw new AppError('FILE_CHAIN_BROKEN', `the log was changed: row ${broken} does not follow from the one before`, {
      sequence: broken,
    })
  let replayed = replay(log)
  if (!sameValue(replayed, { [job.id]: job, ...loops }))
    throw new AppError('FILE_REFUSED', 'the log does not lead to the documents in this file', {})
  const brought = broughtForward(job.id, replayed, log.at(-1), receivedAt)
  if (brought) {
    replayed = brought.documents
    log = [...log, brought.row]
  }
  for (const [id, document] of Object.entries(replayed)) checkDocument(id, job.id, document)
  const [there] = await tx.select().from(jobs).where(eq(jobs.id, job.id))
  if (there)
    throw new AppError('JOB_EXISTS', `job "${job.name}" is here already; nothing was changed`, { jobId: job.id })
  const last = log[log.length - 1]!
  await tx.insert(jobs).values({ id: job.id, revision: last.sequence, changedAt: last.receivedAt })
  await tx.insert(documents).values(
    Object.entries(replayed).map(([id, body]) => ({
      id,
      jobId: job.id,
      kind: (body as AnyDocument).type,
      body: body as AnyDocument,
    })),
  )
  for (const [hash, { base64 }] of Object.entries(file.photos ?? {}))
    await putPhoto(tx, job.id, hash, Buffer.from(base64, 'base64'))
  for (let i = 0; i < log.length; i += 500)
    await tx
      .insert(logRows)
      .values(log.slice(i, i + 500).map((row) => ({ jobId: job.id, commandId: row.command.id, ...row })))
  return { jobId: job.id }
}
