import type { ReactNode } from 'react'
import { object, string } from 'yup'
import { Button } from './Button'
import { Field } from './Field'
import { useSavedForm } from './useSavedForm'

interface Props {
  readonly label: string
  /** What is said when nothing was typed. */
  readonly empty: string
  readonly most?: number
  readonly submit: string
  /** Keeps the line; answers why not, or nothing. */
  readonly onKeep: (line: string) => string | undefined
  readonly children?: ReactNode
}

/** A form of one line: a reason, or a note. */
export function LineForm({ label, empty, most = 300, submit, onKeep, children }: Props) {
  const { register, wrong, onSubmit } = useSavedForm({
    schema: object({
      line: string()
        .trim()
        .required(empty)
        .max(most, ({ value }) => `${label} has ${String(value).length} characters: ${most} at most.`),
    }),
    begun: { line: '' },
    keep: ({ line }) => onKeep(line),
    at: 'line',
  })
  return (
    <form className="grid gap-3" noValidate onSubmit={onSubmit}>
      {children}
      <Field label={label} text error={wrong('line')}>
        {(ids) => <input {...ids} {...register('line')} autoComplete="off" />}
      </Field>
      <Button type="submit">{submit}</Button>
    </form>
  )
}
