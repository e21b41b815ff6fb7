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

/**
 * Facts of a kind. One that cannot be planned yet, such as a loop from a newer bench's file, has no questions and keeps the
 * strictest rule, so that its job still opens.
 */
export const factsOfKind = (kind: LoopKind): KindFacts =>
  kindFacts[kind] ?? { title: `Loop of kind ${kind}`, about: 'not planned here yet', questions: [], needsLimiter: true }
