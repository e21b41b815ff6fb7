import { yupResolver } from '@hookform/resolvers/yup'
import { type UseFormRegister, useForm } from 'react-hook-form'
import { useNavigate } from 'react-router'
import { type InferType, string } from 'yup'
import { emptyJob } from '@nachtigal/core/document/documents'
import { nameGiven } from '../../state/viewSlice'
import { useAppDispatch, useAppSelector } from '../../state/store'
import { type JobBasics, jobBasics, JobFields } from '../../loop/JobFields'
import { useOutbox } from '../../loop/outboxContext'
import { Button } from '../../design/Button'
import { Field } from '../../design/Field'
import { newId } from '../../lib/newId'
import { jobAt } from '../../lib/addresses'

const schema = jobBasics.shape({
  by: string()
    .trim()
    .required('Your name is empty: the log says who changed what.')
    .max(80, 'Your name is too long: 80 characters at most.'),
})

/** Fields of a new, empty job: name, place, practice, units, and who is at work; goes to its board once it is made. */
export function JobForm() {
  const dispatch = useAppDispatch()
  const outbox = useOutbox()
  const navigate = useNavigate()
  const by = useAppSelector((state) => state.view.by)
  const {
    register,
    handleSubmit,
    getValues,
    setValue,
    watch,
    formState: { errors },
  } = useForm<InferType<typeof schema>>({
    resolver: yupResolver(schema),
    defaultValues: { name: '', place: '', practice: 'europe', temperatureUnit: 'C', system: 'metric', by },
  })
  // Drawn anew when the form sets units by itself, so that what is shown is what is held.
  watch(['temperatureUnit', 'system'])
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
    void navigate(jobAt(id))
  })
  return (
    <form aria-label="New job" className="grid gap-4" onSubmit={(event) => void make(event)} noValidate>
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
  )
}
