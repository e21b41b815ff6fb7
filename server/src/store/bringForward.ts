import { and, asc, desc, eq, gt, isNull } from 'drizzle-orm'
import type { Documents } from '@nachtigal/core/document/applyChange'
import type { AnyDocument } from '@nachtigal/core/document/documents'
import type { Database } from '../db/openDatabase'
import { documents, jobs, logRows, snapshots } from '../db/schema'
import { broughtForward } from '../intake/jobIntake'
import { follow, SNAPSHOT_EVERY } from './asOf'
import { logWords, stored } from './logWords'
import { readWhole, type Transaction } from './standing'

/** Brings jobs that an older program wrote to the present versions; answers how many. */
export async function migrateJobs(db: Database, now: () => string): Promise<number> {
  let brought = 0
  for (const { id } of await db.select({ id: jobs.id }).from(jobs).where(isNull(jobs.importing)))
    await db.transaction(async (tx) => {
      const before = (await readWhole(tx, id)).documents
      const [last] = await tx
        .select()
        .from(logRows)
        .where(eq(logRows.jobId, id))
        .orderBy(desc(logRows.sequence))
        .limit(1)
      const forward = broughtForward(id, before, last, now())
      if (!forward) return
      await writeForward(tx, id, before, forward)
      brought++
    })
  return brought
}

async function writeForward(
  tx: Transaction,
  jobId: string,
  before: Documents,
  { row, documents: after }: NonNullable<ReturnType<typeof broughtForward>>,
) {
  for (const [id, body] of Object.entries(after))
    if (body !== before[id])
      await tx
        .update(documents)
        .set({ body: body as AnyDocument, sequence: row.sequence })
        .where(eq(documents.id, id))
  await tx
    .insert(logRows)
    .values({ jobId, commandId: row.command.id, ...row, words: stored(logWords(row.command)) as never })
  await tx
    .update(jobs)
    .set({ revision: row.sequence, changedAt: row.receivedAt, headHash: row.hash })
    .where(eq(jobs.id, jobId))
}

/** Rows that are given their words in one transaction. */
const AT_ONCE = 250

/**
 * Gives logs that an earlier program wrote their words and snapshots, once.
 * @param say told how far it is, since a long log takes a while
 */
export async function indexLogs(db: Database, say: (message: string) => void): Promise<void> {
  for (const { id, revision } of await db
    .select({ id: jobs.id, revision: jobs.revision })
    .from(jobs)
    .where(and(eq(jobs.indexed, false), isNull(jobs.importing)))) {
    let state: Documents = {}
    let kept: Documents = {}
    for (let below = 0; below < revision;) {
      const rows = await db
        .select({ sequence: logRows.sequence, command: logRows.command })
        .from(logRows)
        .where(and(eq(logRows.jobId, id), gt(logRows.sequence, below)))
        .orderBy(asc(logRows.sequence))
        .limit(AT_ONCE)
      if (rows.length === 0) break
      await db.transaction(async (tx) => {
        for (const { sequence, command } of rows) {
          state = follow(state, command)
          await tx
            .update(logRows)
            .set({ words: stored(logWords(command)) as never })
            .where(and(eq(logRows.jobId, id), eq(logRows.sequence, sequence)))
          if (sequence % SNAPSHOT_EVERY === 0) {
            await keep(tx, id, sequence, kept, state)
            kept = state
          }
        }
      })
      below = rows.at(-1)!.sequence
      if (below % 5000 === 0) say(`looking through the log of job ${id}: ${below} of ${revision} rows`)
    }
    await db.update(jobs).set({ indexed: true }).where(eq(jobs.id, id))
  }
}

async function keep(tx: Transaction, jobId: string, sequence: number, before: Documents, after: Documents) {
  for (const documentId of new Set([...Object.keys(before), ...Object.keys(after)]))
    if (after[documentId] !== before[documentId])
      await tx
        .insert(snapshots)
        .values({ jobId, documentId, sequence, body: (after[documentId] as AnyDocument | undefined) ?? null })
        .onConflictDoNothing()
}
