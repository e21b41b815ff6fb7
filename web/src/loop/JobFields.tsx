import type { FieldErrors, UseFormRegister } from 'react-hook-form'
import { type InferType, object, string } from 'yup'
import { practices, practiceTitles } from '@nachtigal/core/units/practice'
import { Field } from '../design/Field'
import { Select } from '../design/Select'

/** What is asked of a job: its name, where it is, whose practice it follows, the units it speaks. */
export const jobBasics = object({
  name: string()
    .trim()
    .required('Name is empty: it takes the name of the job.')
    .max(200, 'Name is too long: 200 characters at most.'),
  place: string().trim().max(200, 'Place is too long: 200 characters at most.').defined(),
  practice: string().oneOf(practices).required(),
  temperatureUnit: string()
    .oneOf(['C', 'F'] as const)
    .required(),
  system: string()
    .oneOf(['metric', 'us'] as const)
    .required(),
})

export type JobBasics = InferType<typeof jobBasics>

/** The fields of a job's basics, for a form that holds them. */
export function JobFields({
  register,
  errors,
  onPractice,
}: {
  readonly register: UseFormRegister<JobBasics>
  readonly errors: FieldErrors<JobBasics>
  /** Told when another practice is chosen. */
  readonly onPractice?: () => void
}) {
  return (
    <>
      <Field label="Name" text error={errors.name?.message}>
        {(ids) => <input {...ids} {...register('name')} autoComplete="off" />}
      </Field>
      <Field label="Place" text error={errors.place?.message}>
        {(ids) => <input {...ids} {...register('place')} autoComplete="off" />}
      </Field>
      <Field label="Practice" hint="Words, conductors and protective devices follow it. Units are chosen apart.">
        {(ids) => (
          <Select {...ids} {...register('practice', onPractice ? { onChange: onPractice } : {})}>
            {practices.map((practice) => (
              <option key={practice} value={practice}>
                {practiceTitles[practice]}
              </option>
            ))}
          </Select>
        )}
      </Field>
      <div className="grid grid-cols-2 gap-4">
        <Field label="Temperature">
          {(ids) => (
            <Select {...ids} {...register('temperatureUnit')}>
              <option value="C">°C</option>
              <option value="F">°F</option>
            </Select>
          )}
        </Field>
        <Field label="Measures">
          {(ids) => (
            <Select {...ids} {...register('system')}>
              <option value="metric">metric</option>
              <option value="us">US customary</option>
            </Select>
          )}
        </Field>
      </div>
    </>
  )
}
