import { type LoopContext, loopContext } from '../loop/context'
import { ordered } from '../schema/ordered'
import type { JobDocument, LoopDocument, Temporary } from '../document/documents'
import type { FieldData } from '../plant/fieldValue'
import { liveSteps } from './liveSteps'
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

/**
 * A loop after readings or an answer: a step or a test that came out good has put back what it made, so its entries end. One that failed
 * or cannot be done leaves them, and so does whatever was not just recorded.
 * @param recorded under which names the temporary list keeps what was just recorded
 */
export function endedWork(
  job: JobDocument,
  loop: LoopDocument,
  data: FieldData,
  recorded: readonly string[],
): LoopDocument {
  if (!Object.values(loop.temporary).some(({ during }) => during !== undefined && recorded.includes(during)))
    return loop
  const context = loopContext(job, loop, data)
  const good = new Set([
    ...liveSteps(context)
      .filter(({ verdict }) => verdict === 'good')
      .map(duringStep),
    ...proofTests(context)
      .filter(({ result }) => result.verdict === 'good')
      .map(({ id }) => duringTest(id)),
  ])
  const stays = ({ during }: Temporary) => during === undefined || !recorded.includes(during) || !good.has(during)
  return { ...loop, temporary: Object.fromEntries(Object.entries(loop.temporary).filter(([, entry]) => stays(entry))) }
}
