import { useNavigate } from 'react-router'
import type { Question } from '@nachtigal/core/survey/question'
import { hazardsOf } from '@nachtigal/core/survey/hazards'
import { factsOfKind } from '@nachtigal/core/survey/kindFacts'
import { formatQuantity, formatValue } from '@nachtigal/core/units/quantity'
import { Cautions } from '../../loop/Cautions'
import { Findings } from '../../loop/Findings'
import { useLoop } from '../../loop/loopContext'
import { useSend } from '../../loop/useSend'
import { Worked, WorkedSum } from '../../loop/Worked'
import { Button } from '../../ui/Button'
import { ChoiceField } from '../../ui/ChoiceField'
import { NumberField } from '../../ui/NumberField'
import { Opens } from '../../ui/Opens'
import { TextField } from '../../ui/TextField'
import { Tick } from '../../ui/Tick'

/** Stage 1: what is it, what must it hold, what could hurt. */
export function SurveyStage() {
  const { loop, change, open, job } = useLoop()
  const { questions } = factsOfKind(loop.kind)
  const send = useSend(job.id)
  const navigate = useNavigate()
  const groups = [...new Set(questions.map(({ group }) => group))]
  const tick = (id: string, on: boolean) => {
    const { [id]: _gone, ...rest } = loop.survey.hazards
    change({ loop: { ...loop, survey: { ...loop.survey, hazards: on ? { ...rest, [id]: true } : rest } } })
  }
  const takeOut = () => {
    send([{ document: loop.id, path: [], from: loop, to: null }], {
      loopId: loop.id,
      tell: `${loop.name} taken out of the job.`,
    })
    void navigate(`/jobs/${job.id}`)
  }
  return (
    <div className="work">
      <div className="p-4 min-h-0 overflow-auto">
        <div className="grid gap-x-6 gap-y-4 md:grid-cols-3">
          {groups.map((group) => (
            <fieldset key={group} className="grid grid-cols-1 gap-3 content-start min-w-0">
              <legend className="h2 mb-2">{group}</legend>
              {questions
                .filter((question) => question.group === group)
                .map((question) => (
                  <Asked key={question.id} question={question} />
                ))}
            </fieldset>
          ))}
        </div>
        <fieldset className="mt-4 border-t border-line pt-2">
          <legend className="h3 pr-2">What could hurt</legend>
          <div className="grid gap-x-4 md:grid-cols-3">
            {hazardsOf(loop.kind).map(({ id, title }) => (
              <Tick key={id} checked={loop.survey.hazards[id] === true} onChange={(on) => tick(id, on)}>
                {title}
              </Tick>
            ))}
          </div>
        </fieldset>
      </div>
      <aside className="panel" aria-label="What it means">
        <h2 className="h2">What it means</h2>
        <Estimates />
        <TextField
          label="Name of the loop"
          draftKey={`${loop.id}/name`}
          value={loop.name}
          most={80}
          required
          onCommit={(name) => change({ loop: { ...loop, name } })}
        />
        <TextField
          label="Complaint, in the owner’s words"
          draftKey={`${loop.id}/complaint`}
          value={loop.survey.complaint ?? ''}
          most={1000}
          onCommit={(text) => {
            const { complaint: _old, ...rest } = loop.survey
            return change({ loop: { ...loop, survey: text === '' ? rest : { ...rest, complaint: text } } })
          }}
        />
        <Findings findings={open.filter(({ stage }) => stage === 'survey')} none="" />
        <Cautions stage="survey" />
        <button type="button" className="third self-start min-h-8" onClick={takeOut}>
          Take this loop out of the job
        </button>
        <div className="mt-auto action-bar">
          <Button to={`/jobs/${job.id}/loops/${loop.id}/match`}>Match the chain</Button>
        </div>
      </aside>
    </div>
  )
}

function Asked({ question }: { question: Question }) {
  const { loop, change, preferences, survey, words } = useLoop()
  const { id, title, hint } = question
  const answer = loop.survey.answers[id]
  const put = (value: number | string | undefined) => {
    const { [id]: _old, ...rest } = loop.survey.answers
    return change({
      loop: { ...loop, survey: { ...loop.survey, answers: value === undefined ? rest : { ...rest, [id]: value } } },
    })
  }
  if (question.ask === 'choice') {
    const chosen = typeof answer === 'string' ? question.choices[answer] : undefined
    return (
      <div>
        <ChoiceField
          label={title}
          value={typeof answer === 'string' ? answer : undefined}
          onChoose={put}
          hint={`${hint}${chosen ? ` ${words.tell(chosen.consequence)}` : ''}`}
          {...(question.required ? {} : { empty: 'don’t know' })}
          choices={Object.entries(question.choices)
            .sort(([, a], [, b]) => a.order - b.order)
            .map(([value, choice]) => ({ value, title: choice.title }))}
        />
      </div>
    )
  }
  const figure = survey?.figures[id]
  const estimated = figure?.source === 'estimate' ? figure : undefined
  const range =
    estimated?.low !== undefined && estimated.high !== undefined
      ? `${formatValue(estimated.low, question.quantity, preferences)} to ${formatValue(estimated.high, question.quantity, preferences)}`
      : ''
  const aside = estimated ? (
    <Opens className="sum small" label={`${title}: where the estimate comes from`} trigger={`est. ${range}`}>
      {estimated.worked ? <WorkedSum call={estimated.worked} /> : null}
      <p className="mt-2">{estimated.why}</p>
      <p className="mt-1 text-ink2">{hint}</p>
    </Opens>
  ) : undefined
  return (
    <NumberField
      label={title}
      draftKey={`${loop.id}/answer/${id}`}
      value={typeof answer === 'number' ? answer : undefined}
      quantity={question.quantity}
      preferences={preferences}
      low={question.low}
      high={question.high}
      onCommit={put}
      hint={hint}
      aside={aside}
      placeholder={estimated ? formatValue(estimated.value, question.quantity, preferences) : ''}
    />
  )
}

/** Loss, store and power as they stand, each opened to its sum. */
function Estimates() {
  const { survey, missing, preferences } = useLoop()
  if (!survey)
    return (
      <p className="text-ink2">
        Still to find out: {missing.map((title) => title.toLowerCase()).join(', ')}. Then loss, heat stored and power
        are estimated here.
      </p>
    )
  const { figures, plant, plantCall } = survey
  const say = (value: number, quantity: Parameters<typeof formatQuantity>[1]) =>
    formatQuantity(value, quantity, preferences)
  const line = (label: string, value: number, quantity: Parameters<typeof formatQuantity>[1], output: string) => (
    <div className="contents">
      <dt>{label}</dt>
      <dd>
        <Worked label={label} text={say(value, quantity)} call={{ ...plantCall, output }} />
      </dd>
    </div>
  )
  const loss = figures['loss']!
  const stored = figures['capacity']!
  return (
    <dl className="facts">
      <dt>Heat loss</dt>
      <dd>
        {loss.worked ? (
          <Worked label="Heat loss" text={say(loss.value, 'loss')} call={loss.worked} />
        ) : (
          say(loss.value, 'loss')
        )}
      </dd>
      <dt>Heat stored</dt>
      <dd>
        {stored.worked ? (
          <Worked label="Heat stored" text={say(stored.value, 'capacity')} call={stored.worked} />
        ) : (
          say(stored.value, 'capacity')
        )}
      </dd>
      {line('Screed stores', plant.slabJPerK, 'capacity', 'slabJPerK')}
      {line('Into the floor, running', plant.powerW, 'power', 'powerW')}
      {line('Screed at design', plant.designSlabC, 'temperature', 'designSlabC')}
      {line('Room at design', plant.designRoomC, 'temperature', 'designRoomC')}
    </dl>
  )
}
