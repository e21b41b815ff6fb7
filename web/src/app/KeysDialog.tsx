import { Dialog } from '../design/Dialog'

const keys = [
  ['1 to 7', 'step'],
  ['n, p', 'next and previous part of a step'],
  ['j, k', 'next and previous loop'],
  ['u', 'a look in °C or °F'],
  ['b', 'board'],
  ['g', 'log'],
  ['/ or Ctrl K', 'find anything'],
  ['.', 'a quick calculation'],
  ['Ctrl Z', 'take the last change back'],
  ['arrows', 'on the switching points: one display step, with Shift ten'],
  ['Enter', 'keep what is typed'],
  ['Esc', 'what it was'],
  ['?', 'this list'],
] as const

/** Every key there is. */
export function KeysDialog({ open, onClose }: { open: boolean; onClose: () => void }) {
  return (
    <Dialog open={open} onClose={onClose} title="Keys">
      <dl className="facts">
        {keys.map(([key, does]) => (
          <div key={key} className="contents">
            <dt className="mono">{key}</dt>
            <dd className="!text-[13px]">{does}</dd>
          </div>
        ))}
      </dl>
    </Dialog>
  )
}
