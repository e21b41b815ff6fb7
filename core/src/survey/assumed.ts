import type { LoopDocument } from '../document/documents'
import { askedQuestions, type LoopSurvey } from './surveyResult'

/** The questions that nothing waits for: an estimate stands in for each until somebody knows better. In order. */
export const assumedQuestions = (loop: Pick<LoopDocument, 'kind' | 'survey'>, survey: LoopSurvey | undefined) =>
  askedQuestions(loop).filter(
    ({ id, required, safety }) => !required && safety !== true && survey?.figures[id]?.source === 'estimate',
  )
