import { ArrowLeft } from 'lucide-react'
import { useState } from 'react'
import { Link, useMatch } from 'react-router'
import type { JobDocument, LoopDocument } from '@nachtigal/core/document/documents'
import { workflowSteps } from '@nachtigal/core/kinds/hazards'
import { factsOfKind } from '@nachtigal/core/kinds/kinds'
import { PHONE, useMedia } from '../lib/useMedia'
import { unitLookedAt } from '../state/viewSlice'
import { useAppDispatch, useAppSelector } from '../state/store'
import { FindButton, Mark, ThemeButton } from '../design/Frame'
import { KeysDialog } from './KeysDialog'
import { SavedCell } from './SavedCell'
import { StepsButton } from './StepsButton'
import { YouCell } from '../loop/YouCell'
import { stepTitles } from '../lib/stepTitles'
import { jobAt } from '../lib/addresses'

interface Props {
  readonly job: JobDocument
  readonly loop?: LoopDocument | undefined
  readonly onFind: () => void
}

/** Title block of a drawing: job, loop, units, what is saved. */
export function TitleBlock({ job, loop, onFind }: Props) {
  const dispatch = useAppDispatch()
  const look = useAppSelector((state) => state.view.unit)
  const phone = useMedia(PHONE)
  const [keys, setKeys] = useState(false)
  const here = useMatch('/jobs/:jobId/loops/:loopId/:step/*')?.params.step
  const at = workflowSteps.findIndex((step) => step === here)
  const unit = look ?? job.temperatureUnit
  const turn = () => {
    const other = unit === 'C' ? 'F' : 'C'
    dispatch(unitLookedAt(other === job.temperatureUnit ? null : other))
  }
  return (
    <header className="title-block">
      <Link to="/" className="brand not-phone" aria-label="Nachtigal, all jobs">
        <Mark />
        Nachtigal
      </Link>
      <Link to={loop ? jobAt(job.id) : '/'} className="only-phone back" aria-label="Back">
        <ArrowLeft size={20} strokeWidth={1.5} />
      </Link>
      <Link to={jobAt(job.id)} className="title-cell not-phone max-w-72" title={job.name}>
        <span className="k">Job</span>
        <span>{job.name}</span>
      </Link>
      <div className="title-cell here flex-1" title={loop?.name ?? job.name}>
        <span className="k">
          {loop ? (
            <>
              <span className="only-phone">{at >= 0 ? `${at + 1} ${stepTitles[workflowSteps[at]!]}, ` : ''}</span>
              {factsOfKind(loop.kind).title}
            </>
          ) : (
            job.place || 'Sheet'
          )}
        </span>
        <span className="font-bold">{loop?.name ?? job.name}</span>
      </div>
      <FindButton onFind={onFind} />
      <button type="button" className="title-cell not-phone" data-keys onClick={() => setKeys(true)}>
        <span className="k">All keys</span>
        <span className="mono">?</span>
      </button>
      <button
        type="button"
        className="title-cell not-phone"
        onClick={turn}
        aria-label={`Units: degrees ${unit === 'C' ? 'Celsius' : 'Fahrenheit'}${look ? ', a look only' : ''}. Turn`}
      >
        <span className="k">{look ? 'Units, a look' : 'Units'}</span>
        <span>
          {unit === 'C' ? '°C' : '°F'}, {job.system === 'us' ? 'US' : 'metric'}
        </span>
      </button>
      <YouCell />
      {loop ? <StepsButton job={job} loop={loop} /> : null}
      <SavedCell />
      {phone && loop ? null : <ThemeButton />}
      <KeysDialog open={keys} onClose={() => setKeys(false)} />
    </header>
  )
}
