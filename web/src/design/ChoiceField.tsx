import type { ReactNode } from 'react'
import { Field } from './Field'
import { Select } from './Select'

interface Props {
  readonly label: string
  readonly value: string | undefined
  readonly choices: readonly { readonly value: string; readonly title: string }[]
  readonly onChoose: (value: string) => void
  readonly empty?: string
  readonly aside?: ReactNode
  readonly hint?: string
  readonly finding?: 'stop' | 'look' | undefined
  readonly className?: string
}

/** One of a few. The system's own list: it works with a thumb, a key and a reader everywhere. */
export function ChoiceField({ label, value, choices, onChoose, empty, aside, hint, finding, className = '' }: Props) {
  return (
    <Field label={label} aside={aside} hint={hint} finding={finding} className={className}>
      {(ids) => (
        <Select
          {...ids}
          value={value ?? ''}
          onChange={(event) => {
            if (event.target.value !== '') onChoose(event.target.value)
          }}
        >
          {value === undefined || empty !== undefined ? <option value="">{empty ?? 'choose'}</option> : null}
          {choices.map((choice) => (
            <option key={choice.value} value={choice.value}>
              {choice.title}
            </option>
          ))}
        </Select>
      )}
    </Field>
  )
}
