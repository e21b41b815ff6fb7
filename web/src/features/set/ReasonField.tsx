import type { KeyingRow } from '@nachtigal/core/commissioning/keyingSheet'
import { useState } from 'react'
import { drafted, draftCleared } from '../../state/draftsSlice'
import { useAppDispatch, useAppSelector } from '../../state/store'

interface Props {
  readonly row: KeyingRow
  readonly draftKey: string
  readonly onReason: (why: string) => string | undefined
}

/** Why a value was left other than planned: it goes to the log and onto the sheet. */
export function ReasonField({ row, draftKey, onReason }: Props) {
  const dispatch = useAppDispatch()
  const draft = useAppSelector((state) => state.drafts[draftKey])
  const [error, setError] = useState<string>()
  const keep = () => {
    const why = draft?.trim() ?? ''
    if (why === '') return
    const wrong = onReason(why)
    setError(wrong)
    if (!wrong) dispatch(draftCleared(draftKey))
  }
  return (
    <label className="flex gap-2 items-center max-md:flex-wrap">
      <span className="lab whitespace-nowrap">
        Left at {row.asLeft?.text}, planned {row.planned}: why?
      </span>
      <span className="comb text md:!h-8 flex-1 min-w-40">
        <input
          aria-label={`Why ${row.name} was left so`}
          maxLength={400}
          autoComplete="off"
          value={draft ?? row.asLeft?.why ?? ''}
          onChange={(event) => dispatch(drafted({ key: draftKey, text: event.target.value }))}
          onBlur={keep}
          onKeyDown={(event) => {
            if (event.key === 'Enter') keep()
            if (event.key === 'Escape') dispatch(draftCleared(draftKey))
          }}
        />
      </span>
      {error ? (
        <span role="alert" className="error">
          {error}
        </span>
      ) : null}
    </label>
  )
}
