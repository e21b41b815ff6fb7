import { lazy, Suspense, useEffect, useRef, useState } from 'react'
import { FindButton, Mark, ThemeButton } from '../../design/Frame'
import { useJobsQuery } from '../../state/api'
import { YouCell } from '../../loop/YouCell'
import { JobCard } from './JobCard'
import { StartPanel } from './StartPanel'
import { orders, type Order, sortedJobs } from './sortedJobs'
import { useImport } from './useImport'

// The form brings its rules and their package: only who begins a job waits for them.
const FirstJob = lazy(async () => ({ default: (await import('./FirstJob')).FirstJob }))
const fetchForm = () => import('./NewJobForm')
const NewJobForm = lazy(async () => ({ default: (await fetchForm()).NewJobForm }))
/** After so long on the first screen it is fetched all the same: a job is begun without a network too. */
const FETCH_AFTER_MS = 1000

/** First screen: the jobs on this server with what needs a hand, and how to begin one. */
export function JobsPlace({ onFind }: { readonly onFind: () => void }) {
  const { data: jobs, isError, refetch } = useJobsQuery(undefined, { refetchOnMountOrArgChange: true })
  const [making, setMaking] = useState(false)
  const [order, setOrder] = useState<Order>('change')
  const over = useRef(0)
  const [dropping, setDropping] = useState(false)
  const opening = useImport()
  useEffect(() => {
    const later = setTimeout(() => void fetchForm().catch(() => undefined), FETCH_AFTER_MS)
    return () => clearTimeout(later)
  }, [])
  const taken = (event: React.DragEvent) => [...event.dataTransfer.types].includes('Files')
  const sorted = sortedJobs(jobs ?? [], order)
  return (
    <div
      className="min-h-full flex flex-col"
      onDragEnter={(event) => {
        if (taken(event)) {
          over.current += 1
          setDropping(true)
        }
      }}
      onDragLeave={() => {
        over.current = Math.max(0, over.current - 1)
        if (over.current === 0) setDropping(false)
      }}
      onDragOver={(event) => {
        if (taken(event)) event.preventDefault()
      }}
      onDrop={(event) => {
        over.current = 0
        setDropping(false)
        const [file] = event.dataTransfer.files
        if (!file) return
        event.preventDefault()
        void opening.open(file)
      }}
    >
      <header className="title-block h-12">
        <span className="brand">
          <Mark />
          Nachtigal
        </span>
        <span className="title-cell flex-1">
          <span className="k">Sheet</span>
          <span className="font-bold">Jobs</span>
        </span>
        {jobs?.length ? <FindButton onFind={onFind} /> : null}
        <YouCell />
        <ThemeButton />
      </header>
      <main className="bg-bench flex-1 grid md:grid-cols-[minmax(0,1fr)_320px] xl:grid-cols-[minmax(0,1fr)_384px] content-start md:content-stretch">
        <section aria-labelledby="jobs" className="p-4 md:px-6 min-w-0">
          {isError ? (
            <p role="alert" className="mb-3">
              The server does not answer.{' '}
              <button className="third" onClick={() => void refetch()}>
                Try again
              </button>
            </p>
          ) : null}
          {!jobs && !isError ? <p role="status">Reading the jobs</p> : null}
          {jobs?.length === 0 ? (
            <Suspense fallback={<p role="status">Opening</p>}>
              <FirstJob />
            </Suspense>
          ) : jobs ? (
            <>
              <div className="flex items-baseline flex-wrap gap-x-5 gap-y-1 mb-3">
                <h1 id="jobs" className="h1">
                  Jobs
                </h1>
                <span className="text-ink2">
                  {jobs.length} {jobs.length === 1 ? 'job' : 'jobs'} on this server
                </span>
                {jobs.length > 1 ? (
                  <span className="ml-auto flex gap-x-5" role="group" aria-label="Order of the jobs">
                    {orders.map(({ id, title }) => (
                      <button
                        key={id}
                        type="button"
                        aria-pressed={order === id}
                        className={`min-h-8 max-md:min-h-12 ${order === id ? 'text-ink2' : 'third'}`}
                        onClick={() => setOrder(id)}
                      >
                        {title}
                      </button>
                    ))}
                  </span>
                ) : null}
              </div>
              <ul className="grid gap-2.5">
                {sorted.map((job, i) => (
                  <li key={job.id} className="min-w-0">
                    <JobCard job={job} first={i === 0} />
                  </li>
                ))}
              </ul>
            </>
          ) : null}
        </section>
        <StartPanel empty={!jobs?.length} onNew={() => setMaking(true)} opening={opening} />
      </main>
      {dropping ? (
        <p className="fixed inset-4 grid place-items-center border-[3px] border-dashed border-ink bg-mark/80 h1 pointer-events-none">
          Let go: the job file is opened
        </p>
      ) : null}
      {making ? (
        <Suspense fallback={null}>
          <NewJobForm open onClose={() => setMaking(false)} />
        </Suspense>
      ) : null}
    </div>
  )
}
