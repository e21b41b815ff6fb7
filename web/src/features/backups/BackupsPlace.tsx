import { momentWords } from '../../lib/momentWords'
import { useState } from 'react'
import { useDispatch } from 'react-redux'
import { Link } from 'react-router'
import type { BackupSummary } from '@nachtigal/contract/api'
import { useBackupsQuery, useMakeBackupMutation, useRestoreBackupMutation } from '../../state/api'
import { jobsForgotten } from '../../state/documentsSlice'
import { refusalWords } from '../../state/refusalWords'
import { Button } from '../../design/Button'
import { Mark, ThemeButton } from '../../design/Frame'

const whyWords: Readonly<Record<BackupSummary['why'], string>> = {
  daily: 'by night',
  migration: 'before the tables were changed',
  asked: 'asked for',
  restore: 'before another one was restored',
}
const many = (count: number, one: string) => `${count} ${one}${count === 1 ? '' : 's'}`

/** What bringing it back would take from the server. */
const afterIt = ({ since }: BackupSummary) =>
  since === undefined
    ? 'what came after it is not known'
    : since.rows === 0
      ? 'nothing came after it'
      : `${many(since.rows, 'change')} in ${many(since.jobs, 'job')} came after it`

/** Backups of this server: what each holds, what came after it, and the way back to it. */
export function BackupsPlace() {
  const { data, error, refetch } = useBackupsQuery(undefined, { refetchOnMountOrArgChange: true })
  const [make, making] = useMakeBackupMutation()
  const [send, restoring] = useRestoreBackupMutation()
  const dispatch = useDispatch()
  const [told, setTold] = useState<string>()
  const busy = making.isLoading || restoring.isLoading
  const restoreTo = async ({ name, at }: BackupSummary) => {
    setTold(undefined)
    const answer = await send(name)
    if (answer.error) return
    // What is held of jobs here is of the database that was set aside.
    dispatch(jobsForgotten())
    setTold(`Restored: ${momentWords(at, 'd MMM yyyy HH:mm')}. What stood there before is the newest backup now.`)
  }
  const problem = making.error ?? restoring.error
  return (
    <div className="min-h-full flex flex-col">
      <header className="title-block h-12">
        <span className="brand">
          <Mark />
          Nachtigal
        </span>
        <span className="title-cell flex-1">
          <span className="k">Sheet</span>
          <span className="font-bold">Backups</span>
        </span>
        <ThemeButton />
      </header>
      <main className="bg-paper flex-1 p-4 md:p-6">
        <div className="max-w-4xl grid grid-cols-[minmax(0,1fr)] gap-4">
          <div className="flex items-end flex-wrap gap-x-4 gap-y-2">
            <h1 className="h1">Backups</h1>
            <Link to="/" className="min-h-8 max-md:min-h-12 content-center">
              All jobs
            </Link>
          </div>
          <p className="text-ink2 max-w-2xl">
            One is made each night and checked by opening it: kept are 7 days, 4 weeks and the newest 5 others. Each
            holds all jobs, their logs and photos, and the devices that were added to the shelf.
          </p>
          {error ? (
            <p role="alert">
              {refusalWords(error)}{' '}
              <button type="button" className="third" onClick={() => void refetch()}>
                Try again
              </button>
            </p>
          ) : (
            <div className="max-w-72">
              <Button onClick={() => void make()} disabled={busy} end="+">
                {making.isLoading ? 'Making a backup' : 'Back up now'}
              </Button>
            </div>
          )}
          {problem ? (
            <p role="alert" className="error">
              {refusalWords(problem)}
            </p>
          ) : null}
          <p role="status">{restoring.isLoading ? 'Bringing it back' : (told ?? '')}</p>
          {data?.length === 0 ? (
            <p className="text-ink2">No backup yet. The first one is made within minutes.</p>
          ) : null}
          {data && data.length > 0 ? (
            <table className="grid-table" aria-busy={busy}>
              <thead>
                <tr>
                  <th>made</th>
                  <th>holds, and what came after it</th>
                  <th>
                    <span className="sr-only">restore</span>
                  </th>
                </tr>
              </thead>
              <tbody>
                {data.map((backup) => (
                  <tr key={backup.name}>
                    <td className="align-top">
                      {momentWords(backup.at, 'd MMM yyyy HH:mm')}
                      <span className="block text-ink2">{whyWords[backup.why]}</span>
                    </td>
                    <td className="align-top">
                      {many(backup.jobs, 'job')}, {many(backup.rows, 'change')}, {many(backup.photos, 'photo')}
                      <span className="block text-ink2">{afterIt(backup)}</span>
                    </td>
                    <td className="align-top whitespace-nowrap">
                      <button
                        type="button"
                        className="third min-h-8 max-md:min-h-12 -my-1.5"
                        disabled={busy}
                        onClick={() => void restoreTo(backup)}
                        aria-label={`Restore the backup of ${momentWords(backup.at, 'd MMM yyyy HH:mm')}`}
                      >
                        Restore
                      </button>
                    </td>
                  </tr>
                ))}
              </tbody>
            </table>
          ) : null}
        </div>
      </main>
    </div>
  )
}
