import { useState } from 'react'
import { Link } from 'react-router'
import { useLogQuery } from '../lib/api'
import { useAppSelector } from '../lib/store'
import { useUndo } from '../loop/useUndo'
import { Button } from '../ui/Button'

/** Where a job should be and none is: taken back (its log still stands, so it comes back by a tap), or not to be read. */
export function NoJob({ jobId, onBack }: { jobId: string; onBack: () => void }) {
  const { data } = useLogQuery({ jobId }, { refetchOnMountOrArgChange: true })
  const waiting = useAppSelector((state) => state.documents.pending.length > 0)
  const undo = useUndo(jobId)
  const [problem, setProblem] = useState<string>()
  const last = data?.rows[0]?.command
  const takenBack = last?.change.some(
    ({ document, path, to }) => document === jobId && path.length === 0 && to === null,
  )
  const back = () => {
    const wrong = undo(last!)
    setProblem(wrong)
    if (!wrong) onBack()
  }
  return (
    <>
      <h1 className="h1">{takenBack ? 'This job was taken back' : 'This job cannot be read'}</h1>
      <p>
        {takenBack
          ? `By ${last!.by}. Its log still stands, and so does everything in it.`
          : 'Is the server running? What you typed is kept on this device.'}
      </p>
      {takenBack ? (
        <div className="max-w-xs">
          <Button onClick={back} end="" disabled={waiting}>
            Bring it back
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
