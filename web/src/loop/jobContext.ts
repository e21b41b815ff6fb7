import { createContext, useContext } from 'react'
import type { FieldData } from '@nachtigal/core/plant/fieldValue'
import type { CalcData } from '@nachtigal/core/calc/calculation'
import type { DeviceProfile } from '@nachtigal/core/device/deviceProfile'
import type { ShownJob } from '../state/documentsSlice'
import type { BrokenLoop } from './soundJob'

export interface JobInHand extends ShownJob {
  /** Loops that something is wrong in: shown by name with a way to mend them, and reckoned with nowhere. */
  readonly broken: Readonly<Record<string, BrokenLoop>>
  readonly data: FieldData
  /** Curves and defaults for calculations. */
  readonly calcData: CalcData
  readonly profiles: readonly DeviceProfile[]
}

export const JobContext = createContext<JobInHand | null>(null)

/** The job in hand. @throws Error outside its frame */
export function useJob(): JobInHand {
  const job = useContext(JobContext)
  if (!job) throw new Error('no job above this screen')
  return job
}
