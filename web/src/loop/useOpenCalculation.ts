import { useCallback } from 'react'
import { useNavigate } from 'react-router'
import { writeForm } from '@nachtigal/core/calc/form'
import { findCalculation } from '@nachtigal/core/calc/registry'
import type { UnitPreferences } from '@nachtigal/core/units/quantity'
import { useAppDispatch } from '../state/store'
import { sumTyped } from '../state/calculatorsSlice'
import { jobAt } from '../lib/addresses'

/** Opens a sum among the Calculators with what was put in, to try other figures. */
export function useOpenCalculation(jobId: string, preferences: UnitPreferences) {
  const dispatch = useAppDispatch()
  const navigate = useNavigate()
  return useCallback(
    (calc: string, input: Readonly<Record<string, unknown>>) => {
      const entry = findCalculation(calc)
      if (!entry) return
      const form = writeForm(entry.inputs, input, preferences)
      const own = Object.fromEntries(Object.keys(entry.inputs).map((name) => [name, true as const]))
      dispatch(sumTyped({ id: calc, form, preferences, own }))
      void navigate(jobAt(jobId, 'calculators', calc))
    },
    [dispatch, navigate, jobId, preferences],
  )
}
