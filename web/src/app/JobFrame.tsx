import { lazy, useEffect, useMemo, useState } from 'react'
import { ErrorBoundary } from 'react-error-boundary'
import { useDispatch } from 'react-redux'
import { NavLink, Outlet, useMatch, useParams } from 'react-router'
import { calcDataOf } from '@nachtigal/contract/api'
import { loopContext } from '@nachtigal/core/loop/context'
import { nextThing, stepStatus } from '@nachtigal/core/progress/stepStatus'
import { ordered } from '@nachtigal/core/schema/ordered'
import type { Command } from '@nachtigal/core/document/command'
import type { JobDocument, LoopDocument } from '@nachtigal/core/document/documents'
import { workflowSteps } from '@nachtigal/core/kinds/hazards'
import { StepTrack } from '../drawing/StepTrack'
import { api, useShelfQuery } from '../state/api'
import { jobRead, selectJob } from '../state/documentsSlice'
import { useAppSelector, type AppStore } from '../state/store'
import { useChanges } from '../state/useChanges'
import { JobContext, useJob } from '../loop/jobContext'
import { soundJob, wrongIn } from '../loop/soundJob'
import { Shape } from '../design/Shape'
import { Finding } from './Finding'
import { TitleBlock } from './TitleBlock'
import { MendPage } from './MendPage'
import { NoJob } from './NoJob'
import { NoticeBar } from './NoticeBar'
import { useKeys } from './useKeys'
import { jobAt, loopAt } from '../lib/addresses'

const FindInJob = lazy(async () => ({ default: (await import('../features/find/FindInJob')).FindInJob }))

const makesJob = ({ change }: Command, jobId: string) =>
  change.some(({ document, path, to }) => document === jobId && path.length === 0 && to !== null)

/** Frame of a job: title block, loops, tools. Reads the job and keeps it fresh. */
export function JobFrame() {
  const { jobId = '' } = useParams()
  const dispatch = useDispatch<AppStore['dispatch']>()
  const shown = useAppSelector((state) => selectJob(state, jobId))
  const waiting = useAppSelector((state) => state.documents.pending.length > 0)
  // A job that is on its way to the server cannot be read there yet.
  const making = useAppSelector((state) => state.documents.pending.some((command) => makesJob(command, jobId)))
  const query = api.endpoints.job.useQuery(jobId, { refetchOnMountOrArgChange: true, skip: making })
  const { data: shelf, isError: shelfMissing } = useShelfQuery()
  const { data, refetch } = query
  const taken = data !== undefined && !shown
  useEffect(() => {
    if (data) dispatch(jobRead(data))
  }, [data, dispatch])
  // Another device may have written: look again when this one is taken up, unless something of its own is still on the way.
  useEffect(() => {
    const look = () => {
      if (!document.hidden && !waiting) void refetch()
    }
    document.addEventListener('visibilitychange', look)
    return () => document.removeEventListener('visibilitychange', look)
  }, [refetch, waiting])
  const calcData = useMemo(() => (shelf ? calcDataOf(shelf) : undefined), [shelf])
  const sound = useMemo(() => (shown ? soundJob(jobId, shown) : undefined), [jobId, shown])
  const [finding, setFinding] = useState(false)
  useKeys(() => setFinding(true))
  useChanges(jobId)
  if (!sound || !shelf || !calcData)
    return (
      <main className="p-6 grid gap-3">
        {query.isError || shelfMissing || taken ? (
          <NoJob jobId={jobId} onBack={() => void refetch()} />
        ) : (
          <p role="status">Reading the job</p>
        )}
      </main>
    )
  const wrong = wrongIn(jobId, jobId, sound.job)
  if (wrong) return <MendPage jobId={jobId} id={jobId} document={sound.job} wrong={wrong} />
  return (
    <JobContext.Provider value={{ ...sound, data: shelf.data, calcData, profiles: shelf.profiles }}>
      <Frame onFind={() => setFinding(true)} />
      {finding ? <Finding sheet={FindInJob} onClose={() => setFinding(false)} /> : null}
    </JobContext.Provider>
  )
}

function Frame({ onFind }: { readonly onFind: () => void }) {
  const { job, loops, broken } = useJob()
  const match = useMatch('/jobs/:jobId/loops/:loopId/:step/*')
  const loop = match ? loops[match.params.loopId ?? ''] : undefined
  return (
    <div className="shell">
      <TitleBlock job={job} loop={loop} onFind={onFind} />
      <nav className="side" aria-label="Loops">
        <div className="flex items-baseline px-4 pb-1.5">
          <h2 className="h3">Loops</h2>
          <span className="lab ml-auto">survey to hand-over</span>
        </div>
        {ordered(loops).map((each) => (
          <ErrorBoundary
            key={each.id}
            fallback={<BrokenRow job={job} id={each.id} loop={each} />}
            resetKeys={[each, job]}
          >
            <LoopRow loop={each} step={match?.params.step} here={loop?.id === each.id} />
          </ErrorBoundary>
        ))}
        {Object.entries(broken).map(([id, each]) => (
          <BrokenRow key={id} job={job} id={id} loop={each.loop} />
        ))}
        {Object.keys(loops).length + Object.keys(broken).length === 0 ? (
          <p className="px-4 text-ink2">None yet</p>
        ) : null}
        <div className="mt-auto border-t border-line grid grid-cols-2 px-4 py-2">
          <NavLink
            end
            to={jobAt(job.id)}
            className="cond text-[16px] h-8 flex items-center no-underline aria-[current=page]:font-semibold"
          >
            Board
          </NavLink>
          <NavLink
            to={jobAt(job.id, 'log')}
            className="cond text-[16px] h-8 flex items-center no-underline aria-[current=page]:font-semibold"
          >
            Log
          </NavLink>
          <NavLink
            to={jobAt(job.id, 'shelf')}
            className="cond text-[16px] h-8 flex items-center no-underline aria-[current=page]:font-semibold"
          >
            Shelf
          </NavLink>
          <NavLink
            to={jobAt(job.id, 'calculators')}
            className="cond text-[16px] h-8 flex items-center no-underline aria-[current=page]:font-semibold"
          >
            Calculators
          </NavLink>
        </div>
      </nav>
      <Outlet />
      <NoticeBar jobId={job.id} />
    </div>
  )
}

interface RowProps {
  readonly loop: LoopDocument
  /** The step that is open, in whichever loop. */
  readonly step: string | undefined
  readonly here: boolean
}

function LoopRow({ loop, step, here }: RowProps) {
  const { job, loops, data } = useJob()
  const context = loopContext(job, loop, data, job, Object.values(loops))
  const states = stepStatus(context).map(({ state }) => state)
  const bad = states.includes('stop') ? 'stop' : states.includes('look') ? 'look' : undefined
  const at = workflowSteps.findIndex((each) => each === step)
  return (
    <NavLink
      to={loopAt(job.id, loop.id, step ?? nextThing(context).step)}
      className="loop-row"
      aria-current={here ? 'page' : undefined}
    >
      <span className="flex-1 min-w-0 break-words leading-5">{loop.name}</span>
      {bad ? <Shape kind={bad} labelled /> : null}
      <StepTrack states={states} here={here ? at : undefined} />
    </NavLink>
  )
}

/** A loop that cannot be read, or that broke what looked at it: its name, and the way to it. */
function BrokenRow({ job, id, loop }: { readonly job: JobDocument; readonly id: string; readonly loop: LoopDocument }) {
  return (
    <NavLink to={loopAt(job.id, id)} className="loop-row">
      <span className="flex-1 min-w-0 break-words leading-5">
        {String(loop.name)}
        <span className="sr-only">, cannot be read</span>
      </span>
      <Shape kind="stop" labelled />
    </NavLink>
  )
}
