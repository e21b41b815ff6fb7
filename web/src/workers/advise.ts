import { wrap } from 'comlink'
import type { TriedAdvice } from '@nachtigal/core/check/triedAdvice'
import type { FieldData } from '@nachtigal/core/plant/fieldValue'
import type { RunWeather } from '@nachtigal/core/simulate/loop/runWeather'
import type { Edited } from '@nachtigal/core/wiring/edited'
import type { AdviseWorker } from './adviseWorker'

interface Advising {
  readonly result: Promise<TriedAdvice | undefined>
  /** Ends the worker; the promise never settles then. */
  readonly cancel: () => void
}

/** Tries in a worker of its own what would help a loop under a day. */
export function advise(edited: Edited, data: FieldData, weather: RunWeather): Advising {
  const worker = new Worker(new URL('./adviseWorker.ts', import.meta.url), { type: 'module' })
  const remote = wrap<AdviseWorker>(worker)
  const broken = new Promise<never>((_, reject) => {
    worker.onerror = () => reject(new Error('its program could not be fetched; is the server running?'))
  })
  return {
    result: Promise.race([remote.advise(edited, data, weather), broken]).finally(() => worker.terminate()),
    cancel: () => worker.terminate(),
  }
}
