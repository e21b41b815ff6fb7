import { type Schema, ValidationError } from 'yup'

export interface Refusal {
  /** Path of the field that is wrong. */
  readonly field: string
  /** What is wrong and what is allowed. */
  readonly message: string
}

/** Holds a value against a schema; answers what is wrong first, or nothing. Casts nothing. */
export function refusal(schema: Schema, value: unknown): Refusal | undefined {
  try {
    schema.validateSync(value, { strict: true, abortEarly: true })
    return undefined
  } catch (error) {
    if (error instanceof ValidationError)
      return { field: error.path ?? '', message: error.message.replace(/^this\b/, 'the document') }
    throw error
  }
}
