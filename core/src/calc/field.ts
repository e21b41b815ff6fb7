import type { Quantity } from '../units/quantity'

/** One input or output of a calculation: what it is called, what it is, what is allowed. */
export type Field = { readonly title: string; readonly optional?: true } & (
  | {
      readonly type: 'number'
      readonly quantity: Quantity
      readonly min?: number
      readonly max?: number
      readonly over?: number
      readonly nullable?: true
    }
  | { readonly type: 'choice'; readonly choices: readonly string[] }
  | { readonly type: 'boolean' }
  | { readonly type: 'text' }
  | { readonly type: 'probe' }
  | { readonly type: 'list'; readonly of: Field; readonly length?: number }
  | { readonly type: 'object'; readonly fields: Fields }
)

export type Fields = Readonly<Record<string, Field>>

export const number = (
  title: string,
  quantity: Quantity,
  limits: { min?: number; max?: number; over?: number } = {},
): Field => ({ type: 'number', title, quantity, ...limits })
export const choice = (title: string, choices: readonly string[]): Field => ({ type: 'choice', title, choices })
export const optional = (field: Field): Field => ({ ...field, optional: true })

/** Something wrong with one field of the input: which, and what is allowed. */
export class InputError extends Error {
  constructor(
    readonly field: string,
    message: string,
  ) {
    super(message)
  }
}

const PROBE_FIELDS: Readonly<Record<string, readonly string[]>> = {
  rtd: ['r0Ohm'],
  ntc: ['r25Ohm', 'betaK'],
  steinhart: ['a', 'b', 'c'],
}

const given = (value: unknown) =>
  typeof value === 'string' ? `"${value.slice(0, 40)}"` : (JSON.stringify(value)?.slice(0, 60) ?? 'nothing')

/** Checks a value against its field. @throws InputError naming field, value and what is allowed */
export function checkField(name: string, field: Field, value: unknown): void {
  if (value === undefined) {
    if (field.optional) return
    throw new InputError(name, `${name} is missing: ${allowed(field)}`)
  }
  const wrong = () => new InputError(name, `${name} is ${given(value)}: ${allowed(field)}`)
  switch (field.type) {
    case 'number': {
      if (value === null && field.nullable) return
      if (typeof value !== 'number' || !Number.isFinite(value)) throw wrong()
      const { min, max, over } = field
      if (
        (min !== undefined && value < min) ||
        (max !== undefined && value > max) ||
        (over !== undefined && value <= over)
      )
        throw wrong()
      return
    }
    case 'choice':
      if (typeof value !== 'string' || !field.choices.includes(value)) throw wrong()
      return
    case 'boolean':
      if (typeof value !== 'boolean') throw wrong()
      return
    case 'text':
      if (typeof value !== 'string' || value.length > 200) throw wrong()
      return
    case 'list':
      if (
        !Array.isArray(value) ||
        value.length > 10_000 ||
        (field.length !== undefined && value.length !== field.length)
      )
        throw wrong()
      value.forEach((item, i) => checkField(`${name}[${i}]`, field.of, item))
      return
    case 'object':
      checkFields(field.fields, value, `${name}.`)
      return
    case 'probe':
      return checkProbe(name, value)
  }
}

function checkProbe(name: string, value: unknown): void {
  const probe = value as Readonly<Record<string, unknown>> | null
  const fields = typeof probe === 'object' && probe !== null ? PROBE_FIELDS[String(probe['kind'])] : undefined
  if (!probe || !fields)
    throw new InputError(
      name,
      `${name} is ${given(value)}: an object whose kind is one of ${Object.keys(PROBE_FIELDS).join(', ')}`,
    )
  for (const key of Object.keys(probe))
    if (key !== 'kind' && !fields.includes(key))
      throw new InputError(
        `${name}.${key}`,
        `${name}.${key} is unknown: a probe of kind ${String(probe['kind'])} has ${fields.join(', ')}`,
      )
  for (const key of fields) checkField(`${name}.${key}`, { type: 'number', title: key, quantity: 'factor' }, probe[key])
}

/** Checks an object against its fields; unknown fields are refused. @throws InputError */
export function checkFields(
  fields: Fields,
  value: unknown,
  prefix = '',
): asserts value is Readonly<Record<string, unknown>> {
  if (typeof value !== 'object' || value === null || Array.isArray(value))
    throw new InputError(
      prefix.replace(/\.$/, '') || 'input',
      `${prefix || 'input'} is ${given(value)}: it must be an object`,
    )
  for (const key of Object.keys(value))
    if (!Object.hasOwn(fields, key))
      throw new InputError(prefix + key, `${prefix}${key} is unknown: allowed are ${Object.keys(fields).join(', ')}`)
  for (const [key, field] of Object.entries(fields))
    checkField(prefix + key, field, (value as Record<string, unknown>)[key])
}

/** What a field takes, in words. */
export function allowed(field: Field): string {
  switch (field.type) {
    case 'number': {
      const { min, max, over } = field
      const limits =
        over !== undefined
          ? ` over ${over}`
          : min !== undefined && max !== undefined
            ? ` from ${min} to ${max}`
            : min !== undefined
              ? ` of ${min} or more`
              : ''
      return `a number${limits}`
    }
    case 'choice':
      return `one of ${field.choices.join(', ')}`
    case 'boolean':
      return 'true or false'
    case 'text':
      return 'a text of at most 200 characters'
    case 'list':
      return field.length === undefined ? 'a list' : `a list of ${field.length}`
    case 'object':
      return 'an object'
    case 'probe':
      return `a probe of kind ${Object.keys(PROBE_FIELDS).join(', ')}`
  }
}
