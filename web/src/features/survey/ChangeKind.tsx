import { useState } from 'react'
import { changeKind, hangsOnKind } from '@nachtigal/core/actions/changeKind'
import { Dialog } from '../../design/Dialog'
import { KindChoice } from '../../drawing/KindChoice'
import { useLoop } from '../../loop/loopContext'
import { useTap } from '../../loop/useTap'

/** Another kind for the loop in hand, as long as nothing hangs on which it is; why not, once something does. */
export function ChangeKind() {
  const { loop } = useLoop()
  const tap = useTap()
  const [open, setOpen] = useState(false)
  const hangs = hangsOnKind(loop)
  if (hangs !== undefined) return <span>Its kind stays: {hangs}.</span>
  return (
    <>
      <button type="button" className="third min-h-8 max-md:min-h-12" onClick={() => setOpen(true)}>
        Change its kind
      </button>
      <Dialog open={open} onClose={() => setOpen(false)} title="Kind of this loop">
        <KindChoice
          kind={loop.kind}
          onChoose={(kind) => {
            tap(changeKind, { kind })
            setOpen(false)
          }}
        />
      </Dialog>
    </>
  )
}
