import { useState } from 'react'
import type { Reading } from '@nachtigal/core/document/documents'
import type { KeyingRow } from '@nachtigal/core/commissioning/keyingSheet'
import { drafted, draftCleared } from '../../state/draftsSlice'
import { useAppDispatch, useAppSelector } from '../../state/store'
import { wrongKeyed } from './useKeying'
import { Select } from '../../design/Select'

interface Props {
  readonly label: string
  readonly draftKey: string
  readonly row: KeyingRow
  readonly held: Reading | undefined
  readonly onKeep: (text: string) => string | undefined
  readonly big?: boolean
}

/** One value as the display shows it; out of range is taken, text in a number is not. */
export function KeyedCell({ label, draftKey, row, held, onKeep, big = false }: Props) {
  const dispatch = useAppDispatch()
  const draft = useAppSelector((state) => state.drafts[draftKey])
  const [error, setError] = useState<string>()
  const frame = `comb text ${big ? '' : 'md:!h-8 min-w-20 max-w-28'}`
  if (row.choices)
    return (
      <div className={`comb text ${big ? '' : 'min-w-20 max-w-40'}`}>
        <Select
          aria-label={label}
          value={held?.text ?? ''}
          onChange={(event) => {
            onKeep(event.target.value)
          }}
        >
          <option value="">{'\u2013'}</option>
          {Object.values(row.choices).map((shown) => (
            <option key={shown} value={shown}>
              {shown}
            </option>
          ))}
        </Select>
      </div>
    )
  const keep = (text: string) => {
    const typed = text.trim()
    const wrong = wrongKeyed(row, label, typed) ?? onKeep(typed)
    setError(wrong)
    if (!wrong) dispatch(draftCleared(draftKey))
  }
  const bad = error !== undefined && draft !== undefined
  return (
    <>
      <div className={`${frame} ${bad ? 'bad' : ''}`}>
        <input
          aria-label={label}
          aria-invalid={bad}
          inputMode={row.quantity === 'clock' ? 'text' : 'decimal'}
          maxLength={20}
          autoComplete="off"
          value={draft ?? held?.text ?? ''}
          onChange={(event) => {
            setError(undefined)
            dispatch(drafted({ key: draftKey, text: event.target.value }))
          }}
          onBlur={() => {
            if (draft !== undefined) keep(draft)
          }}
          onKeyDown={(event) => {
            if (event.key === 'Enter' && draft !== undefined) keep(draft)
            if (event.key === 'Escape') dispatch(draftCleared(draftKey))
          }}
        />
      </div>
      {bad ? (
        <p role="alert" className="error">
          {error}
        </p>
      ) : null}
    </>
  )
}
