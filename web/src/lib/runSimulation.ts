import { proxy, wrap } from 'comlink'
import type { Scenario, SimulationResult } from '@nachtigal/core/simulate/scenario'
import type { SimulateWorker } from './simulateWorker'

export interface Running {
  readonly result: Promise<SimulationResult>
  /** Ends the worker; the promise never settles then. */
  readonly cancel: () => void
}

let idle: Worker | undefined

/** Runs a scenario in a worker of its own, kept for the next run unless it is cancelled. */
export function runSimulation(scenario: Scenario, onProgress: (share: number) => void): Running {
  const worker = idle ?? new Worker(new URL('./simulateWorker.ts', import.meta.url), { type: 'module' })
  idle = undefined
  const remote = wrap<SimulateWorker>(worker)
  let over = false
  const result = remote.run(scenario, proxy(onProgress)).finally(() => {
    if (!over) idle = worker
    over = true
  })
  return {
    result,
    cancel() {
      if (over) return
      over = true
      worker.terminate()
    },
  }
}
