import type { CommandReply } from '@nachtigal/contract/api'
import { type Documents, valueAt } from '@nachtigal/core/document/applyChange'
import { canonicalJson } from '@nachtigal/core/document/canonicalJson'
import { type Command, firstHash } from '@nachtigal/core/document/command'
import { named } from '../db/named'
import type { Database } from '../db/openDatabase'
import { SNAPSHOT_EVERY } from './asOf'
import type { Held } from './documentCache'
import { logWords } from './logWords'
import { rowHash } from './rowHash'
import { CHANNEL, noticeOf } from './standing'

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
  const places = touched.length === 1 ? placesOf(held.documents[touched[0]!], command.change) : undefined
  const values: unknown[] = [
    jobId,
    sequence,
    receivedAt,
    hash,
    held.revision,
    held.headHash,
    command.id,
    JSON.stringify(command),
    row.previousHash,
    JSON.stringify(logWords(command)),
    CHANNEL,
    noticeOf(jobId, sequence),
    touched.length,
    ...(places
      ? [touched[0], ...places.flatMap(({ path, to }) => (to === null ? [path] : [path, JSON.stringify(to)]))]
      : [canonicalJson(Object.fromEntries(touched.map((id) => [id, documents[id]])))]),
  ]
  const shape = places ? places.map(({ to }) => (to === null ? 'out' : 'in')).join('-') : 'whole'
  try {
    const rows = await named(db, `keep-${shape}`, statementOf(shape), values)
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

/** How the documents are kept: a large one by the places that change, anything else whole. */
function keptBy(shape: string): string {
  if (shape === 'whole')
    return `UPDATE documents SET body = made.value, sequence = $2::integer FROM job, jsonb_each($14::jsonb) AS made
      WHERE documents.id = made.key AND documents.job_id = job.id`
  let n = 15
  const body = shape
    .split('-')
    .reduce(
      (inner, how) =>
        how === 'out' ? `${inner} #- $${n++}::text[]` : `jsonb_set(${inner}, $${n++}::text[], $${n++}::jsonb)`,
      'documents.body',
    )
  return `UPDATE documents SET body = ${body}, sequence = $2::integer FROM job
    WHERE documents.id = $14 AND documents.job_id = job.id`
}

const statements = new Map<string, string>()

/** The whole statement for documents that are kept in one way. */
function statementOf(shape: string): string {
  const made = statements.get(shape)
  if (made) return made
  const text = `
    WITH job AS (
      UPDATE jobs SET revision = $2::integer, changed_at = $3, head_hash = $4
      WHERE id = $1 AND revision = $5::integer AND importing IS NULL AND head_hash IS NOT DISTINCT FROM $6::text
      RETURNING id
    ), kept AS (
      ${keptBy(shape)} RETURNING documents.id
    ), logged AS (
      INSERT INTO log_rows (job_id, sequence, command_id, received_at, command, previous_hash, hash, words)
      SELECT id, $2::integer, $7, $3, $8::jsonb, $9, $4,
        array_to_tsvector(ARRAY(SELECT jsonb_array_elements_text($10::jsonb)))
      FROM job
    )
    SELECT pg_notify($11, $12) AS told,
      -- Divides by nothing, which undoes all of it, where a document was not there.
      1 / (CASE WHEN (SELECT count(*) FROM kept) = $13::integer THEN 1 ELSE 0 END) AS whole
    FROM job`
  statements.set(shape, text)
  return text
}

/** Whether a row of this number or command is there already, or a document is not: whoever looks closer says which. */
const isTaken = (error: unknown) => ['23505', '22012'].includes(String((error as { readonly code?: unknown }).code))

/** Most places of a document that are set one by one. */
const MOST_PLACES = 20

const isTree = (value: unknown) => value !== null && typeof value === 'object' && !Array.isArray(value)
const begins = (path: readonly string[], other: readonly string[]) => path.every((key, i) => key === other[i])

/**
 * The places of a document that a command changes, where each can be set by itself: it is large, and what changes is small. Nothing
 * where the whole is to be written: a place whose map is not there yet, or one within another.
 */
function placesOf(before: unknown, changes: Command['change']): Command['change'] | undefined {
  const alone = changes.every(
    ({ path }, i) =>
      path.length > 0 &&
      isTree(valueAt(before, path.slice(0, -1))) &&
      changes.every((other, j) => i === j || !begins(path, other.path)),
  )
  return alone && changes.length <= MOST_PLACES ? changes : undefined
}
