import { ArrowRight } from 'lucide-react'
import type { ReactNode } from 'react'
import { Link } from 'react-router'

interface Props {
  readonly children: ReactNode
  /** What stands in the right cell: a key or a sign; an arrow unless said otherwise, no cell when empty. */
  readonly end?: ReactNode
  readonly second?: boolean
  readonly disabled?: boolean
  readonly type?: 'button' | 'submit'
  readonly onClick?: () => void
  readonly to?: string
  readonly className?: string
}

/** The one filled action of a screen, or a second one in outline. */
export function Button({
  children,
  end,
  second = false,
  disabled = false,
  type = 'button',
  onClick,
  to,
  className = '',
}: Props) {
  const look = `btn ${second ? 'second' : ''} ${className}`
  const inside = (
    <>
      <span>{children}</span>
      {end === '' ? null : <i aria-hidden>{end ?? <ArrowRight size={18} strokeWidth={1.5} />}</i>}
    </>
  )
  if (to !== undefined)
    return (
      <Link className={look} to={to}>
        {inside}
      </Link>
    )
  return (
    <button type={type} className={look} disabled={disabled} onClick={onClick}>
      {inside}
    </button>
  )
}
