import { type ReactNode, useId } from 'react'
import { Shape } from './Shape'

interface Props {
  readonly label: ReactNode
  readonly aside?: ReactNode
  readonly error?: string | undefined
  readonly finding?: 'stop' | 'look' | undefined
  readonly unit?: string | undefined
  readonly big?: boolean
  readonly text?: boolean
  readonly className?: string
  readonly hint?: string | undefined
  readonly children: (ids: { id: string; 'aria-invalid': boolean; 'aria-describedby': string | undefined }) => ReactNode
}

/** Comb field: a label, the comb with whatever is typed in it, its unit, and what is wrong with it. */
export function Field({
  label,
  aside,
  error,
  finding,
  unit,
  big = false,
  text = false,
  className = '',
  hint,
  children,
}: Props) {
  const id = useId()
  const shape = error ? 'stop' : finding
  const described = [error ? `${id}-error` : '', hint ? `${id}-hint` : ''].filter(Boolean).join(' ')
  return (
    <div className={className}>
      <div className="flex items-baseline flex-wrap gap-x-2 mb-1 min-h-4">
        <label htmlFor={id} className="lab" title={hint}>
          {label}
        </label>
        {aside !== undefined && <span className="ml-auto small text-ink2">{aside}</span>}
      </div>
      <div
        className={`comb ${big ? 'big' : ''} ${text ? 'text' : ''} ${error || finding === 'stop' ? 'bad' : finding === 'look' ? 'look' : ''}`}
      >
        {children({ id, 'aria-invalid': error !== undefined, 'aria-describedby': described || undefined })}
        {unit ? <span className="unit">{unit}</span> : null}
        {shape ? (
          <span className="ml-2">
            <Shape kind={shape} size={big ? 22 : 14} />
          </span>
        ) : null}
      </div>
      {hint ? (
        <span id={`${id}-hint`} className="sr-only">
          {hint}
        </span>
      ) : null}
      {error ? (
        <p id={`${id}-error`} role="alert" className="error">
          {error}
        </p>
      ) : null}
    </div>
  )
}
