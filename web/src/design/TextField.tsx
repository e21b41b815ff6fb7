import { useState } from 'react'
import { drafted, draftCleared } from '../state/draftsSlice'
import { useAppDispatch, useAppSelector } from '../state/store'
import { Field } from './Field'

interface Props {
  readonly label: string
  readonly draftKey: string
  readonly value: string
  readonly onCommit: (value: string) => string | undefined | void
  readonly placeholder?: string
  /** What it is a field of: how long it may be is declared there. */
  readonly field?: { readonly longest: number }
  readonly required?: boolean
  readonly className?: string
}

/** A line of text, kept as a draft until it is left. */
export function TextField({
  label,
  draftKey,
  value,
  onCommit,
  placeholder,
  field,
  required = false,
  className = '',
}: Props) {
  const dispatch = useAppDispatch()
  const draft = useAppSelector((state) => state.drafts[draftKey])
  const [error, setError] = useState<string>()
  const commit = (typed: string) => {
    if (required && typed.trim() === '') {
      setError(`${label} is empty: it takes a name.`)
      return
    }
    const refused = typed.trim() === value ? undefined : (onCommit(typed.trim()) ?? undefined)
    setError(refused)
    if (refused === undefined) dispatch(draftCleared(draftKey))
  }
  return (
    <Field label={label} error={draft === undefined ? undefined : error} text className={className}>
      {(ids) => (
        <input
          {...ids}
          type="text"
          maxLength={field?.longest ?? 200}
          autoComplete="off"
          value={draft ?? value}
          placeholder={placeholder}
          onChange={(event) => {
            setError(undefined)
            dispatch(drafted({ key: draftKey, text: event.target.value }))
          }}
          onBlur={() => {
            if (draft !== undefined) commit(draft)
          }}
          onKeyDown={(event) => {
            if (event.key === 'Enter' && draft !== undefined) commit(draft)
            if (event.key === 'Escape') dispatch(draftCleared(draftKey))
          }}
        />
      )}
    </Field>
  )
}
