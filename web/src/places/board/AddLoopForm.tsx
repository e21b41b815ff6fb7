import { nextOrder } from '@nachtigal/core/schema/ordered'
import { useState } from 'react'
import { useNavigate } from 'react-router'
import { emptyLoop } from '@nachtigal/core/document/documents'
import { type LoopKind, loopKinds } from '@nachtigal/core/kinds/kinds'
import { kindFacts } from '@nachtigal/core/kinds/kinds'
import { useJob } from '../../loop/jobContext'
import { useSend } from '../../loop/useSend'
import { Button } from '../../ui/Button'
import { Dialog } from '../../ui/Dialog'
import { Field } from '../../ui/Field'
import { newId } from '../../lib/newId'

/** A new loop: its kind and its name. */
export function AddLoopForm({ open, onClose }: { open: boolean; onClose: () => void }) {
  const { job, loops } = useJob()
  const send = useSend(job.id)
  const navigate = useNavigate()
  const kinds = loopKinds
  const [kind, setKind] = useState<LoopKind>(kinds[0]!)
  const [name, setName] = useState('')
  const [problem, setProblem] = useState<string>()
  const add = () => {
    if (name.trim() === '') {
      setProblem('Name is empty: it takes what the owner calls this loop.')
      return
    }
    const id = newId()
    const order = nextOrder(loops)
    const wrong = send([{ document: id, path: [], from: null, to: emptyLoop(id, job.id, kind, name.trim(), order) }], {
      loopId: id,
    })
    if (wrong) {
      setProblem(wrong)
      return
    }
    onClose()
    void navigate(`/jobs/${job.id}/loops/${id}/survey`)
  }
  return (
    <Dialog open={open} onClose={onClose} title="Add a loop" about="One thing that is controlled.">
      <form
        className="grid gap-4"
        onSubmit={(event) => {
          event.preventDefault()
          add()
        }}
      >
        <Field label="Kind">
          {(ids) => (
            <select {...ids} value={kind} onChange={(event) => setKind(event.target.value as LoopKind)}>
              {kinds.map((each) => (
                <option key={each} value={each}>
                  {kindFacts[each].title}, {kindFacts[each].about}
                </option>
              ))}
            </select>
          )}
        </Field>
        <Field label="Name" text error={problem}>
          {(ids) => (
            <input
              {...ids}
              value={name}
              maxLength={80}
              autoComplete="off"
              onChange={(event) => {
                setProblem(undefined)
                setName(event.target.value)
              }}
            />
          )}
        </Field>
        <Button type="submit" end="+">
          Add the loop
        </Button>
      </form>
    </Dialog>
  )
}
