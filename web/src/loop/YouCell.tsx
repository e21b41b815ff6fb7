import { useState } from 'react'
import { useAppSelector } from '../state/store'
import { NameField } from './NameField'
import { Dialog } from '../design/Dialog'
import { Shape } from '../design/Shape'

/** Who is at work, for the log; said to be missing until it is given. */
export function YouCell() {
  const by = useAppSelector((state) => state.view.by)
  const [open, setOpen] = useState(false)
  return (
    <>
      <button type="button" className="title-cell not-phone max-w-40" onClick={() => setOpen(true)}>
        <span className="k">At work</span>
        <span className={by ? '' : 'text-look font-bold'}>
          {by ? null : (
            <span className="inline-block mr-1">
              <Shape kind="look" size={12} />
            </span>
          )}
          {by || 'who are you?'}
        </span>
      </button>
      <Dialog
        open={open}
        onClose={() => setOpen(false)}
        title="Who is at work"
        about="Every change goes to the log under this name. It stays on this device."
      >
        <NameField label="Your name" />
      </Dialog>
    </>
  )
}
