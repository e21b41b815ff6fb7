import { array, string } from 'yup'
import { commandSchema } from './commandSchema'
import { jobSchema, loopSchema } from './documentSchemas'
import { finite, instant, mapOf, oneOf, shape } from './parts'

const hash = () =>
  string()
    .matches(/^[0-9a-f]{64}$/, '${path} is no SHA-256 in hex')
    .required()

/** A whole job as one open file: documents and the log with its chain of hashes. */
export const jobFileSchema = shape({
  format: oneOf(['nachtigal-job']).required(),
  version: finite(1, 1).required(),
  job: jobSchema.required(),
  loops: mapOf(loopSchema),
  log: array()
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
    ),
})
