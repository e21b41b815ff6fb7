import { useMemo } from 'react'
import { useJobsQuery, useShelfQuery } from '../../state/api'
import { FindSheet } from './FindSheet'
import { jobFindables, placeAddress } from './jobFindables'

/** Finds a job, a device of the shelf, a calculator or a page, from the first screen. */
export function FindJobs({ begun, onClose }: { readonly begun: string; readonly onClose: () => void }) {
  const { data: jobs } = useJobsQuery()
  const { data: shelf } = useShelfQuery()
  const findables = useMemo(() => jobFindables(jobs ?? [], shelf?.profiles ?? []), [jobs, shelf])
  return (
    <FindSheet
      findables={findables}
      practice="europe"
      quietWords
      addressOf={placeAddress}
      hint="A job by its name or place, a device of the shelf, a calculator, a page."
      begun={begun}
      onClose={onClose}
    />
  )
}
