import { randomUUID } from 'node:crypto'
import { and, eq, gt, lte, sql } from 'drizzle-orm'
import { COMMAND_BOUNDS, DOCUMENT_BOUNDS, judgeBounds, overBounds } from '@nachtigal/contract/bounds'
import { refusal } from '@nachtigal/contract/check'
import { JOB_FILE_VERSION, logRowSchema, MOST_LOOPS, photoFileSchema } from '@nachtigal/contract/jobFileSchema'
import { judgeStorable, unstorable } from '@nachtigal/contract/storable'
import { applyCommand, type Documents } from '@nachtigal/core/document/applyChange'
import { sameValue } from '@nachtigal/core/document/canonicalJson'
import { type Command, firstHash, type LogRow } from '@nachtigal/core/document/command'
import type { AnyDocument, JobDocument } from '@nachtigal/core/document/documents'
import { migration, whyMigrated } from '@nachtigal/core/document/migrate'
import { AppError } from '../appError'
import type { Database } from '../db/openDatabase'
import { documents, jobs, logRows, photos, snapshots } from '../db/schema'
import { follow, SNAPSHOT_EVERY } from '../store/asOf'
import { checkSlowly, inSlices } from '../store/checkDocument'
import { logWords, stored } from '../store/logWords'
import { putPhoto } from '../store/photoStore'
import { rowHash } from '../store/rowHash'
import { notice, type Transaction } from '../store/standing'
import { slices } from './slices'

/** Rows that are staged at once. */
const STAGED_AT_ONCE = 25
/** One that gave no sign of life for so long is held to be dead: what it staged is cleared away. */
const DEAD_AFTER_MS = 60_000

const refuse = (message: string, field = '') => new AppError('FILE_REFUSED', message, field ? { field } : {})

/**
 * Takes a job in part by part as a file is read: each row of the log is judged, held against the chain and against what it leads to,
 * and staged under a job that nobody sees; at the end one short transaction makes it visible. Whatever is wrong leaves nothing behind.
 */
export class JobIntake {
  private version: number | undefined
  private format = false
  private job: JobDocument | undefined
  private readonly loops = new Map<string, unknown>()
  private jobId: string | undefined
  private readonly waiting: LogRow[] = []
  private state: Documents = {}
  private atSnapshot: Documents = {}
  private last: LogRow | undefined
  private readonly rest = slices()
  private staging = false

  constructor(
    private readonly db: Database,
    private readonly now: () => string,
  ) {}

  /** One part of the file, by its place: a field of the file itself, or an entry of loops, photos or log. */
  async take(path: readonly (string | number)[], value: unknown): Promise<void> {
    await this.rest()
    const [field = '', key] = path
    if (path.length === 1) await this.takeField(String(field), value)
    else if (field === 'loops') await this.takeLoop(String(key), value)
    else if (field === 'log') await this.takeRow(value)
    else if (field === 'photos') await this.takePhotoText(String(key), value)
  }

  private async takeField(field: string, value: unknown) {
    switch (field) {
      case 'format':
        if (value !== 'nachtigal-job')
          throw refuse(
            `this is no job file: format is ${JSON.stringify(value ?? null).slice(0, 40)}, it must be "nachtigal-job"`,
            'format',
          )
        this.format = true
        return
      case 'version':
        this.takeVersion(value)
        return
      case 'job':
        this.job = (await this.document('job', value)) as JobDocument
        this.belongsTo(typeof this.job.id === 'string' ? this.job.id : '', 'job')
        return
      case 'loops':
      case 'photos':
        if (value === null || typeof value !== 'object' || Array.isArray(value))
          throw refuse(`${field} must be an object`, field)
        return
      case 'log':
        if (!Array.isArray(value)) throw refuse('log is missing: it must be a list of rows', 'log')
        return
      default:
        throw refuse(`the file has unknown fields: ${field.slice(0, 60)}`, field.slice(0, 60))
    }
  }

  private takeVersion(value: unknown) {
    if (typeof value === 'number' && value > JOB_FILE_VERSION)
      throw refuse(
        `version is ${value}: this file was written by a newer Nachtigal; this one reads up to ${JOB_FILE_VERSION}. Update this bench, then open it again. Nothing was changed.`,
        'version',
      )
    if (typeof value !== 'number' || !Number.isInteger(value) || value < 1)
      throw refuse(`version is ${JSON.stringify(value ?? null).slice(0, 40)}: it must be a whole number`, 'version')
    this.version = value
  }

  private async document(field: string, value: unknown): Promise<unknown> {
    if (value === null || typeof value !== 'object' || Array.isArray(value))
      throw refuse(`${field} must be an object`, field)
    const wrong = (await inSlices(judgeBounds(value, DOCUMENT_BOUNDS))) ?? (await inSlices(judgeStorable(value)))
    if (wrong) throw refuse(`${field}: ${wrong.message}`, field)
    return value
  }

  private async takeLoop(id: string, value: unknown) {
    this.loops.set(id, await this.document(`loops.${id.slice(0, 60)}`, value))
    if (this.loops.size > MOST_LOOPS) throw refuse(`loops holds more than ${MOST_LOOPS} entries`, 'loops')
  }

  private belongsTo(jobId: string, field: string) {
    this.jobId ??= jobId
    if (this.jobId !== jobId) throw refuse(`${field} is of job ${jobId.slice(0, 60)}, the file of ${this.jobId}`, field)
  }

  private async takeRow(value: unknown) {
    const at = `log[${this.last?.sequence ?? 0}]`
    const wrong = overBounds(value, COMMAND_BOUNDS) ?? refusal(logRowSchema, value) ?? unstorable(value)
    if (wrong) throw refuse(`${at}: ${wrong.message}`, `${at}.${wrong.field}`)
    const row = value as LogRow
    this.belongsTo(row.command.jobId, `${at}.command.jobId`)
    const sequence = (this.last?.sequence ?? 0) + 1
    if (row.sequence !== sequence || row.previousHash !== (this.last?.hash ?? firstHash) || row.hash !== rowHash(row))
      throw new AppError(
        'FILE_CHAIN_BROKEN',
        `the log was changed: row ${sequence} does not follow from the one before`,
        { sequence },
      )
    try {
      this.state = follow(this.state, row.command)
    } catch (error) {
      throw error instanceof AppError ? error : refuse((error as Error).message, at)
    }
    if (this.last === undefined) await this.begin()
    this.last = row
    this.waiting.push(row)
    if (this.waiting.length === STAGED_AT_ONCE) await this.stage()
    if (sequence % SNAPSHOT_EVERY === 0) await this.snapshot(sequence)
  }

  /** Makes the job that nobody sees; clears away what a dead one left under its name. */
  private async begin() {
    const jobId = this.jobId!
    const made = await this.db
      .insert(jobs)
      .values({ id: jobId, revision: 0, changedAt: this.now(), importing: this.now() })
      .onConflictDoNothing()
      .returning({ id: jobs.id })
    if (made.length > 0) {
      this.staging = true
      return
    }
    const [there] = await this.db.select({ importing: jobs.importing }).from(jobs).where(eq(jobs.id, jobId))
    if (there?.importing && Date.parse(this.now()) - Date.parse(there.importing) > DEAD_AFTER_MS) {
      await clearStaged(this.db, jobId)
      await this.begin()
      return
    }
    throw new AppError(
      'JOB_EXISTS',
      there?.importing
        ? `job "${this.job?.name ?? jobId}" is being opened from a file just now`
        : `job "${this.job?.name ?? jobId}" is here already; nothing was changed`,
      { jobId },
    )
  }

  private async stage() {
    const jobId = this.jobId!
    const rows = this.waiting.splice(0)
    if (rows.length === 0) return
    const staged = rows.map(({ sequence, receivedAt, command, previousHash, hash }) => ({
      sequence,
      received_at: receivedAt,
      command_id: command.id,
      command,
      previous_hash: previousHash,
      hash,
      words: logWords(command),
    }))
    // One value for all of them: the driver takes longer over many small ones than the engine over the rows.
    const kept = (await this.db.execute(sql`
      INSERT INTO log_rows (job_id, sequence, command_id, received_at, command, previous_hash, hash, words)
      SELECT ${jobId}, sequence, command_id, received_at, command, previous_hash, hash,
        array_to_tsvector(ARRAY(SELECT jsonb_array_elements_text(words)))
      FROM jsonb_to_recordset(${JSON.stringify(staged)}::jsonb) AS staged(
        sequence integer, command_id text, received_at text, command jsonb, previous_hash text, hash text, words jsonb)
      ON CONFLICT DO NOTHING RETURNING sequence`)) as unknown as { readonly rows: readonly unknown[] }
    if (kept.rows.length < rows.length) throw refuse('log: a command stands in it twice', 'log')
    await this.db.update(jobs).set({ importing: this.now() }).where(eq(jobs.id, jobId))
  }

  private async snapshot(sequence: number) {
    const jobId = this.jobId!
    const ids = new Set([...Object.keys(this.state), ...Object.keys(this.atSnapshot)])
    for (const documentId of ids) {
      const body = this.state[documentId] as AnyDocument | undefined
      if (body === this.atSnapshot[documentId]) continue
      await this.db
        .insert(snapshots)
        .values({ jobId, documentId, sequence, body: body ?? null })
        .onConflictDoNothing()
    }
    this.atSnapshot = this.state
  }

  private async takePhotoText(hash: string, value: unknown) {
    const wrong = refusal(photoFileSchema, value)
    const at = `photos.${hash.slice(0, 64)}`
    if (wrong) throw refuse(`${at}: ${wrong.message}`, at)
    await this.takePhoto(hash, Buffer.from((value as { base64: string }).base64, 'base64'))
  }

  /** A photo by its hash; the log comes before it. */
  async takePhoto(hash: string, body: Uint8Array): Promise<void> {
    await this.rest()
    if (!this.staging) throw refuse('the log must stand before the photos in a job file', 'photos')
    await putPhoto(this.db, this.jobId!, hash, body)
  }

  /** Makes the job visible, once it is whole. @throws AppError when the log does not lead to its documents */
  async finish(): Promise<{ readonly jobId: string }> {
    const { job, jobId, last } = this
    if (!this.format) throw refuse('this is no job file: format is missing, it must be "nachtigal-job"', 'format')
    if (this.version === undefined) throw refuse('version is missing', 'version')
    if (!job || jobId === undefined) throw refuse('job is missing', 'job')
    if (!last) throw refuse('log is missing: it must be a list of rows', 'log')
    await this.stage()
    await this.checkLeadsTo({ [jobId]: job, ...Object.fromEntries(this.loops) })
    const brought = broughtForward(jobId, this.state, last, this.now())
    const state = brought?.documents ?? this.state
    for (const [id, document] of Object.entries(state)) await this.checkWhole(id, jobId, document)
    await this.db.transaction(async (tx) => {
      await this.show(tx, jobId, state, brought?.row ?? last, brought?.row)
    })
    this.staging = false
    return { jobId }
  }

  private async checkWhole(id: string, jobId: string, document: unknown) {
    try {
      await checkSlowly(id, jobId, document)
    } catch (error) {
      if (!(error instanceof AppError)) throw error
      // In a file a document stands below its name: what is wrong is named from there.
      const field = error.facts?.['field']
      if (typeof field !== 'string') throw new AppError('FILE_REFUSED', error.message, error.facts, error)
      const place = `${id === jobId ? 'job' : `loops.${id}`}${field === '' ? '' : `.${field}`}`
      // Only the path in front: what was written there may hold the same word.
      const message =
        error.message.startsWith(field) && field !== '' ? place + error.message.slice(field.length) : error.message
      throw new AppError('FILE_REFUSED', message, { ...error.facts, field: place }, error)
    }
  }

  private async checkLeadsTo(given: Documents) {
    const ids = new Set([...Object.keys(given), ...Object.keys(this.state)])
    for (const id of ids) {
      await this.rest()
      if (sameValue(given[id], this.state[id])) continue
      // A field that is wrong in itself says more than that nothing leads there.
      const written = given[id]
      if (written !== undefined && migration({ [id]: written }, '').length === 0)
        await this.checkWhole(id, this.jobId!, written)
      throw refuse('the log does not lead to the documents in this file')
    }
  }

  private async show(tx: Transaction, jobId: string, state: Documents, last: LogRow, added: LogRow | undefined) {
    const made = await tx
      .insert(documents)
      .values(
        Object.entries(state).map(([id, body]) => ({
          id,
          jobId,
          kind: (body as AnyDocument).type,
          body: body as AnyDocument,
          sequence: last.sequence,
        })),
      )
      .onConflictDoNothing()
      .returning({ id: documents.id })
    if (made.length < Object.keys(state).length)
      throw refuse('a document of this file belongs to another job that is here', 'loops')
    if (added)
      await tx.insert(logRows).values({
        jobId,
        commandId: added.command.id,
        ...added,
        words: stored(logWords(added.command)) as never,
      })
    const shown = await tx
      .update(jobs)
      .set({
        revision: last.sequence,
        changedAt: last.receivedAt,
        headHash: last.hash,
        verified: last.sequence,
        importing: null,
      })
      .where(and(eq(jobs.id, jobId), sql`${jobs.importing} IS NOT NULL`))
      .returning({ id: jobs.id, told: notice(jobId, last.sequence) })
    if (shown.length === 0) throw refuse('this file was taken in twice at once')
  }

  /** Leaves nothing of it behind. */
  async abandon(): Promise<void> {
    if (!this.staging) return
    this.staging = false
    await clearStaged(this.db, this.jobId!)
  }
}

/** Takes away what was staged of a job that never became visible, a little at a time. */
async function clearStaged(db: Database, jobId: string): Promise<void> {
  const [job] = await db.select({ importing: jobs.importing }).from(jobs).where(eq(jobs.id, jobId))
  if (!job?.importing) return
  for (let after = 0, more = true; more; after += 1000) {
    await db
      .delete(logRows)
      .where(and(eq(logRows.jobId, jobId), gt(logRows.sequence, after), lte(logRows.sequence, after + 1000)))
    const left = await db
      .select({ sequence: logRows.sequence })
      .from(logRows)
      .where(and(eq(logRows.jobId, jobId), gt(logRows.sequence, after + 1000)))
      .limit(1)
    more = left.length > 0
  }
  await db.delete(snapshots).where(eq(snapshots.jobId, jobId))
  await db.delete(photos).where(eq(photos.jobId, jobId))
  await db.delete(jobs).where(and(eq(jobs.id, jobId), sql`${jobs.importing} IS NOT NULL`))
}

/** Clears away what imports that died with their server left; those that still live are let be. */
export async function clearDead(db: Database, now: () => string, alone: boolean): Promise<void> {
  const left = await db
    .select({ id: jobs.id, importing: jobs.importing })
    .from(jobs)
    .where(sql`${jobs.importing} IS NOT NULL`)
  for (const { id, importing } of left)
    if (alone || Date.parse(now()) - Date.parse(importing ?? '') > DEAD_AFTER_MS) await clearStaged(db, id)
}

/** The log row that brings documents to the present versions, and what they are then; nothing where none is old. */
export function broughtForward(
  jobId: string,
  all: Documents,
  last: LogRow | undefined,
  receivedAt: string,
): { readonly row: LogRow; readonly documents: Documents } | undefined {
  const change = migration(all, last?.receivedAt ?? receivedAt)
  if (change.length === 0) return undefined
  const sequence = (last?.sequence ?? 0) + 1
  const command: Command = {
    id: randomUUID(),
    jobId,
    baseRevision: sequence - 1,
    at: receivedAt,
    by: 'Nachtigal',
    why: whyMigrated(all),
    change,
  }
  const applied = applyCommand(all, command)
  if (!applied.ok) throw refuse('these documents cannot be migrated to the present version')
  const row = { sequence, receivedAt, command, previousHash: last?.hash ?? firstHash }
  return { row: { ...row, hash: rowHash(row) }, documents: applied.documents }
}
