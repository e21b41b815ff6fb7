import { useCallback, useEffect, useMemo, useRef, useState } from 'react'
import { LONG_RUN_MS } from '@nachtigal/core/simulate/longRun'
import type { Scenario } from '@nachtigal/core/simulate/scenario'
import type { StripView } from '@nachtigal/core/simulate/stripView'
import type { RunReport } from '../../workers/simulateWorker'
import type { Simulator } from '../../workers/simulator'

export interface RunState {
  readonly status: 'idle' | 'running' | 'long' | 'done' | 'failed' | 'stopped'
  readonly share: number
  /** Long enough to show how far it is. */
  readonly slow: boolean
  readonly message?: string | undefined
  /** What one that is long, and was not begun for that, would take. */
  readonly takesMs?: number | undefined
  /** The last run that came through, and what it was a run of. */
  readonly report: RunReport | undefined
  readonly of: Scenario | undefined
  /** What there is so far of a run that takes long, and of what. */
  readonly part: { readonly view: StripView; readonly of: Scenario } | undefined
  /** Counts up with each run that came through. */
  readonly turn: number
  readonly stop: () => void
  readonly again: () => void
  /** Begins one that is long all the same. */
  readonly goAhead: () => void
}

/** Where a run of the same length is drawn, a newer one that takes no longer than this is waited for. */
const HELD_MS = 1000

/** Under this a run needs no progress bar. */
const SOON_MS = 400

/**
 * Runs a scenario off the page's thread whenever it changes; a newer one takes the place of what still runs.
 * The last result stays until there is a new one, so that the strip does not flicker under a hand that drags.
 */
export function useRun(simulator: Simulator, scenario: Scenario | undefined, points: number): RunState {
  const [state, setState] = useState<Omit<RunState, 'stop' | 'again' | 'goAhead'>>({
    ...{ status: 'idle', share: 0, slow: false, turn: 0 },
    report: undefined,
    of: undefined,
    part: undefined,
  })
  const [attempt, setAttempt] = useState(0)
  /** What may take as long as it wants. */
  const wanted = useRef<Scenario>(undefined)
  useEffect(() => {
    if (!scenario) return
    let newest = true
    const begun = performance.now()
    setState((before) => ({ ...before, status: 'running', share: 0, slow: false, message: undefined, part: undefined }))
    const timer = setTimeout(() => {
      if (newest) setState((before) => (before.status === 'running' ? { ...before, slow: true } : before))
    }, SOON_MS)
    simulator.run({
      scenario,
      window: null,
      points,
      mayTakeMs: wanted.current === scenario ? Infinity : LONG_RUN_MS,
      onProgress: (share, view) => {
        if (!newest) return
        const late = performance.now() - begun > HELD_MS
        setState((before) => {
          if (before.status !== 'running') return before
          const shown = late || before.of?.durationS !== scenario.durationS
          return { ...before, share, ...(shown ? { part: { view, of: scenario } } : {}) }
        })
      },
      settle: (report) => {
        clearTimeout(timer)
        setState((before) => ({
          status: newest ? 'done' : before.status,
          share: 1,
          slow: newest ? false : before.slow,
          report,
          of: scenario,
          part: newest ? undefined : before.part,
          turn: before.turn + 1,
        }))
      },
      takesLong: (takesMs) => {
        clearTimeout(timer)
        if (newest) setState((before) => ({ ...before, status: 'long', takesMs, part: undefined }))
      },
      fail: (error) => {
        clearTimeout(timer)
        if (newest) setState((before) => ({ ...before, status: 'failed', message: error.message }))
      },
    })
    return () => {
      newest = false
      clearTimeout(timer)
    }
  }, [simulator, scenario, points, attempt])
  const stop = useCallback(() => {
    simulator.stop()
    setState((before) => ({ ...before, status: 'stopped' }))
  }, [simulator])
  const again = useCallback(() => setAttempt((n) => n + 1), [])
  const goAhead = useCallback(() => {
    wanted.current = scenario
    again()
  }, [scenario, again])
  return useMemo(() => ({ ...state, stop, again, goAhead }), [state, stop, again, goAhead])
}
