import { yupResolver } from '@hookform/resolvers/yup'
import { type UseFormRegister, useForm } from 'react-hook-form'
import { useNavigate } from 'react-router'
import { type InferType, string } from 'yup'
import { emptyJob } from '@nachtigal/core/document/documents'
import { nameGiven } from '../../lib/viewSlice'
import { useAppDispatch, useAppSelector } from '../../lib/store'
import { type JobBasics, jobBasics, JobFields } from '../../loop/JobFields'
import { useOutbox } from '../../loop/outboxContext'
import { Button } from '../../ui/Button'
import { Dialog } from '../../ui/Dialog'
import { Field } from '../../ui/Field'
import { newId } from '../../lib/newId'

const schema = jobBasics.shape({
  by: string()
    .trim()
    .required('Your name is empty: the log says who changed what.')
    .max(80, 'Your name is too long: 80 characters at most.'),
})

/** A new, empty job: name, place, units, and who is at work. */
export function NewJobForm({ open, onClose }: { open: boolean; onClose: () => void }) {
  const dispatch = useAppDispatch()
  const outbox = useOutbox()
  const navigate = useNavigate()
  const by = useAppSelector((state) => state.view.by)
  const {
    register,
    handleSubmit,
    getValues,
    setValue,
    formState: { errors },
  } = useForm<InferType<typeof schema>>({
    resolver: yupResolver(schema),
    defaultValues: { name: '', place: '', practice: 'europe', temperatureUnit: 'C', system: 'metric', by },
  })
  // The units that usually go with a practice; whoever wants others chooses them after it.
  const unitsOfPractice = () => {
    const us = getValues('practice') === 'us'
    setValue('temperatureUnit', us ? 'F' : 'C')
    setValue('system', us ? 'us' : 'metric')
  }
  const make = handleSubmit(({ by: who, ...basics }) => {
    const id = newId()
    const job = emptyJob(id, { ...basics, zone: Intl.DateTimeFormat().resolvedOptions().timeZone || 'UTC' })
    dispatch(nameGiven(who))
    void outbox.add({
      id: newId(),
      jobId: id,
      baseRevision: 0,
      at: new Date().toISOString(),
      by: who,
      change: [{ document: id, path: [], from: null, to: job }],
    })
    void navigate(`/jobs/${id}`)
  })
  return (
    <Dialog open={open} onClose={onClose} title="An empty job">
      <form className="grid gap-4" onSubmit={(event) => void make(event)} noValidate>
        <JobFields
          register={register as unknown as UseFormRegister<JobBasics>}
          errors={errors}
          onPractice={unitsOfPractice}
        />
        <Field label="Your name, for the log" text error={errors.by?.message}>
          {(ids) => <input {...ids} {...register('by')} autoComplete="name" />}
        </Field>
        <Button type="submit">Start the job</Button>
      </form>
    </Dialog>
  )
}
