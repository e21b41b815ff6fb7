import { Link, NavLink, Outlet, useMatch, useParams } from 'react-router'
import { stageStatus } from '@nachtigal/core/check/stageStatus'
import { stages } from '@nachtigal/core/survey/hazards'
import { Stroke } from '../instruments/StageTrack'
import { PHONE, useMedia } from '../lib/useMedia'
import { useJob } from '../loop/jobContext'
import { LoopChain } from '../loop/LoopChain'
import { LockedBar } from '../loop/LockedBar'
import { TemporaryBar } from '../loop/TemporaryBar'
import { OutputSwitch } from '../loop/OutputSwitch'
import { LoopProvider, useLoop } from '../loop/loopContext'
import { MendPage } from './MendPage'
import { stageTitles } from './stageTitles'

/** Frame of a loop: the seven stages, the chain, and the stage that is open. A stage is never locked. */
export function LoopFrame() {
  const { loopId = '' } = useParams()
  const phone = useMedia(PHONE)
  const { job, loops, broken, data, profiles } = useJob()
  const loop = loops[loopId]
  const spoilt = broken[loopId]
  if (spoilt) return <MendPage jobId={job.id} id={loopId} document={spoilt.loop} wrong={spoilt.wrong} />
  if (!loop)
    return (
      <main className="sheet p-6 grid gap-3 content-start">
        <h1 className="h1">This loop is not in the job</h1>
        <p>It may have been taken back in the log.</p>
        <Link to={`/jobs/${job.id}`}>Board</Link>
      </main>
    )
  return (
    <LoopProvider job={job} loop={loop} data={data} profiles={profiles} loops={loops}>
      <div className="flex flex-col min-h-0 min-w-0 sheet">
        {phone ? null : <StageRail />}
        <Stage />
      </div>
    </LoopProvider>
  )
}

function Stage() {
  const phone = useMedia(PHONE)
  const stage = useMatch('/jobs/:jobId/loops/:loopId/:stage/*')?.params.stage
  return (
    <>
      {stage === 'survey' || (phone && (stage === 'wire' || stage === 'prove')) ? null : phone ? (
        <OutputSwitch className="border-b border-line flex-none" />
      ) : (
        <LoopChain />
      )}
      <LockedBar />
      <TemporaryBar />
      <main className="stage flex-1 min-h-0 flex flex-col overflow-auto" key={stage}>
        <Outlet />
      </main>
    </>
  )
}

function StageRail() {
  const loop = useLoop()
  const status = stageStatus(loop)
  const here = useMatch('/jobs/:jobId/loops/:loopId/:stage/*')?.params.stage
  return (
    <nav className="rail" aria-label="Stages">
      {stages.map((stage, i) => {
        const { state, says } = status[i]!
        return (
          <NavLink
            key={stage}
            to={`/jobs/${loop.job.id}/loops/${loop.loop.id}/${stage}`}
            aria-current={here === stage ? 'step' : undefined}
            aria-label={`${i + 1} ${stageTitles[stage]}, ${says}`}
          >
            <svg width="4" height="36" className="flex-none overflow-visible" aria-hidden>
              <Stroke state={state} w={4} h={36} />
            </svg>
            <span className="min-w-0">
              <span className="block cond font-semibold text-[18px] leading-[18px] truncate">
                {i + 1} {stageTitles[stage]}
              </span>
              <span
                className={`block cond text-[14px] leading-[18px] truncate ${state === 'stop' ? 'text-stop' : state === 'look' ? 'text-look' : 'text-ink2'}`}
              >
                {says}
              </span>
            </span>
          </NavLink>
        )
      })}
    </nav>
  )
}
