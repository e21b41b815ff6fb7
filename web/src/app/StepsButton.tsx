import { useState } from 'react'
import { NavLink, useMatch, useNavigate } from 'react-router'
import { loopContext } from '@nachtigal/core/loop/context'
import { stepStatus } from '@nachtigal/core/progress/stepStatus'
import type { JobDocument, LoopDocument } from '@nachtigal/core/document/documents'
import { workflowSteps } from '@nachtigal/core/kinds/hazards'
import { StepTrack, Stroke } from '../drawing/StepTrack'
import { useJob } from '../loop/jobContext'
import { LoopChainSheet } from '../loop/LoopChain'
import { LoopProvider } from '../loop/loopContext'
import { NameField } from '../loop/NameField'
import { OutputSwitch } from '../loop/OutputSwitch'
import { verdictShape, worstOf } from '../loop/verdict'
import { useAppDispatch, useAppSelector } from '../state/store'
import { themeTurned } from '../state/viewSlice'
import { Button } from '../design/Button'
import { Dialog } from '../design/Dialog'
import { Shape } from '../design/Shape'
import { stepTitles } from '../lib/stepTitles'
import { jobAt, loopAt } from '../lib/addresses'

/** On a phone: the step track in the title block opens the seven steps, the chain and the other sheets. */
export function StepsButton({ job, loop }: { job: JobDocument; loop: LoopDocument }) {
  const { data, profiles, loops } = useJob()
  const navigate = useNavigate()
  const [open, setOpen] = useState<'steps' | 'chain'>()
  const here = useMatch('/jobs/:jobId/loops/:loopId/:step/*')?.params.step
  const context = loopContext(job, loop, data, job, Object.values(loops))
  const status = stepStatus(context)
  const worst = worstOf(context.judgedConnections)
  const base = loopAt(job.id, loop.id)
  const dispatch = useAppDispatch()
  const theme = useAppSelector((state) => state.view.theme)
  const close = () => setOpen(undefined)
  const row = 'flex items-center gap-4 min-h-12 w-full px-2 border-b border-line no-underline text-left'
  return (
    <div className="only-phone flex-none">
      <button
        type="button"
        className="h-full px-3 grid place-items-center"
        onClick={() => setOpen('steps')}
        aria-label="Steps"
      >
        <StepTrack states={status.map(({ state }) => state)} here={workflowSteps.findIndex((step) => step === here)} />
      </button>
      <Dialog open={open === 'steps'} onClose={close} title="Steps">
        <nav aria-label="Steps">
          {workflowSteps.map((step, i) => (
            <NavLink
              key={step}
              to={`${base}/${step}`}
              className={`${row} ${here === step ? 'chosen' : ''}`}
              aria-current={here === step ? 'step' : undefined}
              onClick={close}
            >
              <svg width="4" height="28" className="flex-none overflow-visible" aria-hidden>
                <Stroke state={status[i]!.state} w={4} h={28} />
              </svg>
              <span className="cond text-[20px] font-semibold flex-1">
                {i + 1} {stepTitles[step]}
              </span>
              <span className="text-ink2">{status[i]!.says}</span>
            </NavLink>
          ))}
          <button type="button" className={row} onClick={() => setOpen('chain')}>
            <span className="flex-1">Chain</span>
            <Shape kind={worst ? verdictShape[worst.verdict] : 'waiting'} size={18} labelled />
          </button>
          <NavLink end className={row} to={jobAt(job.id)} onClick={close}>
            Board
          </NavLink>
          <NavLink className={row} to={jobAt(job.id, 'log')} onClick={close}>
            Log
          </NavLink>
        </nav>
        <div className="mt-3 grid gap-3">
          <Button second end="" onClick={() => dispatch(themeTurned())}>
            {theme === 'day' ? 'Night colours' : 'Day colours'}
          </Button>
          <NameField />
        </div>
      </Dialog>
      <Dialog open={open === 'chain'} onClose={close} title="Chain">
        <LoopProvider job={job} loop={loop} data={data} profiles={profiles} loops={loops}>
          <OutputSwitch className="mb-3 border border-line" />
          <LoopChainSheet
            onLink={(category) => {
              close()
              void navigate(`${base}/match/${category}`)
            }}
          />
        </LoopProvider>
      </Dialog>
    </div>
  )
}
