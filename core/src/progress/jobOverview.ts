import { bySeverity, type Severity } from '../check/finding'
import type { LoopOverview } from './loopOverview'
import type { StepState } from './stepStatus'

/** What needs a hand in a job: one line for what several loops need alike. */
export interface JobNeed {
  readonly severity: Severity
  readonly says: string
  /** Loops it stands in, by id; the first one is opened by a tap. */
  readonly loops: readonly string[]
}

/** The needs of all loops of a job, worst first; what several have by the same rule stands once. */
export function jobNeeds(loops: readonly LoopOverview[]): readonly JobNeed[] {
  const byCode = new Map<string, { severity: Severity; says: string; loops: string[] }>()
  for (const { id, needs } of loops)
    for (const { code, severity, says } of needs) {
      const known = byCode.get(code)
      if (!known) byCode.set(code, { severity, says, loops: [id] })
      else if (!known.loops.includes(id)) known.loops.push(id)
    }
  return [...byCode.values()].sort((a, b) => bySeverity(a, b) || b.loops.length - a.loops.length)
}

/** How many loops stand how far in each of the seven steps: done first, then open, look again, stop, waiting. */
export function stepCounts(loops: readonly LoopOverview[]): readonly (readonly StepState[])[] {
  const order: readonly StepState[] = ['done', 'open', 'look', 'stop', 'waiting']
  return Array.from({ length: loops[0]?.states.length ?? 0 }, (_, i) =>
    loops.map(({ states }) => states[i]!).sort((a, b) => order.indexOf(a) - order.indexOf(b)),
  )
}

/** Where one goes on in a job: the loop with the worst need, else the one that is furthest and not done. */
export function whereToGoOn(loops: readonly LoopOverview[]): LoopOverview | undefined {
  const worst = ({ needs }: LoopOverview) => (needs[0] ? (needs[0].severity === 'stop' ? 0 : 1) : 2)
  const done = ({ states }: LoopOverview) => states.filter((state) => state === 'done').length
  return loops
    .filter(({ states, needs }) => needs.length > 0 || states.some((state) => state !== 'done'))
    .sort((a, b) => worst(a) - worst(b) || done(b) - done(a))[0]
}
