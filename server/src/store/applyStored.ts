import { and, eq, sql } from 'drizzle-orm'
import type { CommandReply } from '@nachtigal/contract/api'
import { loopContext } from '@nachtigal/core/loop/context'
import { signingBlockedBy } from '@nachtigal/core/progress/stepStatus'
import { applyCommand, type Documents } from '@nachtigal/core/document/applyChange'
import { sameValue } from '@nachtigal/core/document/canonicalJson'
import { type Command, firstHash } from '@nachtigal/core/document/command'
import type { AnyDocument, JobDocument, LoopDocument } from '@nachtigal/core/document/documents'
import { lockedOut } from '@nachtigal/core/document/handover'
import type { FieldData } from '@nachtigal/core/plant/fieldValue'
import { AppError } from '../appError'
import type { Database } from '../db/openDatabase'
import { documents, jobs, logRows, snapshots } from '../db/schema'
import { checkDocument, checkSlowly } from './checkDocument'
import type { DocumentCache, Held } from './documentCache'
import { logWords, stored } from './logWords'
import { rowHash } from './rowHash'
import { SNAPSHOT_EVERY } from './asOf'
import { broughtTo, jobUnknown, lockedRow, notice, refreshed, standing, type Transaction } from './standing'
import { changesOnly, writeAtOnce } from './writeAtOnce'

interface Deps {
  readonly db: Database
  readonly cache: DocumentCache
  readonly data: FieldData
  readonly now: () => string
}

const touchedBy = (command: Command) => [...new Set(command.change.map(({ document }) => document))]

const makesJob = ({ jobId, change: [first] }: Command) =>
  first!.document === jobId && first!.path.length === 0 && first!.from === null

const nothing: Held = { revision: 0, documents: {}, headHash: null }

/** So often a command is tried on what is held, before the job is locked for it. */
const TRIES = 3

/**
 * Applies a command, in one statement where it only changes what is there. Whatever that does not settle goes the longer way.
 * @throws AppError where it clashes, is refused, or there is no such job
 */
export async function applyStored(deps: Deps, command: Command): Promise<CommandReply> {
  return (await applyAtOnce(deps, command)) ?? (await applyLocked(deps, command))
}

async function applyAtOnce({ db, cache, data, now }: Deps, command: Command): Promise<CommandReply | undefined> {
  const { jobId } = command
  if (makesJob(command)) return undefined
  for (let n = 0; n < TRIES; n++) {
    const held = (n === 0 ? cache.current(jobId) : undefined) ?? (await refreshed(db, cache, jobId).catch(orNothing))
    const after = await judged(held, command, data)
    if (!after || !changesOnly(command, held.documents, after)) return undefined
    const done = await writeAtOnce(db, command, held, after, now())
    if (!done) continue
    cache.put(jobId, done.after, [{ sequence: done.reply.sequence, command }])
    return done.reply
  }
  return undefined
}

/** The documents after a command that has nothing against it; nothing where it has. */
async function judged(held: Held, command: Command, data: FieldData): Promise<Documents | undefined> {
  try {
    const after = (await prepare(held, command)).take()
    if (lockedOut(held.documents as never, command.change)) return undefined
    checkSigning(held.documents, after, command.jobId, data)
    return after
  } catch (error) {
    // What it is against is said by the longer way, which sees what stands there at that moment.
    if (error instanceof AppError) return undefined
    throw error
  }
}

/**
 * Applies a command: documents and log row in one transaction. What can be judged beforehand is, in slices, so that the transaction is
 * short; it is judged again only where somebody wrote in between.
 * @throws AppError where it clashes, is refused, or there is no such job
 */
async function applyLocked(deps: Deps, command: Command): Promise<CommandReply> {
  const { db, cache, now } = deps
  const { jobId } = command
  const held = makesJob(command) ? await standing(db, cache, jobId).catch(orNothing) : await standing(db, cache, jobId)
  const prepared = await prepare(held, command)
  const done = await db.transaction(async (tx) => {
    if (makesJob(command))
      await tx.insert(jobs).values({ id: jobId, revision: 0, changedAt: now() }).onConflictDoNothing()
    const row = await lockedRow(tx, jobId)
    const before = row.revision === held.revision ? held : await broughtTo(tx, cache, jobId, row.revision)
    const known = await knownReply(tx, command, row.revision)
    if (known) return { reply: known, after: before }
    await checkUndone(tx, command)
    const locked = lockedOut(before.documents as never, command.change)
    if (locked) throw new AppError('LOOP_LOCKED', locked, { field: 'change' })
    const after = before === held ? prepared.take() : changed(before.documents, command)
    if (before !== held)
      for (const id of touchedBy(command))
        if (after[id] !== undefined) checkDocument(id, jobId, after[id], before.documents[id])
    checkSigning(before.documents, after, jobId, deps.data)
    const { reply, hash } = await write(tx, command, row, before.documents, after, now())
    return { reply, after: { revision: reply.revision, documents: after, headHash: hash } }
  })
  cache.put(jobId, done.after, done.reply.repeated ? [] : [{ sequence: done.reply.sequence, command }])
  return done.reply
}

const orNothing = (error: unknown) => {
  if (error instanceof AppError && error.code === 'JOB_UNKNOWN') return nothing
  throw error
}

/** The documents after a command as far as could be seen, or the error that it met; which counts is decided in the transaction. */
async function prepare(held: Held, command: Command): Promise<{ readonly take: () => Documents }> {
  try {
    const after = changed(held.documents, command)
    for (const id of touchedBy(command))
      if (after[id] !== undefined) await checkSlowly(id, command.jobId, after[id], held.documents[id])
    return { take: () => after }
  } catch (error) {
    return {
      take: () => {
        throw error
      },
    }
  }
}

/** The answer to a command that came before; the same id with other contents is an error. */
async function knownReply(tx: Transaction, command: Command, revision: number): Promise<CommandReply | undefined> {
  const [known] = await tx
    .select({ sequence: logRows.sequence, receivedAt: logRows.receivedAt, command: logRows.command })
    .from(logRows)
    .where(and(eq(logRows.jobId, command.jobId), eq(logRows.commandId, command.id)))
  if (!known) return undefined
  if (!sameValue(known.command, command))
    throw new AppError('COMMAND_ID_REUSED', `command ${command.id} was sent before with other contents`, {
      id: command.id,
    })
  return { sequence: known.sequence, revision, receivedAt: known.receivedAt, repeated: true }
}

async function checkUndone(tx: Transaction, { jobId, undoes }: Command) {
  if (undoes === undefined) return
  const [undone] = await tx
    .select({ sequence: logRows.sequence })
    .from(logRows)
    .where(and(eq(logRows.jobId, jobId), eq(logRows.commandId, undoes)))
  if (!undone)
    throw new AppError('COMMAND_REFUSED', `undoes ${undoes}: there is no such command in this job`, { field: 'undoes' })
}

/** The documents after a command. @throws AppError when it clashes or its path leads nowhere */
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
  return applied.documents
}

const loopsOf = (all: Documents, jobId: string) =>
  Object.entries(all).flatMap(([id, document]) => (id === jobId ? [] : [document as LoopDocument]))

/**
 * The gate before a signature: whoever sends it, a loop is signed only when nothing keeps its hand-over shut.
 * @throws AppError saying what does
 */
function checkSigning(before: Documents, after: Documents, jobId: string, data: FieldData) {
  const signedIn = (all: Documents, id: string) => (all[id] as LoopDocument | undefined)?.handover?.signed
  for (const id of Object.keys(after)) {
    if (id === jobId || after[id] === before[id]) continue
    const signed = signedIn(after, id)
    if (!signed || sameValue(signed, signedIn(before, id))) continue
    const job = after[jobId] as JobDocument | undefined
    if (!job) throw jobUnknown(jobId)
    const blocked = signingBlockedBy(loopContext(job, after[id] as LoopDocument, data, job, loopsOf(after, jobId)))
    if (blocked.length > 0)
      throw new AppError('COMMAND_REFUSED', `handover.signed: this loop cannot be signed yet. ${blocked.join(' ')}`, {
        field: 'handover.signed',
        blocked,
      })
  }
}

async function write(
  tx: Transaction,
  command: Command,
  { revision, headHash }: { readonly revision: number; readonly headHash: string | null },
  before: Documents,
  after: Documents,
  receivedAt: string,
): Promise<{ readonly reply: CommandReply; readonly hash: string }> {
  const { jobId } = command
  const sequence = revision + 1
  for (const id of touchedBy(command)) await writeDocument(tx, jobId, id, sequence, before[id], after[id])
  const row = { sequence, receivedAt, command, previousHash: headHash ?? firstHash }
  const hash = rowHash(row)
  await tx
    .insert(logRows)
    .values({ jobId, commandId: command.id, ...row, hash, words: stored(logWords(command)) as never })
  await tx
    .update(jobs)
    .set({ revision: sequence, changedAt: receivedAt, headHash: hash })
    .where(eq(jobs.id, jobId))
    .returning({ told: notice(jobId, sequence) })
  if (sequence % SNAPSHOT_EVERY === 0) await snapshot(tx, jobId, sequence)
  return { reply: { sequence, revision: sequence, receivedAt, repeated: false }, hash }
}

async function writeDocument(
  tx: Transaction,
  jobId: string,
  id: string,
  sequence: number,
  before: unknown,
  after: unknown,
) {
  if (after === undefined) {
    if (before === undefined) return
    await tx.delete(documents).where(and(eq(documents.id, id), eq(documents.jobId, jobId)))
    await tx.insert(snapshots).values({ jobId, documentId: id, sequence, body: null }).onConflictDoNothing()
    return
  }
  const body = after as AnyDocument
  if (before !== undefined) {
    await tx
      .update(documents)
      .set({ body, sequence })
      .where(and(eq(documents.id, id), eq(documents.jobId, jobId)))
    return
  }
  const made = await tx
    .insert(documents)
    .values({ id, jobId, kind: body.type, body, sequence })
    .onConflictDoNothing()
    .returning({ id: documents.id })
  if (made.length === 0)
    throw new AppError('COMMAND_REFUSED', `document ${id} belongs to another job`, { field: 'document' })
}

/** Keeps the documents that changed since the snapshot before, as they stand now. */
async function snapshot(tx: Transaction, jobId: string, sequence: number) {
  await tx.execute(sql`
    INSERT INTO snapshots (job_id, document_id, sequence, body)
    SELECT job_id, id, ${sequence}::integer, body FROM documents
    WHERE job_id = ${jobId} AND sequence > ${sequence - SNAPSHOT_EVERY}::integer
    ON CONFLICT DO NOTHING`)
}
