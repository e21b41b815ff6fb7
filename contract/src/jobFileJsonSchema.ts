import { jobRecord } from '@nachtigal/core/document/fields/jobFields'
import { loopRecord } from '@nachtigal/core/document/fields/loopFields'
import { jsonSchemaOf } from '@nachtigal/core/schema/jsonSchemaOf'
import { JOB_FILE_VERSION, MOST_LOOPS } from './jobFileSchema'

const hash = { type: 'string', pattern: '^[0-9a-f]{64}$' }

/** The job file as JSON Schema (2020-12), made from the same fields as what refuses a document here. */
export const jobFileJsonSchema = () => ({
  $schema: 'https://json-schema.org/draft/2020-12/schema',
  title: 'Nachtigal job file',
  type: 'object',
  required: ['format', 'version', 'job', 'loops', 'log'],
  properties: {
    format: { const: 'nachtigal-job' },
    version: { const: JOB_FILE_VERSION },
    job: jsonSchemaOf(jobRecord),
    loops: { type: 'object', maxProperties: MOST_LOOPS, additionalProperties: jsonSchemaOf(loopRecord) },
    log: {
      type: 'array',
      items: {
        type: 'object',
        required: ['sequence', 'receivedAt', 'command', 'previousHash', 'hash'],
        properties: {
          sequence: { type: 'integer', minimum: 1 },
          receivedAt: { type: 'string', format: 'date-time' },
          command: {
            type: 'object',
            required: ['id', 'jobId', 'baseRevision', 'at', 'by', 'change'],
            properties: {
              id: { type: 'string', format: 'uuid' },
              jobId: { type: 'string', format: 'uuid' },
              loopId: { type: 'string', format: 'uuid' },
              baseRevision: { type: 'integer', minimum: 0 },
              at: { type: 'string', format: 'date-time' },
              by: { type: 'string' },
              why: { type: 'string' },
              undoes: { type: 'string', format: 'uuid' },
              change: {
                type: 'array',
                items: {
                  type: 'object',
                  required: ['document', 'path', 'from', 'to'],
                  properties: {
                    document: { type: 'string', format: 'uuid' },
                    path: { type: 'array', items: { type: 'string' } },
                    from: true,
                    to: true,
                  },
                },
              },
            },
          },
          previousHash: hash,
          hash,
        },
      },
    },
    photos: { type: 'object' },
  },
})

/** The same as text, as it stands in docs. */
export const jobFileJsonSchemaText = () => `${JSON.stringify(jobFileJsonSchema(), null, 1)}\n`
