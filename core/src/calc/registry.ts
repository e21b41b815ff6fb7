import type { FieldData } from '../plant/fieldValue'
import type { Calculation } from './calculation'
import * as control from './entries/control'
import * as plants from './entries/plants'
import * as probes from './entries/probes'
import * as unitEntries from './entries/units'
import * as wiring from './entries/wiring'
import { checkFields, InputError } from './field'

/** Every calculation, in the order of the reference page. */
export const calculations: readonly Calculation[] = [unitEntries, probes, control, plants, wiring].flatMap((group) =>
  Object.values(group),
)

const byId = new Map(calculations.map((entry) => [entry.id, entry]))
if (byId.size !== calculations.length) throw new Error('two calculations share an id')

export const findCalculation = (id: string) => byId.get(id)

export type CalcOutcome =
  | { readonly ok: true; readonly output: Readonly<Record<string, unknown>> }
  | { readonly ok: false; readonly error: { readonly field: string; readonly message: string } }

/** Checks the input against the entry's fields and runs it. What is wrong comes back as an error that names the field. */
export function runCalculation(entry: Calculation, input: unknown, data: FieldData): CalcOutcome {
  try {
    checkFields(entry.inputs, input)
    return { ok: true, output: entry.run(input as never, data) }
  } catch (error) {
    if (error instanceof InputError) return { ok: false, error: { field: error.field, message: error.message } }
    if (error instanceof RangeError) {
      const field = Object.keys(entry.inputs).find((name) => error.message.startsWith(name)) ?? 'input'
      return { ok: false, error: { field, message: error.message } }
    }
    throw error
  }
}
