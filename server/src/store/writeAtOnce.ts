import { type SQL, sql } from 'drizzle-orm'
import type { CommandReply } from '@nachtigal/contract/api'
import { type Documents, valueAt } from '@nachtigal/core/job/applyChange'
import { canonicalJson } from '@nachtigal/core/job/canonicalJson'
import { type Command, firstHash } from '@nachtigal/core/job/command'
import type { Database } from '../db/openDatabase'
import { SNAPSHOT_EVERY } from './asOf'
import type { Held } from './documentCache'
import { logWords } from './logWords'
import { rowHash } from './rowHash'
import { notice } from './standing'

/** Whether a command changes documents that are there, and nothing else: neither makes nor removes one, nor takes a command back. */
export function changesOnly({ change, undoes }: Command, before: Documents, after: Documents): boolean {
  return (
    undoes === undefined &&
    change.every(({ document }) => before[document] !== undefined && after[document] !== undefined)
  )
}

/**
 * Keeps a command in one statement: documents, log row and the job's revision, or nothing of it. It counts on nobody having written
 * since what is held was read, and says when somebody has.
 * @returns the reply and what stands now; nothing where another revision stands or the command is there already
 */
export async function writeAtOnce(
  db: Database,
  command: Command,
  held: Held,
  documents: Documents,
  receivedAt: string,
): Promise<{ readonly reply: CommandReply; readonly after: Held } | undefined> {
  const { jobId } = command
  const sequence = held.revision + 1
  // Those rows that snapshots are taken after go the longer way.
  if (sequence % SNAPSHOT_EVERY === 0) return undefined
  const row = { sequence, receivedAt, command, previousHash: held.headHash ?? firstHash }
  const hash = rowHash(row)
  const touched = [...new Set(command.change.map(({ document }) => document))]
  const patch = touched.length === 1 ? patchOf(held.documents[touched[0]!], command.change) : undefined
  const kept = patch
    ? sql`UPDATE documents SET body = ${patch}, sequence = ${sequence}::integer
        FROM job WHERE documents.id = ${touched[0]} AND documents.job_id = job.id`
    : sql`UPDATE documents SET body = made.value, sequence = ${sequence}::integer
        FROM job, jsonb_each(${canonicalJson(Object.fromEntries(touched.map((id) => [id, documents[id]])))}::jsonb) AS made
        WHERE documents.id = made.key AND documents.job_id = job.id`
  try {
    const { rows } = await asked(
      db.execute(sql`
        WITH job AS (
          UPDATE jobs SET revision = ${sequence}::integer, changed_at = ${receivedAt}, head_hash = ${hash}
          WHERE id = ${jobId} AND revision = ${held.revision}::integer AND importing IS NULL
            AND head_hash IS NOT DISTINCT FROM ${held.headHash}::text
          RETURNING id
        ), kept AS (
          ${kept} RETURNING documents.id
        ), logged AS (
          INSERT INTO log_rows (job_id, sequence, command_id, received_at, command, previous_hash, hash, words)
          SELECT id, ${sequence}::integer, ${command.id}, ${receivedAt}, ${JSON.stringify(command)}::jsonb, ${row.previousHash},
            ${hash}, array_to_tsvector(ARRAY(SELECT jsonb_array_elements_text(${JSON.stringify(logWords(command))}::jsonb)))
          FROM job
        )
        SELECT ${notice(jobId, sequence)} AS told,
          -- Divides by nothing, which undoes all of it, where a document was not there.
          1 / (CASE WHEN (SELECT count(*) FROM kept) = ${touched.length}::integer THEN 1 ELSE 0 END) AS whole
        FROM job`),
    )
    if (rows.length === 0) return undefined
  } catch (error) {
    if (isTaken(error)) return undefined
    throw error
  }
  return {
    reply: { sequence, revision: sequence, receivedAt, repeated: false },
    after: { revision: sequence, documents, headHash: hash },
  }
}

/** Most places of a document that are set one by one. */
const MOST_PLACES = 20

const isTree = (value: unknown) => value !== null && typeof value === 'object' && !Array.isArray(value)
const begins = (path: readonly string[], other: readonly string[]) => path.every((key, i) => key === other[i])

/**
 * A document with only those places set that a command changes: it is large, and what changes is small. Nothing where the whole is
 * to be written: a place whose map is not there yet, or one within another.
 */
function patchOf(before: unknown, changes: Command['change']): SQL | undefined {
  const alone = changes.every(
    ({ path }, i) =>
      path.length > 0 &&
      isTree(valueAt(before, path.slice(0, -1))) &&
      changes.every((other, j) => i === j || !begins(path, other.path)),
  )
  if (!alone || changes.length > MOST_PLACES) return undefined
  return changes.reduce(
    (body, { path, to }) => {
      const place = sql`ARRAY(SELECT jsonb_array_elements_text(${JSON.stringify(path)}::jsonb))`
      return to === null ? sql`${body} #- ${place}` : sql`jsonb_set(${body}, ${place}, ${JSON.stringify(to)}::jsonb)`
    },
    sql`documents.body`,
  )
}

/** Drizzle's common type of both engines says nothing of what a bare statement answers; the driver is one. */
const asked = (statement: PromiseLike<unknown>) => statement as PromiseLike<{ readonly rows: readonly unknown[] }>

/** Whether a row of this number or command is there already, or a document is not: whoever looks closer says which. */
const isTaken = (error: unknown) => {
  const { cause, code } = error as { readonly cause?: { readonly code?: unknown }; readonly code?: unknown }
  return ['23505', '22012'].includes(String(cause?.code ?? code))
}
