import { answersOf } from '../kinds/answersOf'
import type { Answer } from '../kinds/answers'
import type { Question } from '../kinds/question'
import { remembered } from '../memory/remembered'
import { askedQuestions } from '../survey/surveyResult'
import { type LoopContext, loopContext } from './context'
import { loopFacts } from './facts'

/** Share by which a number is moved to see what follows it. */
const NUDGE = 0.1

/** Other answers that a question could have: every other choice, or a number a little to either side and at its bounds. */
function otherAnswers(question: Question, answer: Answer | undefined): readonly Answer[] {
  if (question.ask === 'choice') return Object.keys(question.choices).filter((choice) => choice !== answer)
  const { low, high } = question
  const at = typeof answer === 'number' ? answer : (low + high) / 2
  const by = Math.max(Math.abs(at), (high - low) / 100) * NUDGE
  // The ends show what counts only beyond some figure.
  return [at + by, at - by, low, high].filter((value) => value >= low && value <= high && value !== answer)
}

/** A loop with one answer other than it is. */
export const answeredOtherwise = (context: LoopContext, question: string, answer: Answer): LoopContext => {
  const { job, loop, data } = context
  const { [question]: _said, ...ways } = loop.survey.ways ?? {}
  const survey = { ...loop.survey, ways, answers: { ...loop.survey.answers, [question]: answer } }
  return loopContext(job, { ...loop, survey }, data)
}

/** Ids of the facts that both states of a loop have, and that differ. */
export function movedFacts(before: LoopContext, after: LoopContext): readonly string[] {
  const other = loopFacts(after)
  return [...loopFacts(before).values()].flatMap(({ id, value }) => {
    const there = other.get(id)
    return there && there.value !== value ? [id] : []
  })
}

/**
 * The questions that each fact is made from, by its id: each answer is changed alone, and whatever moves with it is made from it. What is made from
 * the plan or the plates alone has none.
 */
export const madeFrom = remembered((context: LoopContext): ReadonlyMap<string, readonly string[]> => {
  const made = new Map<string, string[]>([...loopFacts(context).keys()].map((id) => [id, []]))
  for (const question of askedQuestions(context.loop)) {
    const moved = new Set(
      otherAnswers(question, answersOf(context.loop)[question.id]).flatMap((answer) =>
        movedFacts(context, answeredOtherwise(context, question.id, answer)),
      ),
    )
    for (const id of moved) made.get(id)?.push(question.id)
  }
  return made
})
