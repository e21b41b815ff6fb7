import { whyWords } from '../units/refused'
import { capital } from '../words/terms'
import type { CalcError } from './registry'
import { parseNumber } from '../units/parseNumber'
import { parseQuantity } from '../units/parseQuantity'
import { plainDigits } from '../units/plainDigits'
import { formatQuantity, quantityView, trueMinus, type UnitPreferences } from '../units/quantity'
import { wordsFor } from '../words/words'
import type { ContactExpression } from '../wiring/contactLogic'
import { parseExpression, sayExpression } from '../wiring/parseExpression'
import type { Calculation } from './calculation'
import { allowed, allowedNumber } from './checkField'
import type { Field, Fields, NumberField } from './field'

/** What stands in a form, as it was typed: text, or a list or group of texts. */
export type FormValue = string | readonly FormValue[] | { readonly [name: string]: FormValue }
export type Form = { readonly [name: string]: FormValue }

/** What is wrong with one field of a form, by its path: `pairs[0].shownC`. */
export type FormErrors = Readonly<Record<string, string>>

interface ReadForm {
  readonly input: Readonly<Record<string, unknown>>
  /** Fields that are filled in with what cannot be read. */
  readonly errors: FormErrors
  /** Titles of the fields that are needed and empty. */
  readonly missing: readonly string[]
}

const isGroup = (value: FormValue | undefined): value is Form =>
  typeof value === 'object' && value !== null && !Array.isArray(value)

/** A list whose items are single values is typed in one line: `20; 21,5; out`. */
export const isLine = (field: Field): boolean =>
  field.type === 'list' && ['number', 'either', 'boolean'].includes(field.of.type)

/** Whether a field is asked, as the form stands: some belong to one choice of another. */
export function isAsked({ when }: Field, form: Form): boolean {
  if (!when) return true
  const other = form[when.input]
  const value = isGroup(other) ? other['kind'] : other
  return typeof value !== 'string' || value === '' || when.is.includes(value)
}

const OUT = ['out', '-', '\u2212', 'none', 'over-range', 'ol']

/** The bounds of a number in the user's units. */
function allowedShown(field: NumberField, preferences: UnitPreferences): string {
  const view = quantityView(field.quantity, preferences)
  const unit = view.label === '' ? '' : `\u00a0${view.label}`
  const said = allowedNumber(field, (bound) => `${trueMinus(plainDigits(view.toShown(bound), 5))}${unit}`)
  return field.nullable ? `${said}, or out` : said
}

/** As a meter shows it: 12.4k, 0.4M. */
const PREFIXED = /^\s*([^a-zA-Z]+?)\s*([kM])\s*$/

function readNumber(field: NumberField, text: string, preferences: UnitPreferences): number | null | Error {
  if (field.nullable && OUT.includes(text.trim().toLowerCase())) return null
  const [, figure, prefix] = (field.prefixed ? PREFIXED.exec(text) : null) ?? [undefined, text]
  const read = parseQuantity(figure!, field.quantity, preferences)
  if (read.ok) return prefix === undefined ? read.si : read.si * (prefix === 'k' ? 1e3 : 1e6)
  const units = read.units.length === 0 ? '' : `, in ${read.units.join(', ')}`
  return new Error(`${field.title} is "${text.slice(0, 20)}": ${allowedShown(field, preferences)}${units}`)
}

/** Reads a whole form in the user's units. Empty fields that may be left out are; nothing is lost of what cannot be read. */
export function readForm(fields: Fields, form: Form, preferences: UnitPreferences): ReadForm {
  const errors: Record<string, string> = {}
  const missing: string[] = []
  const read = (path: string, field: Field, value: FormValue | undefined): unknown => {
    const empty = value === undefined || (typeof value === 'string' && value.trim() === '')
    if (empty && field.type === 'text' && field.mayBeEmpty) return ''
    if (empty && !['list', 'object', 'variant', 'tuple'].includes(field.type)) {
      if (!field.optional) missing.push(field.title)
      return undefined
    }
    const text = typeof value === 'string' ? value : ''
    const fail = (message: string) => {
      errors[path] = message
      return undefined
    }
    switch (field.type) {
      case 'number': {
        const number = readNumber(field, text, preferences)
        return number instanceof Error ? fail(number.message) : number
      }
      case 'either': {
        const number = parseNumber(text)
        return number.ok ? quantityView(field.number.quantity, preferences).toSi(number.value) : text.trim()
      }
      case 'boolean':
        return text === 'yes'
      case 'choice':
      case 'text':
        return text
      case 'expression': {
        const parsed = parseExpression(text)
        return parsed.ok ? parsed.expression : fail(`${field.title}: ${parsed.message}`)
      }
      case 'list': {
        if (isLine(field)) {
          const words = (typeof value === 'string' ? value : '').split(/[;\s]+/).filter((word) => word !== '')
          if (words.length === 0 && field.optional) return undefined
          if (words.length === 0 && (field.least ?? 0) > 0) missing.push(field.title)
          const items = words.map((word, i) => read(`${path}[${i}]`, field.of, word))
          const wrong = words.findIndex((_, i) => errors[`${path}[${i}]`] !== undefined)
          // What is wrong with one word is said at the line that holds it.
          if (wrong >= 0) {
            const said = errors[`${path}[${wrong}]`]!
            for (const i of words.keys()) delete errors[`${path}[${i}]`]
            return fail(said)
          }
          return items
        }
        const rows = Array.isArray(value) ? (value as readonly FormValue[]) : []
        if (rows.length === 0 && field.optional) return undefined
        return rows.map((row, i) => read(`${path}[${i}]`, field.of, row))
      }
      case 'tuple':
        return field.items.map((item, i) => read(`${path}[${i}]`, item, isGroup(value) ? value[String(i)] : undefined))
      case 'object': {
        const group = isGroup(value) ? value : {}
        const untouched = Object.values(group).every((each) => each === '')
        if (field.optional && untouched) return undefined
        return readAll(`${path}.`, field.fields, group)
      }
      case 'variant': {
        const group = isGroup(value) ? value : {}
        const kind = typeof group['kind'] === 'string' ? group['kind'] : Object.keys(field.of)[0]!
        return { kind, ...readAll(`${path}.`, field.of[kind] ?? {}, group) }
      }
      case 'map':
        return undefined
    }
  }
  const readAll = (prefix: string, of: Fields, group: Form) =>
    Object.fromEntries(
      Object.entries(of)
        .filter(([, field]) => isAsked(field, group))
        .map(([name, field]) => [name, read(`${prefix}${name}`, field, group[name])] as const)
        .filter(([, value]) => value !== undefined),
    )
  return { input: readAll('', fields, form), errors, missing: [...new Set(missing)] }
}

/** A value as it would be typed in the user's units. */
function writeValue(field: Field, value: unknown, preferences: UnitPreferences): FormValue {
  const number = ({ quantity }: NumberField, si: unknown) =>
    trueMinus(plainDigits(quantityView(quantity, preferences).toShown(si as number), 8))
  if (value === undefined) return emptyValue(field)
  switch (field.type) {
    case 'number':
      return value === null ? 'out' : number(field, value)
    case 'either':
      return typeof value === 'number' ? number(field.number, value) : String(value)
    case 'boolean':
      return value ? 'yes' : 'no'
    case 'expression':
      return sayExpression(value as ContactExpression)
    case 'list': {
      const items = (value as readonly unknown[]).map((item) => writeValue(field.of, item, preferences))
      return isLine(field) ? items.join('; ') : items
    }
    case 'tuple':
      return Object.fromEntries(
        field.items.map((item, i) => [String(i), writeValue(item, (value as readonly unknown[])[i], preferences)]),
      )
    case 'object':
      return writeForm(field.fields, value as Readonly<Record<string, unknown>>, preferences)
    case 'variant': {
      const { kind, ...rest } = value as Readonly<Record<string, unknown>>
      return { kind: String(kind), ...writeForm(field.of[String(kind)] ?? {}, rest, preferences) }
    }
    default:
      return String(value)
  }
}

/** What stands in an untouched field. */
export function emptyValue(field: Field): FormValue {
  switch (field.type) {
    case 'list':
      return isLine(field)
        ? ''
        : Array.from({ length: field.optional ? 0 : Math.max(1, field.least ?? 0) }, () => emptyValue(field.of))
    case 'tuple':
      return Object.fromEntries(field.items.map((item, i) => [String(i), emptyValue(item)]))
    case 'object':
      return emptyForm(field.fields)
    case 'variant': {
      const [kind, fields] = Object.entries(field.of)[0]!
      return { kind, ...emptyForm(fields) }
    }
    default:
      return ''
  }
}

/** A form with nothing typed in it yet. */
export const emptyForm = (fields: Fields): Form =>
  Object.fromEntries(Object.entries(fields).map(([name, field]) => [name, emptyValue(field)]))

/** A whole input as it would be typed; fields it lacks stand empty. */
export const writeForm = (
  fields: Fields,
  input: Readonly<Record<string, unknown>>,
  preferences: UnitPreferences,
): Form =>
  Object.fromEntries(Object.entries(fields).map(([name, field]) => [name, writeValue(field, input[name], preferences)]))

/** The same form in other units: what can be read is written anew, what cannot stays as it was typed. */
export function turnForm(fields: Fields, form: Form, from: UnitPreferences, to: UnitPreferences): Form {
  const turn = (field: Field, value: FormValue | undefined): FormValue => {
    if (value === undefined) return emptyValue(field)
    switch (field.type) {
      case 'number':
      case 'either': {
        if (typeof value !== 'string' || value.trim() === '') return value
        const { input, errors } = readForm({ it: { ...field, optional: true } }, { it: value }, from)
        return errors['it'] === undefined && typeof input['it'] === 'number'
          ? writeValue(field, input['it'], to)
          : value
      }
      case 'list': {
        if (!isLine(field))
          return Array.isArray(value) ? (value as readonly FormValue[]).map((row) => turn(field.of, row)) : value
        if (typeof value !== 'string') return value
        return value
          .split(/[;\s]+/)
          .filter((word) => word !== '')
          .map((word) => turn(field.of, word))
          .join('; ')
      }
      case 'tuple':
        return isGroup(value)
          ? Object.fromEntries(field.items.map((item, i) => [String(i), turn(item, value[String(i)])]))
          : value
      case 'object':
        return isGroup(value) ? turnAll(field.fields, value) : value
      case 'variant':
        return isGroup(value)
          ? { kind: value['kind'] ?? '', ...turnAll(field.of[String(value['kind'])] ?? {}, value) }
          : value
      default:
        return value
    }
  }
  const turnAll = (of: Fields, group: Form): Form =>
    Object.fromEntries(Object.entries(of).map(([name, field]) => [name, turn(field, group[name])]))
  return turnAll(fields, form)
}

/** The field at a path, and its title. */
function fieldAt(fields: Fields, path: string): Field | undefined {
  const steps = path.match(/[^.[\]]+/g) ?? []
  let here: Field | undefined
  let inside: Fields = fields
  for (const step of steps) {
    if (here?.type === 'list') here = here.of
    else if (here?.type === 'tuple') here = here.items[Number(step)]
    else if (here?.type === 'variant')
      here = Object.values(here.of)
        .map((of) => of[step])
        .find(Boolean)
    else here = inside[step]
    if (here?.type === 'object') inside = here.fields
    else if (here?.type === 'list' && here.of.type === 'object') inside = here.of.fields
    if (!here) return undefined
  }
  return here
}

/**
 * What the registry says is wrong, for the one who fills in the form: fields by their titles, bounds and figures in the user's units.
 * @returns the path it belongs to (`input` when to none) and the sentence
 */
export function sayError(
  { inputs }: Pick<Calculation, 'inputs'>,
  { field: path, message, why, bound }: CalcError,
  preferences: UnitPreferences,
): { readonly path: string; readonly text: string } {
  const field = fieldAt(inputs, path)
  const { tell } = wordsFor(preferences)
  if (!field) return { path: 'input', text: tell(message) }
  if (bound)
    return {
      path,
      text: `${field.title}: ${field.type === 'number' ? allowedShown(field, preferences) : allowed(field)}`,
    }
  if (!why) return { path, text: capital(tell(message)) }
  const shown = (value: number, of: string = path) => {
    const held = fieldAt(inputs, of)
    return held?.type === 'number' ? formatQuantity(value, held.quantity, preferences) : String(value)
  }
  const named = (of: string) => fieldAt(inputs, of)?.title.toLowerCase() ?? of
  const says = tell(whyWords(why, shown, named))
  return { path, text: `${capital(field.title)}${says.startsWith(':') ? '' : ' '}${says}` }
}
