import { createContext, useContext } from 'react'
import type { CalcData } from '@nachtigal/core/calc/calculation'
import type { UnitPreferences } from '@nachtigal/core/units/quantity'
import type { JobInHand } from '../../loop/jobContext'

/** What calculators are worked with: curves and defaults, the units, and the job when there is one. */
export interface CalculatorsContext {
  readonly calcData: CalcData
  readonly preferences: UnitPreferences
  readonly job: JobInHand | null
  /** Address under which the calculators stand. */
  readonly base: string
}

export const Calculators = createContext<CalculatorsContext | null>(null)

/** @throws Error outside the calculators */
export function useCalculators(): CalculatorsContext {
  const calculators = useContext(Calculators)
  if (!calculators) throw new Error('no calculators above this screen')
  return calculators
}
