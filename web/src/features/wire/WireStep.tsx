import './wire.css'
import { useState } from 'react'
import { useNavigate, useParams } from 'react-router'
import type { WireRow } from '@nachtigal/core/wiring/wireRow'
import { PHONE, useMedia } from '../../lib/useMedia'
import { useLoop } from '../../loop/loopContext'
import { Button } from '../../design/Button'
import { ListChanges } from './ListChanges'
import { WireFrame } from './WireFrame'
import { WireList } from './WireList'
import { WirePicture } from './WirePicture'
import { WireSheet } from './WireSheet'
import { WireStrip } from './WireStrip'
import { loopAt } from '../../lib/addresses'

/** Step 3: the list from terminal to terminal and the picture made from it; landed and tested row by row. */
export function WireStep() {
  const { rows, loop, job } = useLoop()
  const { row: chosenId } = useParams()
  const navigate = useNavigate()
  const phone = useMedia(PHONE)
  const [look, setLook] = useState<'wire' | 'list' | 'picture'>('wire')
  const chosen = rows.find(({ id }) => id === chosenId) ?? rows[0]
  const go = (row: WireRow | undefined) => {
    // At once: a reading that is typed right after the tap belongs to the row that was tapped.
    if (row)
      void navigate(loopAt(job.id, loop.id, 'wire', row.id), {
        replace: true,
        flushSync: true,
      })
  }
  if (!chosen)
    return (
      <WireFrame part="Wires">
        <div className="p-6 bg-paper flex-1">
          <h2 className="h2">No wires yet</h2>
          <p className="my-2">The list is made from the chain.</p>
          <div className="max-w-xs">
            <Button to={loopAt(job.id, loop.id, 'match')}>Match the chain</Button>
          </div>
          <ListChanges />
        </div>
      </WireFrame>
    )
  const step = (by: number) => go(rows[Math.min(rows.length - 1, Math.max(0, rows.indexOf(chosen) + by))])
  const sheet = <WireSheet key={chosen.id} row={chosen} onNext={() => step(1)} last={rows.at(-1)?.id === chosen.id} />
  if (phone)
    return (
      <WireFrame part="Wires">
        <div className="grid grid-cols-3 border-b border-line flex-none" role="group" aria-label="Show">
          {(['wire', 'list', 'picture'] as const).map((each) => (
            <button
              key={each}
              type="button"
              aria-pressed={look === each}
              className={`min-h-12 capitalize ${look === each ? 'chosen' : ''}`}
              onClick={() => setLook(each)}
            >
              {each === 'wire' ? 'One wire' : each}
            </button>
          ))}
        </div>
        {look === 'list' ? (
          <WireList
            chosen={chosen}
            onChoose={(row) => {
              go(row)
              setLook('wire')
            }}
          />
        ) : look === 'picture' ? (
          <WirePicture chosen={chosen} onChoose={go} onStep={step} />
        ) : (
          <>
            <WireStrip chosen={chosen} onChoose={go} />
            {sheet}
          </>
        )}
      </WireFrame>
    )
  return (
    <WireFrame part="Wires">
      <div className="flex-1 min-h-0 grid grid-cols-[432px_minmax(0,1fr)] max-lg:grid-cols-[minmax(0,1fr)] max-lg:overflow-auto">
        <WireList chosen={chosen} onChoose={go} />
        <div className="min-h-0 min-w-0 flex flex-col max-lg:min-h-[640px]">
          <WirePicture chosen={chosen} onChoose={go} onStep={step} />
          {sheet}
        </div>
      </div>
    </WireFrame>
  )
}
