import type { LoopKind } from '../job/documents'
import { floorQuestions } from './floorQuestions'
import type { Question } from './question'

/** What sets one kind of loop apart, as data. */
export interface KindFacts {
  readonly title: string
  readonly about: string
  readonly questions: readonly Question[]
  /** Heat that can run away must have a limiter with its own probe and its own contact. */
  readonly needsLimiter: boolean
}

const floor: KindFacts = {
  title: 'Warm floor',
  about: 'hydronic or electric floor',
  questions: floorQuestions,
  needsLimiter: true,
}

/** Kinds that can be planned so far. */
export const kindFacts: Partial<Record<LoopKind, KindFacts>> = { floor }

/** @throws RangeError naming the kind when it cannot be planned yet */
export function factsOfKind(kind: LoopKind): KindFacts {
  const facts = kindFacts[kind]
  if (!facts) throw new RangeError(`kind ${kind} cannot be planned yet; ${Object.keys(kindFacts).join(', ')} can`)
  return facts
}
