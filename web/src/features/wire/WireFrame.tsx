import { loopAt } from '../../lib/addresses'
import type { ReactNode } from 'react'
import { useLoop } from '../../loop/loopContext'
import { PartsNav } from '../../design/PartsNav'

/** Parts of the step in the order of the work. */
const parts = [
  { id: '', title: 'Wires' },
  { id: '/logic', title: 'Logic' },
  { id: '/places', title: 'Places' },
  { id: '/conductors', title: 'Conductors' },
  { id: '/box', title: 'Box' },
  { id: '/dead', title: 'Dead tests' },
  { id: '/live', title: 'First live' },
] as const

/** Frame of the step: its parts along the top, one of them below. */
export function WireFrame({ part, children }: { part: (typeof parts)[number]['title']; children: ReactNode }) {
  const { job, loop } = useLoop()
  return (
    <div className="fills flex-1 min-h-0 flex flex-col bg-paper">
      <PartsNav
        label="Parts of wiring"
        parts={parts.map(({ id, title }) => ({ to: `${loopAt(job.id, loop.id, 'wire')}${id}`, title }))}
        here={part}
      />
      {children}
    </div>
  )
}
