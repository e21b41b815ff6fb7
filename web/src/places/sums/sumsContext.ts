import { createContext, useContext } from 'react'
import type { CalcData } from '@nachtigal/core/calc/calculation'
import type { UnitPreferences } from '@nachtigal/core/units/quantity'
import type { JobInHand } from '../../loop/jobContext'

/** What sums are worked with: curves and defaults, the units, and the job when there is one. */
export interface SumsContext {
  readonly calcData: CalcData
  readonly preferences: UnitPreferences
  readonly job: JobInHand | null
  /** Address under which the sums stand. */
  readonly base: string
}

export const Sums = createContext<SumsContext | null>(null)

/** @throws Error outside the sums */
export function useSums(): SumsContext {
  const sums = useContext(Sums)
  if (!sums) throw new Error('no sums above this screen')
  return sums
}
