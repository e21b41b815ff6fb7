import type { LoopDocument } from '../document/documents'
import { isAssumed } from '../kinds/answersOf'
import { askedQuestions, type LoopSurvey } from './surveyResult'

/**
 * The questions that nothing waits for: an estimate, or what is usual, stands in for each until somebody knows better. In order. One that keeps
 * first live shut is none, whatever is assumed meanwhile.
 */
export const assumedQuestions = (loop: Pick<LoopDocument, 'kind' | 'survey'>, survey: LoopSurvey | undefined) =>
  askedQuestions(loop).filter(
    ({ id, required, safety }) =>
      !required && safety !== true && (isAssumed(loop, id) || survey?.figures[id]?.source === 'estimate'),
  )
