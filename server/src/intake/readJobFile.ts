import { createWriteStream } from 'node:fs'
import { mkdtemp, rm } from 'node:fs/promises'
import { tmpdir } from 'node:os'
import path from 'node:path'
import { Readable } from 'node:stream'
import { pipeline } from 'node:stream/promises'
import { JSONParser } from '@streamparser/json'
import { type Entry, openPromise, type ZipFile } from 'yauzl'
import { JOB_IN_ZIP, MOST_PHOTO_BYTES, PHOTOS_IN_ZIP } from '@nachtigal/contract/jobFileSchema'
import { AppError } from '../appError'
import type { JobIntake } from './jobIntake'
import { PartBounds } from './partBounds'
import { slices } from './slices'

/** Bytes that are parsed before others are let in. */
const PIECE = 16 * 1024
/** Bytes of one part at most: a loop with the record of many years. */
const MOST_PART_BYTES = 64 * 1024 * 1024
/** Bytes of one file at most, packed and unpacked. */
const MOST_FILE_BYTES = 4 * 1024 * 1024 * 1024

const refuse = (message: string) => new AppError('FILE_REFUSED', message, { field: '' })
const tooLarge = () =>
  new AppError('BODY_TOO_LARGE', `this file is larger than ${MOST_FILE_BYTES / 1024 / 1024} MB`, {})

/** Reads a job file as it comes, JSON or zip, and hands it on part by part: no more than a part of it is ever in memory. */
export async function readJobFile(source: AsyncIterable<Uint8Array>, intake: JobIntake): Promise<void> {
  const pieces = source[Symbol.asyncIterator]()
  try {
    const first = await pieces.next()
    if (first.done) throw new AppError('BODY_INVALID', 'what was sent is empty', {})
    const whole = bounded(first.value, pieces)
    await (first.value[0] === 0x50 && first.value[1] === 0x4b ? readZip(whole, intake) : readJson(whole, intake))
  } finally {
    // Whoever broke off lets go of the source, so that what is left of it can run out.
    await pieces.return?.()
  }
}

async function* bounded(first: Uint8Array, rest: AsyncIterator<Uint8Array>): AsyncGenerator<Uint8Array> {
  let bytes = 0
  for (let next: IteratorResult<Uint8Array> = { value: first, done: false }; !next.done; next = await rest.next()) {
    bytes += next.value.byteLength
    if (bytes > MOST_FILE_BYTES) throw tooLarge()
    yield next.value
  }
}

/** JSON in pieces, each part handed on as soon as it is whole. */
async function readJson(source: AsyncIterable<Uint8Array>, intake: JobIntake): Promise<void> {
  const parser = new JSONParser({ paths: ['$.*', '$.loops.*', '$.photos.*', '$.log.*'], keepStack: false })
  const parts: (readonly [path: readonly (string | number)[], value: unknown])[] = []
  let sincePart = 0
  const bounds = new PartBounds()
  parser.onToken = ({ token }) => bounds.take(token)
  parser.onValue = ({ key, value, stack }) => {
    sincePart = 0
    bounds.next()
    const place = stack.slice(1).map((step) => step.key as string | number)
    parts.push([[...place, key as string | number], value])
  }
  const parse = (go: () => void) => {
    try {
      go()
    } catch (error) {
      if (error instanceof AppError) throw error
      throw new AppError('BODY_INVALID', 'this is no job file: it is not JSON', {}, error)
    }
  }
  const hand = async () => {
    for (const [place, value] of parts.splice(0)) await intake.take(place, value)
  }
  const rest = slices()
  for await (const chunk of source)
    for (let at = 0; at < chunk.byteLength; at += PIECE) {
      const piece = chunk.subarray(at, at + PIECE)
      sincePart += piece.byteLength
      if (sincePart > MOST_PART_BYTES)
        throw refuse(`a part of this file is larger than ${MOST_PART_BYTES / 1024 / 1024} MB`)
      parse(() => parser.write(piece))
      await hand()
      await rest()
    }
  if (!parser.isEnded) parse(() => parser.end())
  await hand()
}

/** A zip tells what it holds at its end: it is laid aside whole before it is read. */
async function readZip(source: AsyncIterable<Uint8Array>, intake: JobIntake): Promise<void> {
  const folder = await mkdtemp(path.join(tmpdir(), 'nachtigal-intake-'))
  try {
    const file = path.join(folder, 'job.zip')
    await pipeline(Readable.from(source), createWriteStream(file, { mode: 0o600 }))
    const zip = await openPromise(file, { lazyEntries: true, autoClose: false }).catch(noZip)
    try {
      await takeEntries(zip, intake)
    } finally {
      zip.close()
    }
  } finally {
    await rm(folder, { recursive: true, force: true })
  }
}

const noZip = (error: unknown): never => {
  throw new AppError('BODY_INVALID', 'this zip cannot be read', {}, error)
}

/** Most files that a job's zip may hold. */
const MOST_ENTRIES = 30_000

const entriesOf = (zip: ZipFile) =>
  new Promise<readonly Entry[]>((resolve, reject) => {
    const found: Entry[] = []
    zip.on('entry', (entry: Entry) => {
      found.push(entry)
      if (found.length > MOST_ENTRIES) reject(refuse(`the zip holds more than ${MOST_ENTRIES} files`))
      else zip.readEntry()
    })
    zip.on('end', () => resolve(found))
    zip.on('error', reject)
    zip.readEntry()
  })

/** The job first, wherever it lies in the zip, then its photos. */
async function takeEntries(zip: ZipFile, intake: JobIntake) {
  const entries = (
    await entriesOf(zip).catch((error: unknown) => (error instanceof AppError ? Promise.reject(error) : noZip(error)))
  ).filter(({ fileName }) => !fileName.endsWith('/'))
  if (entries.reduce((sum, { uncompressedSize }) => sum + uncompressedSize, 0) > MOST_FILE_BYTES) throw tooLarge()
  const job = entries.find(({ fileName }) => fileName === JOB_IN_ZIP)
  if (!job) throw refuse(`the zip holds no ${JOB_IN_ZIP}: it is no job file`)
  const photos = entries.filter((entry) => entry !== job)
  for (const { fileName, uncompressedSize } of photos) {
    if (!PHOTO.test(fileName))
      throw refuse(`the zip holds ${JSON.stringify(fileName.slice(0, 80))}, which belongs to no job file`)
    if (uncompressedSize > MOST_PHOTO_BYTES) throw refuse(`photo ${fileName.slice(7, 19)} is too large`)
  }
  await readJson(await zip.openReadStreamPromise(job).catch(noZip), intake)
  for (const photo of photos) {
    const parts: Buffer[] = []
    try {
      for await (const part of await zip.openReadStreamPromise(photo)) parts.push(part as Buffer)
    } catch (error) {
      noZip(error)
    }
    await intake.takePhoto(photo.fileName.slice(PHOTOS_IN_ZIP.length), Buffer.concat(parts))
  }
}

const PHOTO = new RegExp(`^${PHOTOS_IN_ZIP}[0-9a-f]{64}$`)
