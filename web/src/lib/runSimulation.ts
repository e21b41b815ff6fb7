import { proxy, wrap } from 'comlink'
import type { Scenario, SimulationResult } from '@nachtigal/core/simulate/scenario'
import type { SimulateWorker } from './simulateWorker'

export interface Running {
  readonly result: Promise<SimulationResult>
  /** Ends the worker; the promise never settles then. */
  readonly cancel: () => void
}

let idle: Worker | undefined

const start = () => new Worker(new URL('./simulateWorker.ts', import.meta.url), { type: 'module' })

/** Has a worker ready before it is asked for, so that the first run waits for nothing and needs no network. */
export function warmWorker() {
  if (idle) return
  const worker = start()
  // One that could not be fetched is no use to anybody: the first run starts its own.
  worker.onerror = () => {
    if (idle === worker) idle = undefined
  }
  idle = worker
}

/** Runs a scenario in a worker of its own, kept for the next run unless it is cancelled or broke. */
export function runSimulation(scenario: Scenario, onProgress: (share: number) => void): Running {
  const worker = idle ?? start()
  idle = undefined
  const remote = wrap<SimulateWorker>(worker)
  let over = false
  // A worker whose program cannot be fetched answers nothing: it only tells of an error.
  const broken = new Promise<never>((_, reject) => {
    worker.onerror = () => reject(new Error('its program could not be fetched; is the server running?'))
  })
  const result = Promise.race([remote.run(scenario, proxy(onProgress)), broken]).then(
    (done) => {
      if (!over) idle = worker
      over = true
      return done
    },
    (error: unknown) => {
      over = true
      worker.terminate()
      throw error
    },
  )
  return {
    result,
    cancel() {
      if (over) return
      over = true
      worker.terminate()
    },
  }
}
