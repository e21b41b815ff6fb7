import { useEffect, useRef } from 'react'
import type { WireRow } from '@nachtigal/core/wiring/wireRow'
import { useLoop } from '../../loop/loopContext'
import { nameOf, Tested } from './wireMarks'
import { WireCounts } from './WireCounts'

/** On a phone: a cell for each wire, to be walked by the thumb; what is large stands below. */
export function WireStrip({ chosen, onChoose }: { chosen: WireRow; onChoose: (row: WireRow) => void }) {
  const loop = useLoop()
  const cell = useRef<HTMLButtonElement>(null)
  useEffect(() => {
    cell.current?.scrollIntoView({ block: 'nearest', inline: 'center' })
  }, [chosen.id])
  return (
    <section aria-labelledby="wires">
      <WireCounts />
      <nav className="flex overflow-x-auto border-y border-line" aria-label="Wires">
        {loop.rows.map((row) => (
          <button
            key={row.id}
            ref={row.id === chosen.id ? cell : undefined}
            type="button"
            aria-current={row.id === chosen.id}
            aria-label={nameOf(row)}
            className={`h-[52px] min-w-[52px] grid place-items-center border-r border-line ${row.id === chosen.id ? 'chosen' : ''}`}
            onClick={() => onChoose(row)}
          >
            <span
              className={`leading-4 ${loop.loop.wiring.rows[row.id]?.landed ? 'underline underline-offset-2' : ''}`}
            >
              {row.number}
            </span>
            <Tested row={row} size={14} />
          </button>
        ))}
      </nav>
    </section>
  )
}
