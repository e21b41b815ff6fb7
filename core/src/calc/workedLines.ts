import {
  formatQuantity,
  type Quantity,
  quantityView,
  shownText,
  trueMinus,
  type UnitPreferences,
} from '../units/quantity'
import { wordsFor } from '../words/words'
import { type ContactExpression } from '../wiring/contactLogic'
import { sayExpression } from '../wiring/parseExpression'
import type { CalcData } from './calculation'
import type { CalcCall } from '../kinds/asked'
import type { Field, Fields, NumberField } from './field'
import { plainDigits } from '../units/plainDigits'
import { findCalculation, runCalculation } from './registry'

/** A sum opened: what went in, by what formula, from where, what came out. Screen and sheet only render it. */
export interface WorkedCalculation {
  readonly id: string
  readonly title: string
  readonly formula: string
  readonly source: string
  readonly cautions: readonly string[]
  readonly inputs: readonly { readonly label: string; readonly value: string; readonly symbol?: string }[]
  readonly outputs: readonly {
    readonly label: string
    readonly value: string
    readonly asked: boolean
    /** Rows that a screen shows as a table. */
    readonly table?: true
  }[]
}

/** A title inside a sentence; a unit in it keeps its capital. */
const lowerFirst = (title: string) => title.slice(0, 1).toLowerCase() + title.slice(1)

/** A value in the user's words and units; lists in one line. */
export function sayField(field: Field, value: unknown, preferences: UnitPreferences): string {
  if (value === null || value === undefined) return 'none'
  const inner = (of: Field, each: unknown) => sayField(of, each, preferences)
  const fieldsOf = (fields: Fields, from: Readonly<Record<string, unknown>>) =>
    Object.entries(fields)
      .filter(([key]) => from[key] !== undefined)
      .map(([key, of]) => `${lowerFirst(of.title)} ${inner(of, from[key])}`)
      .join(', ')
  switch (field.type) {
    case 'number':
      return typeof value === 'number' ? sayNumber(value, field, preferences) : String(value)
    case 'either':
      return typeof value === 'number' ? sayNumber(value, field.number, preferences) : String(value)
    case 'choice':
      return field.says?.[String(value)] ?? String(value)
    case 'boolean':
      return value ? 'yes' : 'no'
    case 'text':
      return wordsFor(preferences).tell(String(value))
    case 'list': {
      if (!Array.isArray(value)) return String(value)
      const some = value.slice(0, MOST_SAID).map((item) => inner(field.of, item))
      const more = value.length - some.length
      return value.length === 0 ? 'none' : [...some, ...(more > 0 ? [`and ${more} more`] : [])].join('; ')
    }
    case 'tuple':
      return Array.isArray(value) ? field.items.map((item, i) => inner(item, value[i])).join(' at ') : String(value)
    case 'object':
      return fieldsOf(field.fields, value as Readonly<Record<string, unknown>>)
    case 'variant': {
      const { kind, ...rest } = value as Readonly<Record<string, unknown>>
      const said = fieldsOf(field.of[String(kind)] ?? {}, rest)
      const name = field.says?.[String(kind)] ?? String(kind)
      return said === '' ? name : `${name}: ${said}`
    }
    case 'expression':
      return sayExpression(value as ContactExpression)
    case 'map':
      return Object.entries(value as Readonly<Record<string, unknown>>)
        .map(([key, each]) => `${key} ${inner(field.of, each)}`)
        .join(', ')
  }
}

/** A list in a sentence stops here. */
const MOST_SAID = 12

/** Quantities whose usual decimals are all that a fitter can use. */
const COARSE: readonly Quantity[] = ['temperature', 'difference', 'seconds', 'minutes', 'count']
const DIGITS = 4
/** A resistance box and a platinum probe want more. */
const OHM_DIGITS = 6
/** From here on minutes are easier to picture. */
const LONG_S = 600

/** A number with the decimals of its quantity, or with four digits where that says more. */
function sayNumber(value: number, { quantity }: NumberField, preferences: UnitPreferences): string {
  const view = quantityView(quantity, preferences)
  const shown = view.toShown(value)
  const coarse = COARSE.includes(quantity)
  // A millikelvin and less is nothing to a fitter; a small factor or resistance is not.
  const fine = Math.abs(shown) < 10 ** -view.decimals && Math.abs(shown) >= (coarse ? 1e-3 : Number.MIN_VALUE)
  const unit = view.label === '' ? '' : `\u00a0${view.label}`
  if (quantity === 'factor' || fine) return `${trueMinus(plainDigits(shown, coarse ? 2 : 6))}${unit}`
  if (quantity === 'seconds' && shown >= LONG_S)
    return `${formatQuantity(value, quantity, preferences)} (${shownText(shown / 60, 1)}\u00a0min)`
  if (coarse || shown === 0) return formatQuantity(value, quantity, preferences)
  const size = Math.floor(Math.log10(Math.abs(shown)))
  const digits = quantity === 'resistance' ? OHM_DIGITS : DIGITS
  const more = Math.min(view.decimals + 2, Math.max(view.decimals, digits - 1 - size))
  const text = shownText(shown, more)
  return `${text.includes('.') ? text.replace(/\.?0+$/, '') : text}${unit}`
}

/** What was put in, with every digit that was. */
function sayInput(field: Field, value: unknown, preferences: UnitPreferences): string {
  if (field.type !== 'number' || typeof value !== 'number') return sayField(field, value, preferences)
  const view = quantityView(field.quantity, preferences)
  const shown = view.toShown(value)
  const usual = shownText(shown, view.decimals)
  const exact = trueMinus(plainDigits(shown, 8))
  const text = COARSE.includes(field.quantity) && exact.length <= usual.length ? usual : exact
  return view.label === '' ? text : `${text}\u00a0${view.label}`
}

/** Runs a call again and lays its sum open in the user's units. @throws RangeError when the calculation is unknown or refuses */
export function workedLines(
  { calc, input, output }: CalcCall,
  data: CalcData,
  preferences: UnitPreferences,
): WorkedCalculation {
  const entry = findCalculation(calc)
  if (!entry) throw new RangeError(`calculation ${calc} is not in the registry`)
  const outcome = runCalculation(entry, JSON.parse(JSON.stringify(input)), data)
  if (!outcome.ok) throw new RangeError(outcome.error.message)
  const { tell } = wordsFor(preferences)
  return {
    id: calc,
    title: entry.title,
    formula: entry.formula,
    source: tell(entry.source),
    cautions: (entry.cautions ?? []).map(tell),
    inputs: Object.entries(entry.inputs)
      .filter(([name]) => input[name] !== undefined)
      .map(([name, field]) => ({
        label: field.title,
        value: sayInput(field, input[name], preferences),
        ...(field.symbol === undefined ? {} : { symbol: field.symbol }),
      })),
    outputs: Object.entries(entry.outputs)
      .filter(([name]) => outcome.output[name] !== undefined)
      .map(([name, field]) => ({
        label: field.title,
        value: sayField(field, outcome.output[name], preferences),
        asked: name === output,
        ...(field.type === 'list' && field.of.type === 'object' ? { table: true as const } : {}),
      })),
  }
}

/** A sum as lines of text, for copying: what went in, by what formula, what came out, from where. */
export const sumText = ({ title, formula, source, cautions, inputs, outputs }: WorkedCalculation): string =>
  [
    title,
    ...inputs.map(({ label, value }) => `  ${label}: ${value}`),
    `Formula: ${formula}`,
    ...outputs.map(({ label, value }) => `= ${label}: ${value}`),
    `Source: ${source}`,
    ...cautions.map((caution) => `Caution: ${caution}`),
  ].join('\n')

const LONGEST_NOTE = 1500

/** A sum in one line, for a note in a log. */
export function calculationNote({ title, inputs, outputs }: WorkedCalculation): string {
  const said = (list: readonly { label: string; value: string }[]) =>
    list.map(({ label, value }) => `${lowerFirst(label)} ${value}`).join(', ')
  const text = `${title}: ${said(outputs)} (${said(inputs)})`
  return text.length > LONGEST_NOTE ? `${text.slice(0, LONGEST_NOTE - 2)} …` : text
}
