import { remembered } from '../memory/remembered'
import type { Answer } from '../kinds/answers'
import { answersOf } from '../kinds/answersOf'
import type { Question } from '../kinds/question'
import { propose } from '../survey/proposal'
import { assumedQuestions } from '../survey/assumed'
import { type LoopSurvey, surveyResult } from '../survey/surveyResult'
import type { Words } from '../words/words'
import type { LoopContext } from './context'

/** What nobody answered, what is taken for it, and how far that may be off. */
export interface AssumedLine {
  readonly question: string
  readonly title: string
  /** Where it is asked. */
  readonly group: string
  /** What is taken. */
  readonly says: string
  /** What it does to the loop where it is otherwise, in the words of the fitter. */
  readonly effect: string
  /** By how much, as a share of what is moved most; 1 where another chain would be proposed. */
  readonly share: number
}

/** What an assumption is held against, with the label that it has in the line. */
const measures = [
  ['load', 'loadW', 'power'],
  ['heat stored', 'capacityJPerK', 'capacity'],
  ['power', 'powerW', 'power'],
] as const
/** Less than this share is not worth a fitter's time. */
const LITTLE = 0.02

/** What else an answer may be: every other choice, or what the spread of an estimate allows. */
function others(question: Question, answer: Answer | undefined, survey: LoopSurvey): readonly Answer[] {
  if (question.ask === 'choice') return Object.keys(question.choices).filter((choice) => choice !== answer)
  const { value, low = value, high = value } = survey.figures[question.id] ?? { value: 0 }
  return [low, high].filter((each) => each !== value && each >= question.low && each <= question.high)
}

const saysOf = (question: Question, answer: Answer | undefined, survey: LoopSurvey, { say, tell }: Words): string => {
  if (question.ask === 'choice') return tell(question.choices[String(answer)]?.title ?? '').toLowerCase()
  const value = survey.figures[question.id]?.value
  return value === undefined ? '' : say(value, question.quantity)
}

/**
 * What is assumed of a loop, worst effect first: each assumption alone is put as it may also be, and what moves most of load, heat stored and
 * power is told from end to end. Where another chain would be proposed, that counts most.
 */
export const assumedList = remembered((context: LoopContext): readonly AssumedLine[] => {
  const { loop, chain, data, words, survey } = context
  if (!survey) return []
  const answers = answersOf(loop)
  const chainOf = (surveyed: Pick<LoopContext, 'loop' | 'chain' | 'data' | 'words'>, of: LoopSurvey) => {
    const { title, stages, wants } = propose(surveyed, of)
    return JSON.stringify([title, stages, wants])
  }
  const proposed = chainOf(context, survey)
  const lines = assumedQuestions(loop, survey).map((question): AssumedLine => {
    const { id, title, group } = question
    const tried = others(question, answers[id], survey).flatMap((answer) => {
      const other = { ...loop, survey: { ...loop.survey, answers: { ...loop.survey.answers, [id]: answer } } }
      const outcome = surveyResult(other, chain, data)
      return outcome.ok ? [{ of: outcome.survey, loop: other }] : []
    })
    const moved = measures.map(([label, measure, quantity]) => {
      const is = survey.seen[measure]
      const all = [is, ...tried.map(({ of }) => of.seen[measure])]
      const [low, high] = [Math.min(...all), Math.max(...all)]
      const share = is > 0 ? Math.max(high - is, is - low) / is : 0
      return { share, text: `${label} may be ${words.say(low, quantity)} to ${words.say(high, quantity)}` }
    })
    const most = moved.reduce((best, each) => (each.share > best.share ? each : best))
    const another = tried.some((each) => chainOf({ ...context, loop: each.loop }, each.of) !== proposed)
    const effect = most.share >= LITTLE ? most.text : ''
    return {
      question: id,
      ...{ title: words.local(title), group },
      says: saysOf(question, answers[id], survey, words),
      effect: another ? `another chain may fit${effect ? `; ${effect}` : ''}` : effect || 'moves hardly anything',
      share: another ? Math.max(1, most.share) : most.share,
    }
  })
  return lines.sort((one, other) => other.share - one.share)
})
