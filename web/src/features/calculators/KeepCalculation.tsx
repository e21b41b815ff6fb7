import { keepNote, notedIn } from '@nachtigal/core/actions/keepNote'
import { Controller } from 'react-hook-form'
import { object, string } from 'yup'
import { ordered } from '@nachtigal/core/schema/ordered'
import { changesBetween } from '@nachtigal/core/document/changesBetween'
import { calculationNote, type WorkedCalculation } from '@nachtigal/core/calc/workedLines'
import type { JobInHand } from '../../loop/jobContext'
import { useSend } from '../../loop/useSend'
import { useAppSelector } from '../../state/store'
import { Button } from '../../design/Button'
import { ChoiceField } from '../../design/ChoiceField'
import { useSavedForm } from '../../design/useSavedForm'
import { Dialog } from '../../design/Dialog'
import { Field } from '../../design/Field'
import { newId } from '../../lib/newId'

/** A sum of more input than this is kept by its words alone. */
const MOST_INPUT = 8000

const keepForm = object({
  loopId: string().required('Loop is empty: it takes one of the list.'),
  words: string().trim().max(400, 'What for is too long: 400 characters at most.'),
})

interface Props {
  readonly job: JobInHand
  readonly sum: WorkedCalculation
  readonly input: Readonly<Record<string, unknown>>
  readonly onClose: () => void
}

/** Keeps a sum as a note in the log of a loop, with what was put in, so that it can be opened again. */
export function KeepCalculation({ job, sum, input, onClose }: Props) {
  const loops = ordered(job.loops)
  const by = useAppSelector((state) => state.view.by)
  const send = useSend(job.job.id)
  const keep = ({ loopId, words }: { loopId: string; words?: string | undefined }) => {
    const loop = loops.find(({ id }) => id === loopId)
    if (!loop) return 'Loop is not in this job any more: it takes one of the list.'
    const given = JSON.stringify(input)
    const note = {
      text: [words ?? '', calculationNote(sum)].filter((part) => part !== '').join('. '),
      ...(given.length <= MOST_INPUT ? { calculation: { calc: sum.id, given } } : {}),
    }
    const hand = { by, at: new Date().toISOString(), newId }
    const next = notedIn(loop, note, hand)
    const wrong = send(changesBetween(loop.id, loop, next), {
      loopId: loop.id,
      action: keepNote.id,
      tell: `Kept in the log of ${loop.name}`,
    })
    if (wrong === undefined) onClose()
    return wrong
  }
  const {
    control,
    register,
    wrong: wrongOf,
    onSubmit,
  } = useSavedForm({ schema: keepForm, begun: { loopId: loops[0]?.id ?? '', words: '' }, keep, at: 'words' })
  return (
    <Dialog open onClose={onClose} title="Keep in a log" about={calculationNote(sum).slice(0, 200)}>
      <form className="grid gap-3" noValidate onSubmit={onSubmit}>
        <Controller
          control={control}
          name="loopId"
          render={({ field }) => (
            <ChoiceField
              label="Loop"
              value={field.value}
              choices={loops.map(({ id, name }) => ({ value: id, title: name }))}
              onChoose={field.onChange}
            />
          )}
        />
        <Field label="What for" text aside="optional" error={wrongOf('words') ?? wrongOf('loopId')}>
          {(ids) => <input {...ids} {...register('words')} autoComplete="off" />}
        </Field>
        <Button type="submit">Keep the calculation</Button>
      </form>
    </Dialog>
  )
}
