import './survey.css'
import { useAct } from '../../loop/useAct'
import { answerQuestions } from '@nachtigal/core/actions/answerQuestions'
import { useState } from 'react'
import { type ChoiceQuestion, offeredIn, type NumberQuestion, type Question } from '@nachtigal/core/kinds/question'
import { answersOf, isAssumed } from '@nachtigal/core/kinds/answersOf'
import { assumedQuestions } from '@nachtigal/core/survey/assumed'
import { askedQuestions } from '@nachtigal/core/survey/surveyResult'
import { ways } from '@nachtigal/core/survey/ways'
import { figureSources } from '@nachtigal/core/survey/figureSources'
import { formatValue } from '@nachtigal/core/units/quantity'
import { useLoop } from '../../loop/loopContext'
import { WorkedSum } from '../../loop/Worked'
import { ChoiceField } from '../../design/ChoiceField'
import { NumberField } from '../../design/NumberField'
import { Opens } from '../../design/Opens'
import { WaysDialog } from './WaysDialog'

/**
 * The questions of one group. Where fitters disagree every choice stands there with what follows from it. What an estimate
 * stands in for is folded.
 */
export function QuestionsPart({ group }: { group: string }) {
  const { loop } = useLoop()
  const mine = askedQuestions(loop).filter((question) => question.group === group)
  const schools = mine.filter(
    (question): question is ChoiceQuestion => question.ask === 'choice' && question.school === true,
  )
  const plain = mine.filter((question) => !schools.includes(question as ChoiceQuestion))
  const [needed, assumed] = useFolded(plain)
  return (
    <div className="grid gap-5">
      <Questions questions={needed} />
      <div className="grid gap-x-6 gap-y-5 lg:grid-cols-2">
        {schools.map((question) => (
          <School key={question.id} question={question} />
        ))}
      </div>
      {assumed.length > 0 ? (
        <details className="assumed">
          <summary>
            Assumed: {assumed.length}.{' '}
            <span className="font-normal text-ink2">Estimates stand in. Answer what you know better.</span>
          </summary>
          <Questions questions={assumed} />
        </details>
      ) : null}
    </div>
  )
}

/**
 * What is to be answered, and what is assumed. A question stays where it stood when the part was opened: a field that moved
 * while one types would be lost. Where nothing else is asked nothing is folded.
 */
function useFolded(
  questions: readonly Question[],
): readonly [needed: readonly Question[], assumed: readonly Question[]] {
  const { loop, survey } = useLoop()
  const [folded] = useState(() =>
    assumedQuestions(loop, survey).flatMap(({ id, opens, assumed }) => (opens === true || assumed ? [] : [id])),
  )
  const assumed = questions.filter(({ id }) => folded.includes(id))
  return assumed.length === questions.length
    ? [questions, []]
    : [questions.filter((question) => !assumed.includes(question)), assumed]
}

function Questions({ questions }: { questions: readonly Question[] }) {
  return questions.length === 0 ? null : (
    <div className="grid gap-x-6 gap-y-4 sm:grid-cols-2 xl:grid-cols-3">
      {questions.map((question) => (
        <Asked key={question.id} question={question} />
      ))}
    </div>
  )
}

function useAnswer(id: string) {
  const { loop } = useLoop()
  const act = useAct()
  const put = (value: number | string | undefined) =>
    act(answerQuestions, value === undefined ? { answers: {}, none: [id] } : { answers: { [id]: value } })
  return [loop.survey.answers[id], put] as const
}

/** Stands before the hint of a question that keeps first live and signing shut. */
const SAFETY = 'Safety: first live and signing wait for it. '

function Asked({ question }: { question: Question }) {
  return question.ask === 'choice' ? <Chosen question={question} /> : <Counted question={question} />
}

/** What to look for; before it, that something waits for the answer. */
function useHint({ id, hint, safety }: Question): string {
  const { loop, words } = useLoop()
  return `${safety === true && loop.survey.answers[id] === undefined ? SAFETY : ''}${words.tell(hint)}`
}

function Chosen({ question }: { question: ChoiceQuestion }) {
  const { job, words } = useLoop()
  const [answer, put] = useAnswer(question.id)
  const chosen = typeof answer === 'string' ? question.choices[answer] : undefined
  const assumed = useAssumed(question)
  const hint = useHint(question)
  return (
    <div>
      <ChoiceField
        label={words.tell(question.title)}
        value={typeof answer === 'string' ? answer : undefined}
        onChoose={put}
        hint={`${hint}${chosen ? ` ${words.tell(chosen.consequence)}` : ''}`}
        {...(question.required
          ? {}
          : { empty: assumed ? `assumed: ${words.tell(assumed.title).toLowerCase()}` : 'don\u2019t know' })}
        choices={offeredIn(question, job.practice, answer).map(([value, choice]) => ({
          value,
          title: words.tell(choice.title),
        }))}
      />
      <p className="small text-ink2 pt-1" aria-hidden>
        {chosen ? words.tell(chosen.consequence) : hint}
      </p>
    </div>
  )
}

/** The choice that counts while nobody answered; none where nothing is assumed. */
function useAssumed({ id, choices }: ChoiceQuestion) {
  const { loop } = useLoop()
  return isAssumed(loop, id) ? choices[String(answersOf(loop)[id])] : undefined
}

function School({ question }: { question: ChoiceQuestion }) {
  const { job, words } = useLoop()
  const assumed = useAssumed(question)
  const [answer, put] = useAnswer(question.id)
  return (
    <fieldset className="min-w-0">
      <legend className="lab mb-1">
        {words.tell(question.title)} <span className="small">{words.tell(question.hint)}</span>
      </legend>
      {offeredIn(question, job.practice, answer).map(([value, { title, consequence }]) => (
        <label
          key={value}
          className={`flex gap-3 items-start px-3 py-2 border-t last:border-b border-line cursor-pointer min-h-12 ${answer === value ? 'chosen' : 'hover:bg-mark'}`}
        >
          <input
            type="radio"
            name={question.id}
            value={value}
            checked={answer === value}
            onChange={() => put(value)}
            className="mt-1 accent-ink size-4 flex-none"
          />
          <span>
            <span className="block cond text-[17px] leading-5 font-semibold">
              {words.tell(title)}
              {assumed === question.choices[value] ? <span className="small font-normal"> (assumed)</span> : null}
            </span>
            <span className="block small font-normal">{words.tell(consequence)}</span>
          </span>
        </label>
      ))}
    </fieldset>
  )
}

function Counted({ question }: { question: NumberQuestion }) {
  const { loop, preferences, survey, words } = useLoop()
  const [answer, put] = useAnswer(question.id)
  const [working, setWorking] = useState(false)
  const { id, quantity } = question
  const title = words.tell(question.title)
  const hint = useHint(question)
  const figure = survey?.figures[id]
  // What was measured is the answer; a plate may count before it.
  const own = figure?.source === 'answer' || figure?.source === 'measured'
  const filled = figure && !own && figure.value !== answer ? figure : undefined
  const say = (value: number) => formatValue(value, quantity, preferences)
  const range =
    filled?.low !== undefined && filled.high !== undefined ? ` ${say(filled.low)} to ${say(filled.high)}` : ''
  const taken = loop.survey.ways?.[id]
  const aside = filled ? (
    <Opens
      className="sum small"
      label={`${title}: where it comes from`}
      trigger={
        filled.source === 'estimate'
          ? `est.${range}`
          : `${figureSources[filled.source]}${typeof answer === 'number' ? ` ${say(filled.value)} counts` : ''}`
      }
    >
      {filled.worked ? <WorkedSum call={filled.worked} /> : null}
      <p className="mt-2">{words.tell(filled.why)}</p>
      <p className="mt-1 text-ink2">{hint}</p>
    </Opens>
  ) : taken ? (
    ways[taken.way]?.title.toLowerCase()
  ) : undefined
  return (
    <div>
      <NumberField
        label={title}
        draftKey={`${loop.id}/answer/${id}`}
        value={typeof answer === 'number' ? answer : undefined}
        fact={figure && (own || answer === undefined) ? id : undefined}
        quantity={quantity}
        preferences={preferences}
        low={question.low}
        high={question.high}
        onCommit={put}
        hint={hint}
        aside={aside}
        placeholder={filled ? say(filled.value) : ''}
      />
      <p className="small text-ink2 pt-1">
        <span aria-hidden>{hint}</span>{' '}
        {question.ways ? (
          <button
            type="button"
            className="third max-md:min-h-12"
            onClick={() => setWorking(true)}
            aria-label={`Work out: ${title}`}
          >
            Work it out
          </button>
        ) : null}
      </p>
      {question.ways ? <WaysDialog question={question} open={working} onClose={() => setWorking(false)} /> : null}
    </div>
  )
}
