import { and, asc, eq } from 'drizzle-orm'
import { JOB_FILE_VERSION } from '@nachtigal/contract/jobFileSchema'
import { canonicalJson } from '@nachtigal/core/document/canonicalJson'
import type { JobDocument } from '@nachtigal/core/document/documents'
import type { Database } from '../db/openDatabase'
import { photos } from '../db/schema'
import type { DocumentCache } from './documentCache'
import { rowsOf } from './logReading'
import { jobUnknown, standing } from './standing'

/** A job file on its way out: its JSON in pieces, and its photos one by one. */
export interface JobExport {
  readonly name: string
  readonly json: AsyncIterable<string>
  /** Hashes of its photos; where there are any the file is a zip. */
  readonly photos: readonly string[]
  readonly photo: (hash: string) => Promise<Uint8Array>
}

/**
 * A whole job as it stands at this moment, in pieces: rows that come meanwhile are not in it. Keys stand in order, so that the same job
 * gives the same file wherever it lies.
 */
export async function exportJob(db: Database, cache: DocumentCache, jobId: string): Promise<JobExport> {
  const { documents, revision } = await standing(db, cache, jobId)
  const { [jobId]: job, ...loops } = documents
  if (!job) throw jobUnknown(jobId)
  const kept = await db
    .select({ hash: photos.hash })
    .from(photos)
    .where(eq(photos.jobId, jobId))
    .orderBy(asc(photos.hash))
  async function* json() {
    yield `{"format":"nachtigal-job","version":${JOB_FILE_VERSION},"job":${canonicalJson(job)},"loops":{`
    for (const [i, [id, loop]] of Object.entries(loops).entries())
      yield `${i > 0 ? ',' : ''}${JSON.stringify(id)}:${canonicalJson(loop)}`
    yield '},"log":['
    let first = true
    for await (const rows of rowsOf(db, jobId, 0, revision)) {
      yield `${first ? '' : ','}${rows.map((row) => canonicalJson(row)).join(',')}`
      first = false
    }
    yield ']}'
  }
  const photo = async (hash: string) => {
    const [row] = await db
      .select({ body: photos.body })
      .from(photos)
      .where(and(eq(photos.jobId, jobId), eq(photos.hash, hash)))
    return row?.body ?? new Uint8Array()
  }
  return { name: (job as JobDocument).name, json: json(), photos: kept.map(({ hash }) => hash), photo }
}
