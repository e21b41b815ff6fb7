import type { FieldData } from '../plant/fieldValue'
import { formatQuantity, type UnitPreferences } from '../units/quantity'
import type { CalcCall } from '../survey/surveyResult'
import type { Field } from './field'
import { findCalculation, runCalculation } from './registry'

/** A sum opened: what went in, by what formula, from where, what came out. Screen and sheet only render it. */
export interface WorkedSum {
  readonly id: string
  readonly title: string
  readonly formula: string
  readonly source: string
  readonly cautions: readonly string[]
  readonly inputs: readonly { readonly label: string; readonly value: string }[]
  readonly outputs: readonly { readonly label: string; readonly value: string; readonly asked: boolean }[]
}

function sayField(field: Field, value: unknown, preferences: UnitPreferences): string {
  if (value === null || value === undefined) return 'none'
  if (field.type === 'number' && typeof value === 'number') return formatQuantity(value, field.quantity, preferences)
  if (field.type === 'list' && Array.isArray(value))
    return value.map((item) => sayField(field.of, item, preferences)).join('; ')
  if (field.type === 'object')
    return Object.entries(field.fields)
      .filter(([key]) => (value as Record<string, unknown>)[key] !== undefined)
      .map(
        ([key, inner]) =>
          `${inner.title.toLowerCase()} ${sayField(inner, (value as Record<string, unknown>)[key], preferences)}`,
      )
      .join(', ')
  if (field.type === 'probe') {
    const { kind, ...rest } = value as Record<string, unknown>
    return `${String(kind)} ${Object.values(rest).join(', ')}`
  }
  return String(value)
}

/** Runs a call again and lays its sum open in the user's units. @throws RangeError when the calculation is unknown or refuses */
export function workedLines(
  { calc, input, output }: CalcCall,
  data: FieldData,
  preferences: UnitPreferences,
): WorkedSum {
  const entry = findCalculation(calc)
  if (!entry) throw new RangeError(`calculation ${calc} is not in the registry`)
  const outcome = runCalculation(entry, JSON.parse(JSON.stringify(input)), data)
  if (!outcome.ok) throw new RangeError(outcome.error.message)
  return {
    id: calc,
    title: entry.title,
    formula: entry.formula,
    source: entry.source,
    cautions: entry.cautions ?? [],
    inputs: Object.entries(entry.inputs)
      .filter(([name]) => input[name] !== undefined)
      .map(([name, field]) => ({ label: field.title, value: sayField(field, input[name], preferences) })),
    outputs: Object.entries(entry.outputs)
      .filter(([name]) => outcome.output[name] !== undefined)
      .map(([name, field]) => ({
        label: field.title,
        value: sayField(field, outcome.output[name], preferences),
        asked: name === output,
      })),
  }
}
