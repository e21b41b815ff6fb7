import { Link, NavLink, Outlet, useMatch, useParams } from 'react-router'
import { stepStatus } from '@nachtigal/core/progress/stepStatus'
import { workflowSteps } from '@nachtigal/core/kinds/hazards'
import { Stroke } from '../drawing/StepTrack'
import { PHONE, useMedia } from '../lib/useMedia'
import { useJob } from '../loop/jobContext'
import { LoopChain } from '../loop/LoopChain'
import { LockedBar } from '../loop/LockedBar'
import { TemporaryBar } from '../loop/TemporaryBar'
import { OutputSwitch } from '../loop/OutputSwitch'
import { LoopProvider, useLoop } from '../loop/loopContext'
import { MendPage } from './MendPage'
import { stepNumber, stepTitles } from '../lib/stepTitles'
import { jobAt, loopAt } from '../lib/addresses'

/** Frame of a loop: the seven steps, the chain, and the step that is open. A step is never locked. */
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
        <Link to={jobAt(job.id)}>Board</Link>
      </main>
    )
  return (
    <LoopProvider job={job} loop={loop} data={data} profiles={profiles} loops={loops}>
      <div className="flex flex-col min-h-0 min-w-0 sheet">
        {phone ? null : <StepRail />}
        <Step />
      </div>
    </LoopProvider>
  )
}

/** What a reader is told the page is: the loop, and which of the seven steps. */
const stepHead = (name: string, step: string | undefined) => {
  const at = workflowSteps.find((each) => each === step)
  return at ? `${name}, ${stepNumber(at)} ${stepTitles[at]}` : name
}

function Step() {
  const { loop } = useLoop()
  const phone = useMedia(PHONE)
  const step = useMatch('/jobs/:jobId/loops/:loopId/:step/*')?.params.step
  return (
    <>
      {step === 'survey' || (phone && (step === 'wire' || step === 'prove')) ? null : phone ? (
        <OutputSwitch className="border-b border-line flex-none" />
      ) : (
        <LoopChain />
      )}
      <LockedBar />
      <TemporaryBar />
      <main className="step-page flex-1 min-h-0 flex flex-col overflow-auto" key={step}>
        <h1 className="sr-only">{stepHead(loop.name, step)}</h1>
        <Outlet />
      </main>
    </>
  )
}

function StepRail() {
  const loop = useLoop()
  const status = stepStatus(loop)
  const here = useMatch('/jobs/:jobId/loops/:loopId/:step/*')?.params.step
  return (
    <nav className="rail" aria-label="Steps">
      {workflowSteps.map((step, i) => {
        const { state, says } = status[i]!
        return (
          <NavLink
            key={step}
            to={loopAt(loop.job.id, loop.loop.id, step)}
            aria-current={here === step ? 'step' : undefined}
            aria-label={`${i + 1} ${stepTitles[step]}, ${says}`}
          >
            <svg width="4" height="36" className="flex-none overflow-visible" aria-hidden>
              <Stroke state={state} w={4} h={36} />
            </svg>
            <span className="min-w-0">
              <span className="block cond font-semibold text-[18px] leading-[18px] whitespace-nowrap">
                {i + 1} {stepTitles[step]}
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
