import { storedUnit } from '../schema/storedUnit'
import type { Field, Fields, NumberField } from './field'
import { boundsOf } from './quantityLimits'

/** Something wrong with one field of the input: which, and what is allowed. */
export class InputError extends Error {
  /**
   * @param says what is wrong, to follow the field's name; figures in braces
   * @param bound it is outside what the field takes at all
   */
  constructor(
    readonly field: string,
    readonly says: string,
    readonly bound = false,
  ) {
    super(`${field}${says.startsWith(':') ? '' : ' '}${says}`)
  }
}

const LONGEST_LIST = 10_000
const LONGEST_TEXT = 200
const LONGEST_WORD = 40
const DEEPEST = 20

/** A value as it was given, short enough for a message. */
const shown = (value: unknown): string => {
  if (typeof value === 'string') return `"${value.slice(0, 40)}"`
  if (typeof value === 'number') return String(value)
  return JSON.stringify(value)?.slice(0, 60) ?? 'nothing'
}

const isObject = (value: unknown): value is Readonly<Record<string, unknown>> =>
  typeof value === 'object' && value !== null && !Array.isArray(value)

function inBounds(field: NumberField, value: number): boolean {
  const { min, over, max } = boundsOf(field)
  return (
    Number.isFinite(value) &&
    (min === undefined || value >= min) &&
    (over === undefined || value > over) &&
    value <= max &&
    (!field.integer || Number.isInteger(value))
  )
}

/** Checks a value against its field. @throws InputError naming field, value and what is allowed */
export function checkField(name: string, field: Field, value: unknown, depth = 0): void {
  if (value === undefined) {
    if (field.optional) return
    throw new InputError(name, `is missing: ${allowed(field)}`, true)
  }
  const wrong = () => new InputError(name, `is ${shown(value)}: ${allowed(field)}`, true)
  if (value === null && 'nullable' in field && field.nullable) return
  switch (field.type) {
    case 'number':
      if (typeof value !== 'number' || !inBounds(field, value)) throw wrong()
      return
    case 'either': {
      const { words } = field
      const good =
        typeof value === 'string'
          ? (words?.includes(value) ?? (value.trim() !== '' && value.length <= LONGEST_WORD))
          : typeof value === 'number' && inBounds(field.number, value)
      if (!good) throw wrong()
      return
    }
    case 'choice':
      if (typeof value !== 'string' || !(field.choices.includes(value) || field.alsoAccepted?.includes(value)))
        throw wrong()
      return
    case 'boolean':
      if (typeof value !== 'boolean') throw wrong()
      return
    case 'text':
      if (typeof value !== 'string' || value.length > (field.longest ?? LONGEST_TEXT)) throw wrong()
      return
    case 'list': {
      const { least = 0, most = LONGEST_LIST } = field
      if (!Array.isArray(value) || value.length < least || value.length > most) throw wrong()
      value.forEach((item, i) => checkField(`${name}[${i}]`, field.of, item, depth + 1))
      return
    }
    case 'tuple':
      if (!Array.isArray(value) || value.length !== field.items.length) throw wrong()
      field.items.forEach((item, i) => checkField(`${name}[${i}]`, item, value[i], depth + 1))
      return
    case 'object':
      checkFields(field.fields, value, `${name}.`)
      return
    case 'variant': {
      const fields = isObject(value) && typeof value['kind'] === 'string' && Object.hasOwn(field.of, value['kind'])
      if (!fields) throw wrong()
      const { kind, ...rest } = value
      checkFields(field.of[kind as string]!, rest, `${name}.`)
      return
    }
    case 'expression':
      checkExpression(name, value, 0)
      return
    case 'map':
      if (!isObject(value)) throw wrong()
      for (const [key, item] of Object.entries(value)) checkField(`${name}.${key}`, field.of, item, depth + 1)
      return
  }
}

function checkExpression(name: string, value: unknown, depth: number): void {
  const wrong = () =>
    new InputError(
      name,
      `is ${shown(value)}: a contact's name of 1 to 40 characters, {"and": […]}, {"or": […]} or {"not": …}`,
    )
  if (depth > DEEPEST) throw new InputError(name, `is nested more than ${DEEPEST} deep`)
  if (typeof value === 'string') {
    if (value.trim() === '' || value.length > 40) throw wrong()
    return
  }
  if (!isObject(value)) throw wrong()
  const [key, ...others] = Object.keys(value)
  if (key === undefined || others.length > 0 || !['and', 'or', 'not'].includes(key)) throw wrong()
  const inner = value[key]
  if (key === 'not') return checkExpression(`${name}.not`, inner, depth + 1)
  if (!Array.isArray(inner) || inner.length === 0 || inner.length > 100) throw wrong()
  inner.forEach((each, i) => checkExpression(`${name}.${key}[${i}]`, each, depth + 1))
}

/** Checks an object against its fields; unknown fields are refused. @throws InputError */
export function checkFields(
  fields: Fields,
  value: unknown,
  prefix = '',
): asserts value is Readonly<Record<string, unknown>> {
  if (!isObject(value))
    throw new InputError(prefix.replace(/\.$/, '') || 'input', `is ${shown(value)}: it must be an object`)
  for (const key of Object.keys(value))
    if (!Object.hasOwn(fields, key))
      throw new InputError(prefix + key, `is unknown: allowed are ${Object.keys(fields).join(', ')}`)
  for (const [key, field] of Object.entries(fields)) checkField(prefix + key, field, value[key])
}

/** The bounds of a number in words, with its unit. `say` puts a bound into the user's units. */
export function allowedNumber(field: NumberField, say: (bound: number) => string): string {
  const { min, max, over } = boundsOf(field)
  const what = field.integer ? 'a whole number' : 'a number'
  const own = field.max !== undefined || (over === undefined && field.min === undefined)
  if (over !== undefined) return own ? `${what} over ${say(over)}, at most ${say(max)}` : `${what} over ${say(over)}`
  return own ? `${what} from ${say(min!)} to ${say(max)}` : `${what} of ${say(min!)} or more`
}

/** What a field takes, in words. */
export function allowed(field: Field): string {
  switch (field.type) {
    case 'number': {
      const unit = storedUnit(field.quantity)
      return `${allowedNumber(field, String)}${unit === '' ? '' : ` ${unit}`}${field.nullable ? ', or null' : ''}`
    }
    case 'either':
      return `${allowed(field.number)}, or ${field.words?.map((word) => `"${word}"`).join(' or ') ?? `a text of at most ${LONGEST_WORD} characters`}`
    case 'choice':
      return `one of ${field.choices.join(', ')}`
    case 'boolean':
      return 'true or false'
    case 'text':
      return field.like === undefined
        ? `a text of at most ${field.longest ?? LONGEST_TEXT} characters`
        : `a text like ${field.like}`
    case 'list': {
      const { least = 0, most = LONGEST_LIST } = field
      return least === most ? `a list of ${least}` : `a list of ${least} to ${most}`
    }
    case 'tuple':
      return `a list of ${field.items.map(({ title }) => title.toLowerCase()).join(' and ')}`
    case 'object':
      return 'an object'
    case 'variant':
      return `an object whose kind is one of ${Object.keys(field.of).join(', ')}`
    case 'expression':
      return 'a contact, or contacts in series and parallel'
    case 'map':
      return 'an object'
  }
}
