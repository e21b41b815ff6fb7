import { useState } from 'react'
import { NavLink, useMatch } from 'react-router'
import { loopContext } from '@nachtigal/core/check/context'
import { stageStatus } from '@nachtigal/core/check/stageStatus'
import type { JobDocument, LoopDocument } from '@nachtigal/core/job/documents'
import { stages } from '@nachtigal/core/survey/hazards'
import { StageTrack, Stroke } from '../instruments/StageTrack'
import { useJob } from '../loop/jobContext'
import { Dialog } from '../ui/Dialog'
import { stageTitles } from './stageTitles'

/** On a phone: the stage track in the title block opens the seven stages and the other sheets. */
export function StagesButton({ job, loop }: { job: JobDocument; loop: LoopDocument }) {
  const { data } = useJob()
  const [open, setOpen] = useState(false)
  const here = useMatch('/jobs/:jobId/loops/:loopId/:stage/*')?.params.stage
  const status = stageStatus(loopContext(job, loop, data))
  const row = 'flex items-center gap-4 min-h-12 px-2 border-b border-line no-underline'
  return (
    <div className="only-phone flex-none">
      <button
        type="button"
        className="h-full px-3 grid place-items-center"
        onClick={() => setOpen(true)}
        aria-label="Stages"
      >
        <StageTrack states={status.map(({ state }) => state)} here={stages.findIndex((stage) => stage === here)} />
      </button>
      <Dialog open={open} onClose={() => setOpen(false)} title="Stages">
        <nav aria-label="Stages">
          {stages.map((stage, i) => (
            <NavLink
              key={stage}
              to={`/jobs/${job.id}/loops/${loop.id}/${stage}`}
              className={`${row} ${here === stage ? 'chosen' : ''}`}
              aria-current={here === stage ? 'step' : undefined}
              onClick={() => setOpen(false)}
            >
              <svg width="4" height="28" className="flex-none overflow-visible" aria-hidden>
                <Stroke state={status[i]!.state} w={4} h={28} />
              </svg>
              <span className="cond text-[20px] font-semibold flex-1">
                {i + 1} {stageTitles[stage]}
              </span>
              <span className="text-ink2">{status[i]!.says}</span>
            </NavLink>
          ))}
          <NavLink end className={row} to={`/jobs/${job.id}`} onClick={() => setOpen(false)}>
            Board
          </NavLink>
          <NavLink className={row} to={`/jobs/${job.id}/log`} onClick={() => setOpen(false)}>
            Log
          </NavLink>
        </nav>
      </Dialog>
    </div>
  )
}
