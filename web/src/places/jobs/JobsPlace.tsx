import { useRef, useState } from 'react'
import { useDispatch } from 'react-redux'
import { Link, useNavigate } from 'react-router'
import { Mark, ThemeButton } from '../../ui/Frame'
import { api, useJobsQuery } from '../../lib/api'
import { importJobFile } from '../../lib/importJobFile'
import { agoWords } from '../../lib/momentWords'
import type { AppStore } from '../../lib/store'
import { Button } from '../../ui/Button'
import { NewJobForm } from './NewJobForm'

/** First screen: the jobs on this server, a new one, one from a file. */
export function JobsPlace() {
  const { data: jobs, isError, refetch } = useJobsQuery(undefined, { refetchOnMountOrArgChange: true })
  const [making, setMaking] = useState(false)
  return (
    <div className="min-h-full flex flex-col">
      <header className="title-block h-12">
        <span className="brand">
          <Mark />
          Nachtigal
        </span>
        <span className="title-cell flex-1">
          <span className="k">Sheet</span>
          <span className="font-bold">Jobs</span>
        </span>
        <ThemeButton />
      </header>
      <main className="bg-paper flex-1 p-4 md:p-6">
        <div className="max-w-4xl grid gap-6 md:grid-cols-[1fr_280px]">
          <section aria-labelledby="jobs">
            <h1 id="jobs" className="h1 mb-2">
              Jobs
            </h1>
            {isError ? (
              <p role="alert">
                The server does not answer.{' '}
                <button className="third" onClick={() => void refetch()}>
                  Try again
                </button>
              </p>
            ) : null}
            {!jobs && !isError ? <p role="status">Reading the jobs</p> : null}
            {jobs?.length === 0 ? <p className="text-ink2">No job yet. Start with an empty one.</p> : null}
            <ul>
              {jobs?.map((job) => (
                <li key={job.id} className="border-b border-line first:border-t first:border-t-ink">
                  <Link to={`/jobs/${job.id}`} className="block py-3 no-underline hover:bg-mark px-2 -mx-2">
                    <span className="block text-[16px] font-bold">{job.name}</span>
                    <span className="block text-ink2">
                      {job.place ? `${job.place}, ` : ''}
                      {job.loops} loop{job.loops === 1 ? '' : 's'}, changed {agoWords(job.changedAt)}
                    </span>
                  </Link>
                </li>
              ))}
            </ul>
          </section>
          <section className="grid gap-3 content-start md:pt-11" aria-label="Start">
            <Button onClick={() => setMaking(true)} end="+">
              Start an empty job
            </Button>
            <ImportButton />
            <Button second to="/shelf">
              The shelf
            </Button>
            <Button second to="/calculators">
              A quick calculation
            </Button>
            <Button second to="/backups">
              Backups
            </Button>
            <p className="small text-ink2">
              A job file holds everything: documents, devices and the log. It goes from one bench to another without
              loss.
            </p>
          </section>
        </div>
      </main>
      <NewJobForm open={making} onClose={() => setMaking(false)} />
    </div>
  )
}

function ImportButton() {
  const input = useRef<HTMLInputElement>(null)
  const navigate = useNavigate()
  const dispatch = useDispatch<AppStore['dispatch']>()
  const [sent, setSent] = useState<number>()
  const [problem, setProblem] = useState<string>()
  const stop = useRef<AbortController>(undefined)
  const busy = sent !== undefined
  const take = async (file: File) => {
    setProblem(undefined)
    setSent(0)
    stop.current = new AbortController()
    const answer = await importJobFile(file, setSent, stop.current.signal)
    setSent(undefined)
    if ('problem' in answer) {
      setProblem(`${file.name}: ${answer.problem}`)
      return
    }
    dispatch(api.util.invalidateTags(['jobs']))
    void navigate(`/jobs/${answer.jobId}`)
  }
  return (
    <>
      <input
        ref={input}
        type="file"
        accept=".json,.zip,application/json,application/zip"
        className="sr-only"
        aria-label="Job file"
        tabIndex={-1}
        onChange={(event) => {
          const [file] = event.target.files ?? []
          if (file) void take(file)
          event.target.value = ''
        }}
      />
      <Button second disabled={busy} onClick={() => input.current?.click()} end="">
        {busy ? (sent < 1 ? `Sent ${Math.round(sent * 100)} %` : 'Taking it in') : 'Open a job file'}
      </Button>
      {busy ? (
        <span className="flex items-center gap-3">
          <progress className="flex-1" value={sent} max={1} aria-label="How much of the file was sent" />
          <button type="button" className="third min-h-8 max-md:min-h-12" onClick={() => stop.current?.abort()}>
            Stop
          </button>
        </span>
      ) : null}
      {problem ? (
        <p role="alert" className="error">
          {problem}
        </p>
      ) : null}
    </>
  )
}
