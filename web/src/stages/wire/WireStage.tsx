import { useNavigate, useParams } from 'react-router'
import type { WireRow } from '@nachtigal/core/wiring/connectionList'
import { PHONE, useMedia } from '../../lib/useMedia'
import { useLoop } from '../../loop/loopContext'
import { Button } from '../../ui/Button'
import { WireStrip } from './WireStrip'
import { WireList } from './WireList'
import { WireSheet } from './WireSheet'

/** Stage 3: the list from terminal to terminal, landed and tested row by row. */
export function WireStage() {
  const { rows, loop, job } = useLoop()
  const { row: chosenId } = useParams()
  const navigate = useNavigate()
  const phone = useMedia(PHONE)
  const chosen = rows.find(({ id }) => id === chosenId) ?? rows[0]
  const go = (row: WireRow | undefined) => {
    // At once: a reading that is typed right after the tap belongs to the row that was tapped.
    if (row)
      void navigate(`/jobs/${job.id}/loops/${loop.id}/wire/${encodeURIComponent(row.id)}`, {
        replace: true,
        flushSync: true,
      })
  }
  if (!chosen)
    return (
      <div className="p-6 bg-paper flex-1">
        <h2 className="h2">No wires yet</h2>
        <p className="my-2">The list is made from the chain.</p>
        <div className="max-w-xs">
          <Button to={`/jobs/${job.id}/loops/${loop.id}/match`}>Match the chain</Button>
        </div>
      </div>
    )
  const step = (by: number) => go(rows[Math.min(rows.length - 1, Math.max(0, rows.indexOf(chosen) + by))])
  return (
    <div className="fills grid grid-cols-[minmax(0,1fr)] max-lg:grid-rows-[auto_minmax(360px,1fr)] lg:grid-cols-[minmax(0,560px)_minmax(0,1fr)] min-h-0 flex-1 bg-paper overflow-auto lg:overflow-hidden">
      {phone ? <WireStrip chosen={chosen} onChoose={go} /> : <WireList chosen={chosen} onChoose={go} onStep={step} />}
      <WireSheet key={chosen.id} row={chosen} onNext={() => step(1)} last={rows.at(-1)?.id === chosen.id} />
    </div>
  )
}
