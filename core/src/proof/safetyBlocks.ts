import type { LoopContext } from '../check/context'
import { judgeRow } from '../wiring/judgeRow'
import { deadSteps } from './deadSteps'
import { isolateSteps } from './isolateSteps'
import { liveSteps } from './liveSteps'
import { type SafetyBlockId, type SafetyStep, safetyBlockIds } from './safetyStep'

export interface SafetyBlocks {
  readonly steps: Readonly<Record<SafetyBlockId, readonly SafetyStep[]>>
  /** Why first live stays shut; empty when it is open. */
  readonly shutBy: readonly string[]
  /** Safety tests that failed: the sheet prints "not proved, do not energise". */
  readonly failed: readonly SafetyStep[]
  readonly done: Readonly<Record<SafetyBlockId, number>>
}

const passed = ({ verdict, forbids }: SafetyStep) => (verdict === 'good' || verdict === 'look-again') && !forbids

/**
 * The three blocks before a loop gets power, made from its list: isolate and prove dead, the dead tests with earth first, first live.
 * First live opens only when every step before it that must pass has passed; a failed one is never reasoned away.
 */
export function safetyBlocks(context: LoopContext): SafetyBlocks {
  const known = made.get(context)
  if (known) return known
  const blocks = make(context)
  made.set(context, blocks)
  return blocks
}

/** Rules, stage and sheet all ask for the same context. */
const made = new WeakMap<LoopContext, SafetyBlocks>()

function make(context: LoopContext): SafetyBlocks {
  const steps = { isolate: isolateSteps(context), dead: deadSteps(context), live: liveSteps(context) }
  const before = [...steps.isolate, ...steps.dead]
  const failed = [...before, ...steps.live].filter(({ forbids, verdict }) => forbids && verdict !== 'waiting')
  const wires = context.rows.filter((row) => judgeRow(context, row).verdict === 'stop')
  const waiting = before.filter((step) => step.must && !passed(step) && !failed.includes(step))
  return {
    steps,
    failed,
    shutBy: [
      ...failed.filter(({ block }) => block !== 'live').map(({ title, cause }) => `${title}: ${cause ?? 'failed'}`),
      ...wires.map(({ number }) => `Wire ${number} failed its test.`),
      ...waiting.map(({ title }) => `${title}: waits.`),
    ],
    done: Object.fromEntries(safetyBlockIds.map((id) => [id, steps[id].filter(passed).length])) as SafetyBlocks['done'],
  }
}
