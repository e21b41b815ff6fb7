import { withDetails, writeJobDetails } from '@nachtigal/core/actions/writeJobDetails'
import { yupResolver } from '@hookform/resolvers/yup'
import { useState } from 'react'
import { useForm } from 'react-hook-form'
import { changesBetween } from '@nachtigal/core/document/changesBetween'
import { useJob } from '../../loop/jobContext'
import { type JobBasics, jobBasics, JobFields } from '../../loop/JobFields'
import { useSend } from '../../loop/useSend'
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
  const { job } = useJob()
  const send = useSend(job.id)
  const [problem, setProblem] = useState<string>()
  const { name, place, practice, temperatureUnit, system } = job
  const {
    register,
    handleSubmit,
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
  return (
    <form className="grid gap-4" onSubmit={(event) => void keep(event)} noValidate>
      <JobFields register={register} errors={errors} />
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
