import { createSlice, type PayloadAction } from '@reduxjs/toolkit'
import type { Form } from '@nachtigal/core/calc/form'
import type { UnitPreferences } from '@nachtigal/core/units/quantity'

/** What stands in the form of one sum, in the units it was typed in. */
interface SumForm {
  readonly form: Form
  readonly preferences: UnitPreferences
  /** Fields that were typed in; the others still hold the example. */
  readonly own: Readonly<Record<string, true>>
}

/** Forms by calculation. They live for the browser's tab, like every text that is not a value of a job yet. */
type Calculators = Readonly<Record<string, SumForm>>

const KEY = 'nachtigal.calculators'

function restored(): Calculators {
  try {
    const kept: unknown = JSON.parse(globalThis.sessionStorage?.getItem(KEY) ?? '{}')
    return typeof kept === 'object' && kept !== null ? (kept as Calculators) : {}
  } catch {
    return {}
  }
}

const slice = createSlice({
  name: 'calculators',
  initialState: restored,
  reducers: {
    sumTyped: (state, { payload: { id, ...form } }: PayloadAction<SumForm & { id: string }>) => ({
      ...state,
      [id]: form,
    }),
  },
})

export const calculatorsReducer = slice.reducer
export const { sumTyped } = slice.actions
export const storeCalculators = (calculators: Calculators) => {
  try {
    globalThis.sessionStorage?.setItem(KEY, JSON.stringify(calculators))
  } catch {
    // The store of the tab is full (a year of hours was pasted): what is typed stays in the page.
  }
}
