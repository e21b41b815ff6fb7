import { type LoopKind, loopKinds } from './ids'
import type { KindFacts } from './kind'
import * as list from './list'

export { type LoopKind, loopKinds } from './ids'

const known: readonly KindFacts<LoopKind>[] = Object.values(list)
const missing = loopKinds.filter((kind) => !known.some(({ id }) => id === kind))
if (missing.length > 0) throw new Error(`list.ts has no line for: ${missing.join(', ')}`)

/** What is known of each kind of loop, as they are listed. */
export const kindFacts = Object.fromEntries(
  loopKinds.map((kind) => [kind, known.find(({ id }) => id === kind)]),
) as unknown as Readonly<Record<LoopKind, KindFacts<LoopKind>>>

/** What is known of a kind of loop. */
export const factsOfKind = (kind: LoopKind): KindFacts<LoopKind> => kindFacts[kind]
