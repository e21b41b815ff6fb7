import { keepNote, notedIn } from '@nachtigal/core/actions/keepNote'
import { useState } from 'react'
import { ordered } from '@nachtigal/core/schema/ordered'
import { changesBetween } from '@nachtigal/core/document/changesBetween'
import { calculationNote, type WorkedCalculation } from '@nachtigal/core/calc/workedLines'
import type { JobInHand } from '../../loop/jobContext'
import { useSend } from '../../loop/useSend'
import { useAppSelector } from '../../state/store'
import { Button } from '../../design/Button'
import { ChoiceField } from '../../design/ChoiceField'
import { Dialog } from '../../design/Dialog'
import { Field } from '../../design/Field'
import { newId } from '../../lib/newId'

/** A sum of more input than this is kept by its words alone. */
const MOST_INPUT = 8000

interface Props {
  readonly job: JobInHand
  readonly sum: WorkedCalculation
  readonly input: Readonly<Record<string, unknown>>
  readonly onClose: () => void
}

/** Keeps a sum as a note in the log of a loop, with what was put in, so that it can be opened again. */
export function KeepCalculation({ job, sum, input, onClose }: Props) {
  const loops = ordered(job.loops)
  const [loopId, setLoopId] = useState(loops[0]?.id)
  const [words, setWords] = useState('')
  const [problem, setProblem] = useState<string>()
  const by = useAppSelector((state) => state.view.by)
  const send = useSend(job.job.id)
  const keep = () => {
    const loop = loops.find(({ id }) => id === loopId)
    if (!loop) return
    const given = JSON.stringify(input)
    const note = {
      text: [words.trim(), calculationNote(sum)].filter((part) => part !== '').join('. '),
      ...(given.length <= MOST_INPUT ? { calculation: { calc: sum.id, given } } : {}),
    }
    const hand = { by, at: new Date().toISOString(), newId }
    const next = notedIn(loop, note, hand)
    const wrong = send(changesBetween(loop.id, loop, next), {
      loopId: loop.id,
      action: keepNote.id,
      tell: `Kept in the log of ${loop.name}`,
    })
    setProblem(wrong)
    if (wrong === undefined) onClose()
  }
  return (
    <Dialog open onClose={onClose} title="Keep in a log" about={calculationNote(sum).slice(0, 200)}>
      <div className="grid gap-3">
        <ChoiceField
          label="Loop"
          value={loopId}
          choices={loops.map(({ id, name }) => ({ value: id, title: name }))}
          onChoose={setLoopId}
        />
        <Field label="What for" text aside="optional">
          {(ids) => (
            <input
              {...ids}
              type="text"
              maxLength={400}
              autoComplete="off"
              value={words}
              onChange={(event) => setWords(event.target.value)}
            />
          )}
        </Field>
        {problem ? (
          <p role="alert" className="error">
            {problem}
          </p>
        ) : null}
        <Button onClick={keep}>Keep the calculation</Button>
      </div>
    </Dialog>
  )
}
