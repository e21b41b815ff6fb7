import type { KindFacts } from './kind'
import * as list from './list'

/** A kind of loop, by its id. */
export type LoopKind = (typeof list)[keyof typeof list]['id']

const inOrder: readonly KindFacts<LoopKind>[] = Object.values(list).sort((a, b) => a.order - b.order)

/** The kinds of loop, as they are listed. */
export const loopKinds: readonly LoopKind[] = inOrder.map(({ id }) => id)

/** What is known of each kind of loop. */
export const kindFacts = Object.fromEntries(inOrder.map((kind) => [kind.id, kind])) as Readonly<
  Record<LoopKind, KindFacts<LoopKind>>
>

/** What is known of a kind of loop. */
export const factsOfKind = (kind: LoopKind): KindFacts<LoopKind> => kindFacts[kind]
