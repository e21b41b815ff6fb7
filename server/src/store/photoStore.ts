import { createHash } from 'node:crypto'
import { and, eq, sql } from 'drizzle-orm'
import { MOST_PHOTO_BYTES } from '@nachtigal/contract/jobFileSchema'
import { AppError } from '../appError'
import type { Database } from '../db/openDatabase'
import { jobs, photos } from '../db/schema'
import { photoType } from './photoType'
import { type Asked, jobUnknown } from './standing'

/** Keeps a photo under the hash of its bytes; the same one twice is kept once. @throws AppError when it is none, or another's hash */
export async function putPhoto(db: Asked, jobId: string, hash: string, body: Uint8Array): Promise<void> {
  const refuse = (message: string, field: string) => new AppError('PHOTO_REFUSED', message, { field })
  if (body.byteLength > MOST_PHOTO_BYTES)
    throw refuse(`photo has ${body.byteLength} bytes: at most ${MOST_PHOTO_BYTES}`, 'photo')
  const type = photoType(body)
  if (type === undefined) throw refuse('photo is no whole JPEG, PNG or WebP picture', 'photo')
  if (createHash('sha256').update(body).digest('hex') !== hash)
    throw refuse(`hash ${hash.slice(0, 12)} is not that of these bytes`, 'hash')
  const [job] = await db.select({ id: jobs.id }).from(jobs).where(eq(jobs.id, jobId))
  if (!job) throw jobUnknown(jobId)
  await db.insert(photos).values({ jobId, hash, type, body }).onConflictDoNothing()
}

/** @throws AppError where there is none */
export async function readPhoto(db: Database, jobId: string, hash: string) {
  const [row] = await db
    .select({ type: photos.type, body: photos.body })
    .from(photos)
    .innerJoin(jobs, eq(jobs.id, photos.jobId))
    .where(and(eq(photos.jobId, jobId), eq(photos.hash, hash), sql`${jobs.importing} IS NULL`))
  if (!row) throw new AppError('PHOTO_UNKNOWN', `there is no photo ${hash.slice(0, 12)} in this job`, { hash })
  return row
}
