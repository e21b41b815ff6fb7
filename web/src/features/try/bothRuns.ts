import type { RunState } from './useRun'

/** What is said of a run, or of two that are drawn over each other, and what one can do about it. */
export type RunTold = Pick<RunState, 'status' | 'share' | 'slow' | 'message' | 'takesMs' | 'stop' | 'again' | 'goAhead'>

/** What is said of two runs: the first of these that one of them is. */
const TOLD_FIRST = ['failed', 'long', 'running', 'stopped', 'done', 'idle'] as const

/** Two runs that are waited for together told as one, so that one is asked once and not once for each. */
export function bothRuns(first: RunState, second: RunState | undefined): RunTold {
  if (!second) return first
  const both = [first, second]
  const teller = TOLD_FIRST.flatMap((status) => both.find((each) => each.status === status) ?? [])[0]!
  const takes = both.flatMap(({ status, takesMs }) => (status === 'long' && takesMs !== undefined ? [takesMs] : []))
  // What is done is not run a second time.
  const each = (act: (run: RunState) => void) => () => both.filter(({ status }) => status !== 'done').forEach(act)
  return {
    status: teller.status,
    share: (first.share + second.share) / 2,
    slow: both.some(({ status, slow }) => status === 'running' && slow),
    message: teller.message,
    takesMs: takes.length > 0 ? Math.max(...takes) : undefined,
    stop: each((run) => run.stop()),
    again: each((run) => run.again()),
    goAhead: each((run) => run.goAhead()),
  }
}
