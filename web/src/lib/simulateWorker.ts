import { expose, transfer } from 'comlink'
import type { Scenario } from '@nachtigal/core/simulate/scenario'
import { simulate } from '@nachtigal/core/simulate/simulate'

const worker = {
  /** Runs a scenario off the page's thread; the traces are handed over, not copied. */
  run(scenario: Scenario, onProgress: (share: number) => void) {
    const result = simulate(scenario, {
      onProgress: (share) => {
        void onProgress(share)
      },
    })
    const { timeS, nodes, drives } = result.trace
    return transfer(
      result,
      [timeS, ...Object.values(nodes), ...Object.values(drives)].map(({ buffer }) => buffer as ArrayBuffer),
    )
  },
}

export type SimulateWorker = typeof worker

expose(worker)
