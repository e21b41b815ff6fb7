import { useEffect, useRef } from 'react'
import { NavLink } from 'react-router'

interface Props {
  readonly label: string
  readonly parts: readonly { readonly to: string; readonly title: string }[]
  /** Title of the part that is shown. */
  readonly here: string
}

/** Parts of a step along its top; the one in hand is always in sight. */
export function PartsNav({ label, parts, here }: Props) {
  const nav = useRef<HTMLElement>(null)
  useEffect(() => {
    nav.current?.querySelector('[aria-current=step]')?.scrollIntoView({ block: 'nearest', inline: 'center' })
  }, [here])
  return (
    <nav ref={nav} aria-label={label} data-parts className="parts">
      {parts.map(({ to, title }) => (
        <NavLink
          key={title}
          to={to}
          end
          aria-current={title === here ? 'step' : undefined}
          className={title === here ? 'chosen' : undefined}
        >
          {title}
        </NavLink>
      ))}
    </nav>
  )
}
