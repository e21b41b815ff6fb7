import { createContext, useContext } from 'react'
import type { FieldData } from '@nachtigal/core/plant/fieldValue'
import type { CalcData } from '@nachtigal/core/calc/calculation'
import type { DeviceProfile } from '@nachtigal/core/profile/deviceProfile'
import type { ShownJob } from '../lib/documentsSlice'

export interface JobInHand extends ShownJob {
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
