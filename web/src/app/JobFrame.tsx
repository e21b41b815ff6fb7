import { useEffect, useMemo } from 'react'
import { useDispatch } from 'react-redux'
import { NavLink, Outlet, useMatch, useParams } from 'react-router'
import { calcDataOf } from '@nachtigal/contract/api'
import { loopContext } from '@nachtigal/core/check/context'
import { nextThing, stageStatus } from '@nachtigal/core/check/stageStatus'
import { ordered } from '@nachtigal/core/job/chain'
import type { Command } from '@nachtigal/core/job/command'
import type { FieldData } from '@nachtigal/core/plant/fieldValue'
import { stages } from '@nachtigal/core/survey/hazards'
import { StageTrack } from '../instruments/StageTrack'
import { api, useShelfQuery } from '../lib/api'
import { jobRead, selectJob, type ShownJob } from '../lib/documentsSlice'
import { useAppSelector, type AppStore } from '../lib/store'
import { useChanges } from '../lib/useChanges'
import { JobContext } from '../loop/jobContext'
import { Shape } from '../ui/Shape'
import { TitleBlock } from './TitleBlock'
import { NoJob } from './NoJob'
import { NoticeBar } from './NoticeBar'
import { useKeys } from './useKeys'

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
  useKeys()
  useChanges(jobId)
  if (!shown || !shelf || !calcData)
    return (
      <main className="p-6 grid gap-3">
        {query.isError || shelfMissing || taken ? (
          <NoJob jobId={jobId} onBack={() => void refetch()} />
        ) : (
          <p role="status">Reading the job</p>
        )}
      </main>
    )
  return (
    <JobContext.Provider value={{ ...shown, data: shelf.data, calcData, profiles: shelf.profiles }}>
      <Frame {...shown} data={shelf.data} />
    </JobContext.Provider>
  )
}

function Frame({ job, loops, data }: ShownJob & { data: FieldData }) {
  const match = useMatch('/jobs/:jobId/loops/:loopId/:stage/*')
  const loop = match ? loops[match.params.loopId ?? ''] : undefined
  const at = stages.findIndex((stage) => stage === match?.params.stage)
  return (
    <div className="shell">
      <TitleBlock job={job} loop={loop} />
      <nav className="side" aria-label="Loops">
        <div className="flex items-baseline px-4 pb-1.5">
          <h2 className="h3">Loops</h2>
          <span className="lab ml-auto">survey to hand-over</span>
        </div>
        {ordered(loops).map((each) => {
          const context = loopContext(job, each, data, job, Object.values(loops))
          const states = stageStatus(context).map(({ state }) => state)
          const bad = states.includes('stop') ? 'stop' : states.includes('look') ? 'look' : undefined
          return (
            <NavLink
              key={each.id}
              to={`/jobs/${job.id}/loops/${each.id}/${match?.params.stage ?? nextThing(context).stage}`}
              className="loop-row"
              aria-current={loop?.id === each.id ? 'page' : undefined}
            >
              <span className="flex-1 truncate">{each.name}</span>
              {bad ? <Shape kind={bad} labelled /> : null}
              <StageTrack states={states} here={loop?.id === each.id ? at : undefined} />
            </NavLink>
          )
        })}
        {Object.keys(loops).length === 0 ? <p className="px-4 text-ink2">None yet</p> : null}
        <div className="mt-auto border-t border-line grid grid-cols-2 px-4 py-2">
          <NavLink
            end
            to={`/jobs/${job.id}`}
            className="cond text-[16px] h-8 flex items-center no-underline aria-[current=page]:font-semibold"
          >
            Board
          </NavLink>
          <NavLink
            to={`/jobs/${job.id}/log`}
            className="cond text-[16px] h-8 flex items-center no-underline aria-[current=page]:font-semibold"
          >
            Log
          </NavLink>
          <NavLink
            to={`/jobs/${job.id}/shelf`}
            className="cond text-[16px] h-8 flex items-center no-underline aria-[current=page]:font-semibold"
          >
            Shelf
          </NavLink>
          <NavLink
            to={`/jobs/${job.id}/sums`}
            className="cond text-[16px] h-8 flex items-center no-underline aria-[current=page]:font-semibold"
          >
            Sums
          </NavLink>
        </div>
      </nav>
      <Outlet />
      <NoticeBar jobId={job.id} />
    </div>
  )
}
