import { readFileSync } from 'node:fs'
import type { FieldData, FieldValue } from '../plant/fieldValue'

/** The shipped field data, for tests: core itself is handed it. */
export const fieldData: FieldData = Object.fromEntries(
  (
    JSON.parse(readFileSync(new URL('../../../shelf/data/fieldValues.json', import.meta.url), 'utf8')) as FieldValue[]
  ).map((row) => [row.id, row]),
)
