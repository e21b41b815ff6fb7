import type { Practice } from '../units/practice'
import type { Answers } from './answers'
import { factsOfKind, type LoopKind } from './kinds'
import type { Question } from './question'

/** What is enough to begin a loop with: what it must hold, and what it switches. In the order in which it is asked. */
export const openingQuestions = (kind: LoopKind): readonly Question[] =>
  factsOfKind(kind).questions.filter(({ opens }) => opens === true)

/** The mains that nearly every place of a practice has; none for what runs on a battery. */
export const usualAnswers = (kind: LoopKind, practice: Practice): Answers =>
  factsOfKind(kind).battery ? {} : { mainsAtHand: practice === 'us' ? '240' : '230' }
