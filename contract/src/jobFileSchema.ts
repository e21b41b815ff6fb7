import { array, string } from 'yup'
import { commandSchema } from './commandSchema'
import { jobSchema, loopSchema } from './documentSchemas'
import { anyFields, finite, instant, mapOf, oneOf, optionalMapOf, shape } from './parts'

/** Pictures that are taken in: what a phone's camera makes once the page has made it small. */
export const photoTypes = ['image/jpeg', 'image/png', 'image/webp'] as const
/** Bytes of a photo at most. */
export const MOST_PHOTO_BYTES = 3_000_000
const MOST_PHOTO_CHARACTERS = Math.ceil(MOST_PHOTO_BYTES / 3) * 4

/** Version of the job file that is written; older ones are taken in and brought to it. */
export const JOB_FILE_VERSION = 2

const hash = () =>
  string()
    .matches(/^[0-9a-f]{64}$/, '${path} is no SHA-256 in hex')
    .required()

const log = () =>
  array()
    .required()
    .max(100_000, '${path} holds more than 100,000 rows')
    .of(
      shape({
        sequence: finite(1, 1e9).required(),
        receivedAt: instant().required(),
        command: commandSchema.required(),
        previousHash: hash(),
        hash: hash(),
      }),
    )

/** A whole job as one open file: documents and the log with its chain of hashes. */
export const jobFileSchema = shape({
  format: oneOf(['nachtigal-job']).required(),
  version: finite(JOB_FILE_VERSION, JOB_FILE_VERSION).required(),
  job: jobSchema.required(),
  loops: mapOf(loopSchema),
  photos: optionalMapOf(
    shape({
      type: oneOf(photoTypes).required(),
      base64: string()
        .matches(/^[A-Za-z0-9+/]+={0,2}$/, '${path} is no base64')
        .max(MOST_PHOTO_CHARACTERS, '${path} is too large')
        .required(),
    }),
  ),
  log: log(),
})

/** An older one: its log is held to the same, its documents are looked at once they are brought to the present versions. */
export const olderJobFileSchema = shape({
  format: oneOf(['nachtigal-job']).required(),
  version: finite(1, JOB_FILE_VERSION - 1).required(),
  job: anyFields(),
  loops: mapOf(anyFields()),
  log: log(),
})
