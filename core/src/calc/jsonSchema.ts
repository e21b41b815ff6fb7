import type { Calculation } from './calculation'
import type { Field, Fields } from './field'
import { boundsOf } from './quantityLimits'
import { storedUnit } from '../schema/storedUnit'

type Schema = Readonly<Record<string, unknown>>

const orNull = (schema: Schema, nullable: true | undefined): Schema => {
  if (!nullable) return schema
  if (Array.isArray(schema['enum'])) return { ...schema, type: ['string', 'null'], enum: [...schema['enum'], null] }
  return { ...schema, type: [schema['type'], 'null'] }
}

function bare(field: Field): Schema {
  switch (field.type) {
    case 'number': {
      const { min, max, over } = boundsOf(field)
      const unit = storedUnit(field.quantity)
      return orNull(
        {
          type: field.integer ? 'integer' : 'number',
          quantity: field.quantity,
          ...(unit === '' ? {} : { unit }),
          ...(over === undefined ? { minimum: min } : { exclusiveMinimum: over }),
          maximum: max,
          ...(field.default === undefined ? {} : { default: field.default }),
        },
        field.nullable,
      )
    }
    case 'either':
      return {
        anyOf: [bare(field.number), field.words ? { enum: [...field.words] } : { type: 'string', maxLength: 40 }],
      }
    case 'choice':
      return orNull(
        {
          type: 'string',
          enum: [...field.choices, ...(field.alsoAccepted ?? [])],
          ...(field.default === undefined ? {} : { default: field.default }),
        },
        field.nullable,
      )
    case 'boolean':
      return orNull(
        { type: 'boolean', ...(field.default === undefined ? {} : { default: field.default }) },
        field.nullable,
      )
    case 'text':
      return orNull(
        {
          type: 'string',
          maxLength: field.longest ?? 200,
          ...(field.like === undefined ? {} : { examples: [field.like] }),
        },
        field.nullable,
      )
    case 'list':
      return {
        type: 'array',
        items: fieldSchema(field.of),
        minItems: field.least ?? 0,
        maxItems: field.most ?? 10_000,
      }
    case 'tuple':
      return {
        type: 'array',
        prefixItems: field.items.map(fieldSchema),
        minItems: field.items.length,
        maxItems: field.items.length,
      }
    case 'object':
      return orNull(objectSchema(field.fields), field.nullable)
    case 'variant':
      return {
        oneOf: Object.entries(field.of).map(([kind, fields]) => {
          const schema = objectSchema(fields)
          return {
            ...schema,
            properties: { kind: { const: kind }, ...(schema['properties'] as Schema) },
            required: ['kind', ...(schema['required'] as string[])],
          }
        }),
      }
    case 'expression':
      return { $ref: '#/$defs/expression' }
    case 'map':
      return { type: 'object', additionalProperties: fieldSchema(field.of) }
  }
}

const fieldSchema = (field: Field): Schema => ({
  title: field.title,
  ...(field.hint === undefined ? {} : { description: field.hint }),
  ...bare(field),
})

function objectSchema(fields: Fields): Schema {
  return {
    type: 'object',
    properties: Object.fromEntries(Object.entries(fields).map(([name, field]) => [name, fieldSchema(field)])),
    required: Object.entries(fields)
      .filter(([, { optional }]) => !optional)
      .map(([name]) => name),
    additionalProperties: false,
  }
}

const expression = {
  anyOf: [
    { type: 'string', minLength: 1, maxLength: 40 },
    ...['and', 'or'].map((key) => ({
      type: 'object',
      properties: { [key]: { type: 'array', items: { $ref: '#/$defs/expression' }, minItems: 1 } },
      required: [key],
      additionalProperties: false,
    })),
    {
      type: 'object',
      properties: { not: { $ref: '#/$defs/expression' } },
      required: ['not'],
      additionalProperties: false,
    },
  ],
}

const usesExpression = (fields: Fields) => Object.values(fields).some(({ type }) => type === 'expression')

const complete = (title: string, fields: Fields): Schema => ({
  $schema: 'https://json-schema.org/draft/2020-12/schema',
  title,
  ...objectSchema(fields),
  ...(usesExpression(fields) ? { $defs: { expression } } : {}),
})

/** Inputs and outputs of an entry as JSON Schema, in the units that core stores. Optional outputs are those that depend on the input. */
export function calculationSchema({ id, title, inputs, outputs }: Calculation) {
  return { id, title, inputs: complete(`${title}: inputs`, inputs), outputs: complete(`${title}: outputs`, outputs) }
}
