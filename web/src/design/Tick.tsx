import { Checkbox } from 'radix-ui'
import type { ReactNode } from 'react'

interface Props {
  readonly checked: boolean
  readonly onChange: (checked: boolean) => void
  readonly children?: ReactNode
  /** Needed when nothing stands beside it. */
  readonly label?: string
  readonly className?: string
}

/** Tick box: a square, the tick breaks out at the top right. */
export function Tick({ checked, onChange, children, label, className = '' }: Props) {
  return (
    <Checkbox.Root
      className={`tick ${className}`}
      checked={checked}
      onCheckedChange={(next) => onChange(next === true)}
      aria-label={label}
    >
      <span className="box" aria-hidden>
        <Checkbox.Indicator asChild>
          <svg width="19" height="17" viewBox="0 0 19 17">
            <path d="M2 9.5L6.5 14L16.5 2" fill="none" stroke="var(--fits)" strokeWidth="2.6" />
          </svg>
        </Checkbox.Indicator>
      </span>
      {children}
    </Checkbox.Root>
  )
}
