import { remembered, rememberedByWord } from '../memory/remembered'
import type { Answer, Answers } from './answers'
import type { LoopKind } from './ids'
import { factsOfKind } from './kinds'
import { isAsked } from './question'

/** What of a loop its answers are read from. */
export interface Surveyed {
  readonly kind: LoopKind
  readonly survey: { readonly answers: Answers }
}

const filled = remembered((answers: Answers) =>
  rememberedByWord((kind: LoopKind): Answers => {
    const all: Record<string, Answer> = { ...answers }
    for (const question of factsOfKind(kind).questions) {
      const { id, assumed } = question
      if (all[id] !== undefined || !assumed || !isAsked(question, all)) continue
      all[id] = typeof assumed.as === 'function' ? assumed.as(all) : assumed.as
    }
    return all
  }),
)

/**
 * The answers of a loop as they count: those that were given, and what is assumed for the others, in the order of the questions. What is
 * worked out, proposed, planned, run and judged reads these; what was given alone is read only where it matters who said it: questions that
 * keep first live shut, and what stands in a field.
 */
export const answersOf = ({ kind, survey }: Surveyed): Answers => filled(survey.answers)(kind)

/** Whether an answer is assumed: nobody gave it. */
export const isAssumed = (loop: Surveyed, id: string): boolean =>
  loop.survey.answers[id] === undefined && answersOf(loop)[id] !== undefined
