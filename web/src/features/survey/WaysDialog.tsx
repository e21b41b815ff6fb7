import { useAct } from '../../loop/useAct'
import { answerByWay } from '@nachtigal/core/actions/answerByWay'
import { yupResolver } from '@hookform/resolvers/yup'
import { useState } from 'react'
import { useForm, useWatch } from 'react-hook-form'
import { object, string } from 'yup'
import type { NumberQuestion } from '@nachtigal/core/kinds/question'
import { typicalIn, type Way, ways } from '@nachtigal/core/survey/ways'
import { parseQuantity } from '@nachtigal/core/units/parseQuantity'
import { formatQuantity, formatValue, quantityView, type UnitPreferences } from '@nachtigal/core/units/quantity'
import { useLoop } from '../../loop/loopContext'
import { Button } from '../../design/Button'
import { ChoiceField } from '../../design/ChoiceField'
import { Dialog } from '../../design/Dialog'
import { Field } from '../../design/Field'

interface Props {
  readonly question: NumberQuestion
  readonly open: boolean
  readonly onClose: () => void
}

/** Works a figure out from what can be measured on site, and puts it in with what was measured. */
export function WaysDialog({ question, open, onClose }: Props) {
  const { loop, preferences, words } = useLoop()
  const offered = (question.ways ?? []).flatMap((id) => (ways[id] ? [ways[id]] : []))
  const taken = loop.survey.ways?.[question.id]
  const [chosen, setChosen] = useState(taken?.way ?? offered[0]?.id)
  const way = offered.find(({ id }) => id === chosen) ?? offered[0]
  if (!way) return null
  return (
    <Dialog
      open={open}
      onClose={onClose}
      title={`Work out: ${question.title.toLowerCase()}`}
      about={words.tell(way.hint)}
    >
      <div className="grid gap-4">
        {offered.length > 1 ? (
          <ChoiceField
            label="How"
            value={way.id}
            onChoose={setChosen}
            choices={offered.map(({ id, title }) => ({ value: id, title: words.local(title) }))}
          />
        ) : (
          <h3 className="h3">{words.local(way.title)}</h3>
        )}
        <Measured
          key={way.id}
          way={way}
          question={question}
          begun={taken?.way === way.id ? taken.values : {}}
          format={(value, quantity) => formatValue(value, quantity, preferences)}
          onDone={onClose}
        />
      </div>
    </Dialog>
  )
}

interface MeasuredProps {
  readonly way: Way
  readonly question: NumberQuestion
  readonly begun: Readonly<Record<string, number>>
  readonly format: (value: number, quantity: Way['fields'][number]['quantity']) => string
  readonly onDone: () => void
}

function Measured({ way, question, begun, format, onDone }: MeasuredProps) {
  const { job, preferences, words } = useLoop()
  const act = useAct()
  const read = (field: Way['fields'][number], text: string) => readMeasured(field, text, preferences)
  const { control, register, handleSubmit } = useForm<Record<string, string | undefined>>({
    resolver: yupResolver(
      object(
        Object.fromEntries(
          way.fields.map((field) => [
            field.id,
            string().test(
              'taken',
              ({ value }) => read(field, String(value)).wrong,
              (text = '') => !read(field, text).wrong,
            ),
          ]),
        ),
      ),
    ),
    defaultValues: Object.fromEntries(
      way.fields.map((field) => {
        const { id, quantity } = field
        const value = begun[id] ?? typicalIn(field, job.practice)
        return [id, value === undefined ? '' : format(value, quantity)]
      }),
    ),
  })
  const typed = useWatch({ control })
  const all = way.fields.map((field) => ({ field, ...read(field, typed[field.id] ?? '') }))
  const values = Object.fromEntries(all.flatMap(({ field, si }) => (si === undefined ? [] : [[field.id, si]])))
  const whole = all.every(({ si, wrong }) => si !== undefined && wrong === undefined)
  const answer = whole ? outcome(way, values) : undefined
  const outside =
    answer?.value !== undefined && (answer.value < question.low || answer.value > question.high)
      ? `That makes ${words.say(answer.value, question.quantity)}; ${question.title.toLowerCase()} takes ${words.say(question.low, question.quantity)} to ${words.say(question.high, question.quantity)}.`
      : undefined
  const put = () => {
    if (answer?.value === undefined || outside) return
    act(answerByWay, { question: question.id, value: answer.value, found: { way: way.id, values } })
    onDone()
  }
  return (
    <form className="grid gap-4" noValidate onSubmit={(event) => void handleSubmit(put)(event)}>
      <div className="grid sm:grid-cols-2 gap-4">
        {all.map(({ field, wrong, unit }) => (
          <Field key={field.id} label={words.local(field.title)} error={wrong} unit={unit}>
            {(ids) => <input {...ids} {...register(field.id)} inputMode="decimal" autoComplete="off" maxLength={20} />}
          </Field>
        ))}
      </div>
      <p className="small text-ink2">
        {words.tell(way.formula)} ({words.local(way.source)})
      </p>
      {answer?.problem || outside ? (
        <p role="alert" className="error">
          {answer?.problem ?? outside}
        </p>
      ) : null}
      <p className="text-[17px]" role="status">
        {answer?.value !== undefined ? (
          <>
            {words.local(question.title)} <b>{words.say(answer.value, question.quantity)}</b>
          </>
        ) : (
          'Fill in what was measured.'
        )}
      </p>
      <Button type="submit" disabled={answer?.value === undefined || outside !== undefined}>
        Put it in
      </Button>
    </form>
  )
}

/** A measured figure as it was typed: its value, its unit, and what is wrong with it; nothing typed is not wrong yet. */
function readMeasured(
  { title, quantity, low, high }: Way['fields'][number],
  text: string,
  preferences: UnitPreferences,
) {
  const view = quantityView(quantity, preferences)
  const read = parseQuantity(text, quantity, preferences)
  const si = read.ok ? read.si : undefined
  const say = (value: number) => formatQuantity(value, quantity, preferences)
  const fits = si !== undefined && si >= low - 1e-9 && si <= high + 1e-9
  return {
    si,
    unit: view.label,
    wrong:
      text.trim() === '' || fits
        ? undefined
        : `${title} is ${text.slice(0, 30)}: it takes ${say(low)} to ${say(high)}.`,
  }
}

function outcome(way: Way, values: Readonly<Record<string, number>>): { value?: number; problem?: string } {
  try {
    const value = way.run(values)
    return Number.isFinite(value) ? { value } : { problem: 'These figures give no answer together.' }
  } catch (error) {
    return { problem: `${error instanceof Error ? error.message : 'These figures give no answer together'}.` }
  }
}
