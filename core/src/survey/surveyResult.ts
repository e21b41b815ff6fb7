import { answersOf } from '../kinds/answersOf'
import type { LoopDocument } from '../document/documents'
import type { ResolvedChain } from '../document/chain'
import type { FieldData } from '../plant/fieldValue'
import { askedOf } from './asked'
import { type SurveyFigure } from '../kinds/asked'
import { factsOfKind } from '../kinds/kinds'
import { isAsked } from '../kinds/question'
import type { Reckoned } from '../kinds/reckoned'

export type { CalcCall, SurveyFigure } from '../kinds/asked'

/** What the answers of a survey mean: every figure, the plant as the probe sees it, and the lines that tell it. */
export interface LoopSurvey extends Reckoned {
  readonly figures: Readonly<Record<string, SurveyFigure>>
}

export type SurveyOutcome =
  { readonly ok: true; readonly survey: LoopSurvey } | { readonly ok: false; readonly missing: readonly string[] }

/** The questions that are asked of this loop, given its answers so far. */
export const askedQuestions = (loop: Pick<LoopDocument, 'kind' | 'survey'>) =>
  factsOfKind(loop.kind).questions.filter((question) => isAsked(question, answersOf(loop)))

/** The required questions that have no answer yet, in order. */
export const openQuestions = (loop: Pick<LoopDocument, 'kind' | 'survey'>) =>
  askedQuestions(loop).filter(({ id, required }) => required && answersOf(loop)[id] === undefined)

/** The questions that somebody may be hurt by, asked of this loop and answered by nobody, in order. */
export const unansweredSafety = (loop: Pick<LoopDocument, 'kind' | 'survey'>) =>
  askedQuestions(loop).filter(({ id, safety }) => safety === true && loop.survey.answers[id] === undefined)

/**
 * What the survey answers mean: every figure answered, told by the chain or estimated, and the plant they make.
 * What was measured comes first, then the plates of the very devices, answers, what devices of the shelf usually have; estimates fill in with
 * their spread and their source.
 */
export function surveyResult(
  loop: Pick<LoopDocument, 'kind' | 'survey'>,
  chain: ResolvedChain,
  data: FieldData,
): SurveyOutcome {
  const open = openQuestions(loop)
  if (open.length > 0) return { ok: false, missing: open.map(({ title }) => title) }
  const asked = askedOf(loop, chain, data)
  const reckoned = factsOfKind(loop.kind).reckon(asked)
  return { ok: true, survey: { ...reckoned, figures: asked.figures } }
}
