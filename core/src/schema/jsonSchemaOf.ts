import { storedUnit } from './storedUnit'
import type { Field, Fields, RecordField, TextField } from './field'

type Schema = Readonly<Record<string, unknown>>

/** Shapes of texts, as JSON Schema has them. */
const patterns: Readonly<Partial<Record<TextField['form'], Schema>>> = {
  filled: { minLength: 1 },
  id: { pattern: '^[\\w .:>~/-]{1,200}$' },
  instant: { format: 'date-time' },
  day: { format: 'date' },
  clock: { pattern: '^([01]\\d|2[0-3]):[0-5]\\d$' },
  weekdays: { pattern: '^1?2?3?4?5?6?7?$' },
  sha256: { pattern: '^[0-9a-f]{64}$' },
}

/** What a number may be, in its stored unit. */
function numberSchema({ quantity, min, max, over }: Extract<Field, { readonly type: 'number' }>): Schema {
  const unit = storedUnit(quantity)
  return {
    type: 'number',
    ...(unit === '' ? {} : { unit }),
    ...(over === undefined ? (min === undefined ? {} : { minimum: min }) : { exclusiveMinimum: over }),
    ...(max === undefined ? {} : { maximum: max }),
  }
}

const recordSchema = (
  { fields }: Pick<RecordField, 'fields'>,
  more: Schema = {},
  required: readonly string[] = [],
) => ({
  type: 'object',
  additionalProperties: false,
  required: [...required, ...requiredOf(fields)],
  properties: {
    ...more,
    ...Object.fromEntries(Object.entries(fields).map(([key, field]) => [key, jsonSchemaOf(field)])),
  },
})

const requiredOf = (fields: Fields) => Object.entries(fields).flatMap(([key, { optional }]) => (optional ? [] : [key]))

function bare(field: Field): Schema {
  switch (field.type) {
    case 'number':
      return numberSchema(field)
    case 'constant':
      return { const: field.is }
    case 'figure':
      return { enum: field.among }
    case 'choice':
      return { enum: field.choices }
    case 'text':
      return { type: 'string', maxLength: field.longest, ...patterns[field.form] }
    case 'flag':
      return { const: true }
    case 'yes':
      return { type: 'boolean' }
    case 'either':
      return {
        anyOf: [
          numberSchema(field.number),
          field.words ? { enum: field.words } : { type: 'string', minLength: 1, maxLength: field.longest },
        ],
      }
    case 'open':
      return { type: 'object' }
    case 'list':
      return { type: 'array', items: jsonSchemaOf(field.of), minItems: field.least, maxItems: field.most }
    case 'tuple':
      return { type: 'array', prefixItems: field.items.map(jsonSchemaOf), items: false, minItems: field.items.length }
    case 'record':
      return recordSchema(field)
    case 'map':
      return { type: 'object', maxProperties: field.most, additionalProperties: jsonSchemaOf(field.of) }
    case 'variant':
      return {
        oneOf: Object.entries(field.of).map(([kind, each]) => recordSchema(each, { kind: { const: kind } }, ['kind'])),
      }
  }
}

/** A field as JSON Schema (2020-12), with its word as title and the version that it came with. */
export const jsonSchemaOf = (field: Field): Schema => ({
  ...(field.word === undefined ? {} : { title: field.word }),
  ...(field.since === undefined ? {} : { since: field.since }),
  ...bare(field),
})
