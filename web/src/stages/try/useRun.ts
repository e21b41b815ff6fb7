import { useCallback, useEffect, useRef, useState } from 'react'
import type { Scenario, SimulationResult } from '@nachtigal/core/simulate/scenario'
import { runSimulation } from '../../lib/runSimulation'

type Run =
  | { readonly status: 'idle' }
  | {
      readonly status: 'running'
      readonly share: number
      /** Long enough to show how far it is. */ readonly slow: boolean
    }
  | { readonly status: 'done' }
  | { readonly status: 'failed'; readonly message: string }
  | { readonly status: 'stopped' }

/** Under this a run needs no progress bar. */
const SOON_MS = 400

/**
 * Runs a scenario off the page's thread whenever it changes; a newer one takes the place of what still runs.
 * The last result stays until there is a new one, so that the strip does not flicker under a hand that drags.
 */
export function useRun(scenario: Scenario | undefined) {
  const [run, setRun] = useState<Run>({ status: 'idle' })
  const [result, setResult] = useState<SimulationResult>()
  const [attempt, setAttempt] = useState(0)
  const cancel = useRef<() => void>(undefined)
  useEffect(() => {
    if (!scenario) return
    let live = true
    setRun({ status: 'running', share: 0, slow: false })
    const move = (change: { share?: number; slow?: boolean }) =>
      setRun((before) => (live && before.status === 'running' ? { ...before, ...change } : before))
    const timer = setTimeout(() => move({ slow: true }), SOON_MS)
    const running = runSimulation(scenario, (share) => move({ share }))
    const end = () => {
      live = false
      clearTimeout(timer)
      running.cancel()
    }
    running.result.then(
      (made) => {
        if (!live) return
        setResult(made)
        setRun({ status: 'done' })
        clearTimeout(timer)
      },
      (error: unknown) => {
        if (live) setRun({ status: 'failed', message: error instanceof Error ? error.message : String(error) })
        clearTimeout(timer)
      },
    )
    cancel.current = end
    return end
  }, [scenario, attempt])
  const stop = useCallback(() => {
    cancel.current?.()
    setRun({ status: 'stopped' })
  }, [])
  const again = useCallback(() => setAttempt((n) => n + 1), [])
  return { run, result, stop, again }
}
