import { useAct } from './useAct'
import { openAgain } from '@nachtigal/core/actions/openAgain'
import { Lock } from 'lucide-react'
import { isLocked } from '@nachtigal/core/document/handover'
import { shownDay } from '@nachtigal/core/time/shownMoment'
import { LineForm } from '../design/LineForm'
import { Opens } from '../design/Opens'
import { useLoop } from './loopContext'

/** A loop that was handed over: seen on every screen of it, with the way to open it again. */
export function LockedBar() {
  const { job, loop } = useLoop()
  const { signed } = loop.handover
  if (!signed || !isLocked(loop)) return null
  return (
    <section className="temporary" aria-label="Locked">
      <Lock size={16} strokeWidth={1.5} aria-hidden />
      <span className="min-w-0 flex-1">
        <b>Handed over</b> {shownDay(signed.at, job.zone)} by {signed.by}, locked.
      </span>
      <OpenAgain />
    </section>
  )
}

/** Opens a loop again that was handed over, with a reason; what is changed then is told as since hand-over. */
export function OpenAgain() {
  const act = useAct()
  return (
    <Opens className="third min-h-8 max-md:min-h-12 flex-none" label="Open it again" trigger="Open it again">
      <LineForm
        label="Reason"
        empty="Reason is empty: it takes why this loop is opened again."
        submit="Open it again"
        onKeep={(why) => act(openAgain, { why })}
      >
        <p>The signature stays in the record. What is changed from now on stands on the sheet as since hand-over.</p>
      </LineForm>
    </Opens>
  )
}
