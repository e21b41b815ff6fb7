import type { Answers } from './answers'
import { answersOf } from './answersOf'
import type { LoopKind } from './ids'

/** What is taken for a kind of loop that has these answers: given, else assumed. */
export const takenFor = (kind: LoopKind, answers: Answers): Answers => answersOf({ kind, survey: { answers } })
