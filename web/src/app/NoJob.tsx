import { useState } from 'react'
import { Link } from 'react-router'
import type { Command } from '@nachtigal/core/document/command'
import { useLogQuery } from '../state/api'
import { useAppSelector } from '../state/store'
import { useUndo } from '../loop/useUndo'
import { Button } from '../design/Button'

const ofJob = ({ change }: Command, jobId: string) =>
  change.find(({ document, path }) => document === jobId && path.length === 0)

/** Where a job should be and none is: taken back (its log still stands, so it comes back by a tap), or not to be read. */
export function NoJob({ jobId, onBack }: { jobId: string; onBack: () => void }) {
  const { data } = useLogQuery({ jobId }, { refetchOnMountOrArgChange: true })
  const waiting = useAppSelector((state) => state.documents.pending.length > 0)
  const undo = useUndo(jobId)
  const [problem, setProblem] = useState<string>()
  /** The newest command that made or took away the job itself. */
  const newest = data?.rows.find(({ command }) => ofJob(command, jobId))?.command
  const takenBack = newest && ofJob(newest, jobId)?.to === null ? newest : undefined
  const back = () => {
    const wrong = undo(takenBack!)
    setProblem(wrong)
    if (!wrong) onBack()
  }
  return (
    <>
      <h1 className="h1">{takenBack ? 'This job was taken back' : 'This job cannot be read'}</h1>
      <p>
        {takenBack
          ? `By ${takenBack.by}. Its log still stands, and so does everything in it.`
          : 'Is the server running? What you typed is kept on this device.'}
      </p>
      {takenBack ? (
        <div className="max-w-xs">
          <Button onClick={back} end="" disabled={waiting}>
            Restore it
          </Button>
        </div>
      ) : null}
      {problem ? (
        <p role="alert" className="error">
          {problem}
        </p>
      ) : null}
      <Link to="/">All jobs</Link>
    </>
  )
}
