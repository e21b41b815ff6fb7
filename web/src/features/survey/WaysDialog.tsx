import { useAct } from '../../loop/useAct'
import { answerByWay } from '@nachtigal/core/actions/answerByWay'
import { useState } from 'react'
import type { NumberQuestion } from '@nachtigal/core/kinds/question'
import { type Way, ways } from '@nachtigal/core/survey/ways'
import { parseNumber } from '@nachtigal/core/units/parseNumber'
import { formatQuantity, formatValue, quantityView } from '@nachtigal/core/units/quantity'
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
            choices={offered.map(({ id, title }) => ({ value: id, title }))}
          />
        ) : (
          <h3 className="h3">{way.title}</h3>
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
  const { preferences, words } = useLoop()
  const act = useAct()
  const [typed, setTyped] = useState<Readonly<Record<string, string>>>(() =>
    Object.fromEntries(
      way.fields.flatMap(({ id, quantity, typical }) => {
        const value = begun[id] ?? typical
        return value === undefined ? [] : [[id, format(value, quantity)]]
      }),
    ),
  )
  const read = way.fields.map((field) => {
    const view = quantityView(field.quantity, preferences)
    const text = typed[field.id] ?? ''
    const number = parseNumber(text)
    const si = number.ok ? view.toSi(number.value) : undefined
    const say = (value: number) => formatQuantity(value, field.quantity, preferences)
    const wrong =
      text.trim() === ''
        ? undefined
        : si === undefined || si < field.low - 1e-9 || si > field.high + 1e-9
          ? `${field.title} is ${text.slice(0, 30)}: it takes ${say(field.low)} to ${say(field.high)}.`
          : undefined
    return { field, text, si, wrong, unit: view.label }
  })
  const values = Object.fromEntries(read.flatMap(({ field, si }) => (si === undefined ? [] : [[field.id, si]])))
  const whole = read.every(({ si, wrong }) => si !== undefined && wrong === undefined)
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
    <form
      className="grid gap-4"
      onSubmit={(event) => {
        event.preventDefault()
        put()
      }}
    >
      <div className="grid sm:grid-cols-2 gap-4">
        {read.map(({ field, text, wrong, unit }) => (
          <Field key={field.id} label={field.title} error={wrong} unit={unit}>
            {(ids) => (
              <input
                {...ids}
                inputMode="decimal"
                autoComplete="off"
                maxLength={20}
                value={text}
                onChange={(event) => setTyped({ ...typed, [field.id]: event.target.value })}
              />
            )}
          </Field>
        ))}
      </div>
      <p className="small text-ink2">
        {way.formula} ({way.source})
      </p>
      {answer?.problem || outside ? (
        <p role="alert" className="error">
          {answer?.problem ?? outside}
        </p>
      ) : null}
      <p className="text-[17px]" role="status">
        {answer?.value !== undefined ? (
          <>
            {question.title} <b>{words.say(answer.value, question.quantity)}</b>
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

function outcome(way: Way, values: Readonly<Record<string, number>>): { value?: number; problem?: string } {
  try {
    const value = way.run(values)
    return Number.isFinite(value) ? { value } : { problem: 'These figures give no answer together.' }
  } catch (error) {
    return { problem: `${error instanceof Error ? error.message : 'These figures give no answer together'}.` }
  }
}
