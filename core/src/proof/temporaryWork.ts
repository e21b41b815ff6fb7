import { type LoopContext, loopContext } from '../check/context'
import { ordered } from '../job/chain'
import type { JobDocument, LoopDocument, Temporary } from '../job/documents'
import type { FieldData } from '../plant/fieldValue'
import { proofTests } from './proofTests'
import type { SafetyStep } from './safetyStep'

/** Under which name the temporary list keeps what a step of first live makes itself. */
export const duringStep = ({ block, id }: Pick<SafetyStep, 'block' | 'id'>): string => `${block}/${id}`
/** The same for a test of what was planned. */
export const duringTest = (test: string): string => `${TEST}${test}`
const TEST = 'test/'

/**
 * What of the temporary list keeps first live shut: everything but what a running step of first live, or a running test, has made
 * itself. A step that is answered, a test that is not good, lets nothing through any more.
 */
export function keepsShut(context: LoopContext, live: readonly SafetyStep[]): readonly Temporary[] {
  const all = ordered(context.loop.temporary)
  if (all.length === 0) return []
  const running = new Set(live.filter(({ verdict }) => verdict === 'waiting').map(duringStep))
  if (all.some(({ during }) => during?.startsWith(TEST)))
    for (const { id, result } of proofTests(context)) if (result.verdict === 'waiting') running.add(duringTest(id))
  return all.filter(({ during }) => during === undefined || !running.has(during))
}

/** The list without what a step or a test has made, now that it has ended. */
export const withoutDuring = (temporary: LoopDocument['temporary'], during: string): LoopDocument['temporary'] =>
  Object.fromEntries(Object.entries(temporary).filter(([, entry]) => entry.during !== during))

/** A loop after a reading: a test that came out good has put back what it made, so its entries end. One that failed leaves them. */
export function endedByTests(job: JobDocument, loop: LoopDocument, data: FieldData): LoopDocument {
  if (!Object.values(loop.temporary).some(({ during }) => during?.startsWith(TEST))) return loop
  const good = proofTests(loopContext(job, loop, data)).filter(({ result }) => result.verdict === 'good')
  return {
    ...loop,
    temporary: good.reduce((left, { id }) => withoutDuring(left, duringTest(id)), loop.temporary),
  }
}
