import type { LoopDocument } from '@nachtigal/core/document/documents'
import { kindFacts } from '@nachtigal/core/kinds/kinds'
import type { Question } from '@nachtigal/core/kinds/question'
import type { Refusal } from './check'

/**
 * Holds the answers of a loop against its questions: a number where one is asked, within what the question takes, and one of the
 * choices where it gives choices. An answer to a question that this kind of loop does not ask stays as it is.
 */
export function answersRefusal({ kind, survey }: Pick<LoopDocument, 'kind' | 'survey'>): Refusal | undefined {
  for (const question of kindFacts[kind].questions) {
    const answer = Object.hasOwn(survey.answers, question.id) ? survey.answers[question.id] : undefined
    if (answer === undefined || fits(question, answer)) continue
    const field = `survey.answers.${question.id}`
    const allowed =
      question.ask === 'number'
        ? `a number from ${question.low} to ${question.high}`
        : `one of ${Object.keys(question.choices).join(', ')}`
    return { field, message: `${field} is ${JSON.stringify(answer)}: it must be ${allowed}` }
  }
  return undefined
}

const fits = (question: Question, answer: unknown) =>
  question.ask === 'choice'
    ? typeof answer === 'string' && Object.hasOwn(question.choices, answer)
    : typeof answer === 'number' && answer >= question.low && answer <= question.high
