import { withDetails, writeJobDetails } from '@nachtigal/core/actions/writeJobDetails'
import { yupResolver } from '@hookform/resolvers/yup'
import { useMemo, useState } from 'react'
import { useForm } from 'react-hook-form'
import { Link } from 'react-router'
import { type PracticeMisfit, practiceMisfits } from '@nachtigal/core/check/practiceMisfits'
import { type Practice, practicePlaces } from '@nachtigal/core/units/practice'
import { changesBetween } from '@nachtigal/core/document/changesBetween'
import { useJob } from '../../loop/jobContext'
import { type JobBasics, jobBasics, JobFields } from '../../loop/JobFields'
import { useSend } from '../../loop/useSend'
import { loopAt } from '../../lib/addresses'
import { Button } from '../../design/Button'
import { Dialog } from '../../design/Dialog'

/** Name, place and units of the job in hand. The store is SI: a change of unit changes no figure that was kept. */
export function JobDetailsForm({ open, onClose }: { open: boolean; onClose: () => void }) {
  return (
    <Dialog
      open={open}
      onClose={onClose}
      title="Job details"
      about="Units are what the job speaks and what its controllers are set to show. Readings stay as they were typed."
    >
      <Details onClose={onClose} />
    </Dialog>
  )
}

function Details({ onClose }: { onClose: () => void }) {
  const { job, loops } = useJob()
  const send = useSend(job.id)
  const [problem, setProblem] = useState<string>()
  const { name, place, practice, temperatureUnit, system } = job
  const {
    register,
    handleSubmit,
    watch,
    formState: { errors },
  } = useForm<JobBasics>({
    resolver: yupResolver(jobBasics),
    defaultValues: { name, place, practice, temperatureUnit, system },
  })
  const keep = handleSubmit((basics) => {
    const wrong = send(changesBetween(job.id, job, withDetails(job, basics)), { action: writeJobDetails.id })
    setProblem(wrong)
    if (!wrong) onClose()
  })
  const chosen = watch('practice')
  const misfits = useMemo(() => practiceMisfits(job, loops, chosen), [job, loops, chosen])
  return (
    <form className="grid gap-4" onSubmit={(event) => void keep(event)} noValidate>
      <JobFields register={register} errors={errors} />
      {misfits.length > 0 ? <Misfits practice={chosen} misfits={misfits} onGo={onClose} /> : null}
      {problem ? (
        <p role="alert" className="error">
          {problem}
        </p>
      ) : null}
      <Button type="submit" end="">
        Keep
      </Button>
    </form>
  )
}

/** What of the job the practice does not have. Nothing of it goes: each loop names it, and has the ways out at Match. */
function Misfits({
  practice,
  misfits,
  onGo,
}: {
  readonly practice: Practice
  readonly misfits: readonly PracticeMisfit[]
  readonly onGo: () => void
}) {
  const { job } = useJob()
  return (
    <section aria-label={`Not found in ${practicePlaces[practice]}`} className="border-t border-line pt-3">
      <h3 className="h3">Not found in {practicePlaces[practice]}</h3>
      <p className="small text-ink2 pb-2">
        All of it stays as it was wired and keyed. Each loop names it under Match, with what would stand in its place.
      </p>
      <ul className="max-h-48 max-md:max-h-32 overflow-y-auto">
        {misfits.map(({ loop, name, things }) => (
          <li key={loop} className="border-t border-line py-2">
            <Link to={loopAt(job.id, loop, 'match')} onClick={onGo} className="font-semibold">
              {name}
            </Link>
            <span className="block small">{things.join(', ')}</span>
          </li>
        ))}
      </ul>
    </section>
  )
}
