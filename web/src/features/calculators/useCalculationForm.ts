import { useCallback, useMemo } from 'react'
import type { Calculation } from '@nachtigal/core/calc/calculation'
import {
  emptyForm,
  type FormErrors,
  type Form,
  type FormValue,
  readForm,
  sayError,
  turnForm,
  writeForm,
} from '@nachtigal/core/calc/form'
import { drawPicture, runCalculation } from '@nachtigal/core/calc/registry'
import { useAppDispatch, useAppSelector } from '../../state/store'
import { sumTyped } from '../../state/calculatorsSlice'
import { useCalculators } from './calculatorsContext'

const NONE: Readonly<Record<string, true>> = {}

/** The form of one sum, what it reads to, and its answer as one types. */
export function useCalculationForm(entry: Calculation) {
  const { preferences, calcData } = useCalculators()
  const dispatch = useAppDispatch()
  const kept = useAppSelector((state) => state.calculators[entry.id])
  const example = entry.examples[0]!.given
  const form = useMemo((): Form => {
    if (!kept) return writeForm(entry.inputs, example, preferences)
    const { temperatureUnit, system } = kept.preferences
    const same = temperatureUnit === preferences.temperatureUnit && system === preferences.system
    return same ? kept.form : turnForm(entry.inputs, kept.form, kept.preferences, preferences)
  }, [entry, kept, example, preferences])
  const own = kept?.own ?? NONE
  const read = useMemo(() => readForm(entry.inputs, form, preferences), [entry, form, preferences])
  const readable = read.missing.length === 0 && Object.keys(read.errors).length === 0
  const outcome = useMemo(
    () => (readable ? runCalculation(entry, read.input, calcData) : undefined),
    [entry, read, readable, calcData],
  )
  const refused = outcome && !outcome.ok ? sayError(entry, outcome.error, preferences) : undefined
  const picture = useMemo(
    () => (outcome?.ok ? drawPicture(entry, read.input, outcome.output, calcData) : null),
    [entry, read, outcome, calcData],
  )
  const keep = useCallback(
    (next: Form, owned: Readonly<Record<string, true>>) => {
      dispatch(sumTyped({ id: entry.id, form: next, preferences, own: owned }))
    },
    [dispatch, entry.id, preferences],
  )
  const type = useCallback(
    (name: string, value: FormValue) => keep({ ...form, [name]: value }, { ...own, [name]: true }),
    [form, own, keep],
  )
  return {
    form,
    own,
    read,
    errors: (refused ? { ...read.errors, [refused.path]: refused.text } : read.errors) as FormErrors,
    output: outcome?.ok ? outcome.output : undefined,
    picture,
    type,
    showExample: (i: number) => keep(writeForm(entry.inputs, entry.examples[i]!.given, preferences), NONE),
    clear: () =>
      keep(emptyForm(entry.inputs), Object.fromEntries(Object.keys(entry.inputs).map((name) => [name, true as const]))),
  }
}
