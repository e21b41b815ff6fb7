import { type ReactNode, useEffect, useRef } from 'react'
import { NavLink } from 'react-router'
import { useLoop } from '../../loop/loopContext'

/** Parts of the stage in the order of the work. */
const parts = [
  { id: '', title: 'Wires' },
  { id: '/logic', title: 'Logic' },
  { id: '/places', title: 'Places' },
  { id: '/conductors', title: 'Conductors' },
  { id: '/box', title: 'Box' },
  { id: '/dead', title: 'Dead tests' },
  { id: '/live', title: 'First live' },
] as const

/** Frame of the stage: its parts along the top, one of them below. */
export function WireFrame({ part, children }: { part: (typeof parts)[number]['title']; children: ReactNode }) {
  const { job, loop } = useLoop()
  const nav = useRef<HTMLElement>(null)
  useEffect(() => {
    nav.current?.querySelector('[aria-current=step]')?.scrollIntoView({ block: 'nearest', inline: 'center' })
  }, [part])
  return (
    <div className="fills flex-1 min-h-0 flex flex-col bg-paper">
      <nav ref={nav} aria-label="Parts of wiring" className="parts">
        {parts.map(({ id, title }) => (
          <NavLink
            key={title}
            to={`/jobs/${job.id}/loops/${loop.id}/wire${id}`}
            aria-current={title === part ? 'step' : undefined}
            className={title === part ? 'chosen' : undefined}
          >
            {title}
          </NavLink>
        ))}
      </nav>
      {children}
    </div>
  )
}
