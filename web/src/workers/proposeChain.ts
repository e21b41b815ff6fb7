import { wrap } from 'comlink'
import type { FieldData } from '@nachtigal/core/plant/fieldValue'
import type { DeviceProfile } from '@nachtigal/core/device/deviceProfile'
import type { Edited } from '@nachtigal/core/wiring/edited'
import type { ProposeWorker } from './proposeWorker'

interface Proposing {
  readonly result: Promise<Edited | { readonly lacks: string }>
  /** Ends the worker; the promise never settles then. */
  readonly cancel: () => void
}

/** Finds the chain of a proposal in a worker of its own. */
export function proposeChain(edited: Edited, shelf: readonly DeviceProfile[], data: FieldData): Proposing {
  const worker = new Worker(new URL('./proposeWorker.ts', import.meta.url), { type: 'module' })
  const remote = wrap<ProposeWorker>(worker)
  const broken = new Promise<never>((_, reject) => {
    worker.onerror = () => reject(new Error('its program could not be fetched; is the server running?'))
  })
  return {
    result: Promise.race([remote.propose(edited, shelf, data), broken]).finally(() => worker.terminate()),
    cancel: () => worker.terminate(),
  }
}
