import type { LoopContext } from '../loop/context'
import { judgeRow } from '../wiring/judgeRow'
import { deadSteps } from './deadSteps'
import { isolateSteps } from './isolateSteps'
import { liveSteps } from './liveSteps'
import { unansweredSafety } from '../survey/surveyResult'
import { type SafetyBlockId, type SafetyStep, safetyBlockIds } from './safetyStep'
import { keepsShut } from './temporaryWork'
import { remembered } from '../memory/remembered'

interface SafetyBlocks {
  readonly steps: Readonly<Record<SafetyBlockId, readonly SafetyStep[]>>
  /** Why first live stays shut; empty when it is open. */
  readonly shutBy: readonly string[]
  /** Titles of the safety questions that nobody answered. */
  readonly unanswered: readonly string[]
  /** Safety tests that failed: the sheet prints "not proved, do not energise". */
  readonly failed: readonly SafetyStep[]
  readonly done: Readonly<Record<SafetyBlockId, number>>
}

const passed = ({ verdict, forbids, holds }: SafetyStep) =>
  (verdict === 'good' || verdict === 'look-again') && !forbids && !holds

/**
 * The three blocks before a loop gets power, made from its list: isolate and prove dead, the dead tests with earth first, first live.
 * First live opens only when every step before it that must pass has passed, nothing stands on the temporary list but what its own
 * running step made, and every safety question is answered; a failed step is never reasoned away.
 */
export const safetyBlocks = remembered((context: LoopContext): SafetyBlocks => {
  const steps = { isolate: isolateSteps(context), dead: deadSteps(context), live: liveSteps(context) }
  const before = [...steps.isolate, ...steps.dead]
  const failed = [...before, ...steps.live].filter(({ forbids, verdict }) => forbids && verdict !== 'waiting')
  const wires = context.rows.filter((row) => judgeRow(context, row).verdict === 'stop')
  const waiting = before.filter((step) => step.must && !passed(step) && !failed.includes(step))
  const unanswered =
    context.rows.length > 0 ? unansweredSafety(context.loop).map(({ title }) => context.words.local(title)) : []
  return {
    steps,
    failed,
    unanswered,
    shutBy: [
      ...failed.filter(({ block }) => block !== 'live').map(({ title, cause }) => `${title}: ${cause ?? 'failed'}`),
      ...wires.map(({ number }) => `Wire ${number} failed its test.`),
      ...keepsShut(context, steps.live).map(({ what }) => `On the temporary list: ${what}. Take it off first.`),
      ...(unanswered.length > 0 ? [`Safety questions not answered: ${unanswered.join(', ')}. Answer in Survey.`] : []),
      ...waiting.map(({ title, holds, next }) => (holds && next ? `${title}: ${next}` : `${title}: waits.`)),
    ],
    done: Object.fromEntries(safetyBlockIds.map((id) => [id, steps[id].filter(passed).length])) as SafetyBlocks['done'],
  }
})
