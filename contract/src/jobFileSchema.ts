import { string } from 'yup'
import { commandSchema } from './commandSchema'
import { jobSchema, loopSchema } from './documentSchemas'
import type { Judging, Refusal } from './check'
import { judge } from './check'
import { finite, instant, mapOf, oneOf, optionalMapOf, shape } from './parts'

/** Pictures that are taken in: what a phone's camera makes once the page has made it small. */
export const photoTypes = ['image/jpeg', 'image/png', 'image/webp'] as const
/** Bytes of a photo at most. */
export const MOST_PHOTO_BYTES = 3_000_000
const MOST_PHOTO_CHARACTERS = Math.ceil(MOST_PHOTO_BYTES / 3) * 4
/** Loops of one job at most. */
export const MOST_LOOPS = 500
/** Photos of one job at most: a picture a day for a working life. */
const MOST_PHOTOS = 20_000

/** Version of the job file that is written; older ones are taken in and brought to it. */
export const JOB_FILE_VERSION = 3
/** Name of the JSON in a job file that is a zip, and folder of its photos. */
export const JOB_IN_ZIP = 'job.json'
export const PHOTOS_IN_ZIP = 'photos/'

const hash = () =>
  string()
    .matches(/^[0-9a-f]{64}$/, '${path} is no SHA-256 in hex')
    .required()

/** A row of the log, as it stands in a file. How many there may be is not said: a record is as long as it is. */
export const logRowSchema = shape({
  sequence: finite(1, 2_000_000_000).required(),
  receivedAt: instant().required(),
  command: commandSchema.required(),
  previousHash: hash(),
  hash: hash(),
})

/** A photo inside the JSON: files of a while ago hold them so. */
export const photoFileSchema = shape({
  type: oneOf(photoTypes).required(),
  base64: string()
    .matches(/^[A-Za-z0-9+/]+={0,2}$/, '${path} is no base64')
    .max(MOST_PHOTO_CHARACTERS, '${path} is too large')
    .required(),
})

const headSchema = shape({
  format: oneOf(['nachtigal-job']).required(),
  version: finite(JOB_FILE_VERSION, JOB_FILE_VERSION).required(),
  job: jobSchema,
  loops: mapOf(loopSchema, MOST_LOOPS),
  photos: optionalMapOf(photoFileSchema, MOST_PHOTOS),
})

/** A whole job file that is in memory already, row by row of its log. Answers what is wrong first. */
function* judgeJobFile(file: Readonly<Record<string, unknown>>): Judging {
  const { log, ...head } = file
  const wrong = yield* judge(headSchema, head)
  if (wrong) return wrong
  if (!Array.isArray(log)) return { field: 'log', message: 'log is missing: it must be a list of rows' }
  for (const [i, row] of log.entries()) {
    yield undefined
    const bad: Refusal | undefined = yield* judge(logRowSchema, row, undefined, `log[${i}]`)
    if (bad) return bad
  }
  return undefined
}

/** The same at once. */
export function jobFileRefusal(file: unknown): Refusal | undefined {
  if (file === null || typeof file !== 'object' || Array.isArray(file))
    return { field: '', message: 'this is no job file: it must be an object' }
  const judging = judgeJobFile(file as Readonly<Record<string, unknown>>)
  for (;;) {
    const step = judging.next()
    if (step.done) return step.value
  }
}
