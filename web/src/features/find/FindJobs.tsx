import { useMemo } from 'react'
import { wordsFor } from '@nachtigal/core/words/words'
import { useJobsQuery, useShelfQuery } from '../../state/api'
import { pageUnits } from '../../state/pageUnits'
import { useAppSelector } from '../../state/store'
import { FindSheet } from './FindSheet'
import { jobFindables, placeAddress } from './jobFindables'

/** Finds a job, a device of the shelf, a calculator or a page, from the first screen. */
export function FindJobs({ begun, onClose }: { readonly begun: string; readonly onClose: () => void }) {
  const { data: jobs } = useJobsQuery()
  const { data: shelf } = useShelfQuery()
  const unit = useAppSelector((state) => state.view.unit)
  const words = wordsFor(pageUnits(unit))
  const findables = useMemo(() => jobFindables(jobs ?? [], shelf?.profiles ?? [], words), [jobs, shelf, words])
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
