import type { Worker } from 'node:worker_threads'
import { type Remote, wrap } from 'comlink'
import nodeEndpoint from 'comlink/dist/esm/node-adapter.mjs'
import type { ErrorCode } from '@nachtigal/contract/errors'
import type { FieldData } from '@nachtigal/core/plant/fieldValue'
import { AppError } from '../appError'
import { startWorker } from '../threads/startWorker'
import type { MakeSheet, SheetOrder } from './sheetMaker'

export type SheetAnswer =
  | { readonly ok: true; readonly file: Uint8Array }
  | {
      readonly ok: false
      readonly code: ErrorCode
      readonly message: string
      readonly facts: Readonly<Record<string, unknown>>
    }

/** What the thread is given when it starts. */
export interface SheetGiven {
  readonly data: FieldData
  /** Folder of the packages that bring the fonts. */
  readonly modules: string
}

interface Maker {
  answer(order: SheetOrder): Promise<SheetAnswer>
}

/** Sheets that may wait for their turn; whoever comes then is asked to come again. */
const MOST_WAITING = 40

/** Makes sheets in a thread of its own, one after another; it is started with the first one, and anew when it broke. */
export function sheetThread(given: SheetGiven): { readonly makeSheet: MakeSheet; readonly close: () => Promise<void> } {
  let running: { readonly worker: Worker; readonly maker: Remote<Maker>; readonly gone: Promise<never> } | undefined
  let waiting = 0
  const start = () => {
    const worker = startWorker(import.meta.url, 'sheetWorker', given)
    const gone = new Promise<never>((_, reject) => {
      const lost = (why: unknown) => {
        if (running?.worker === worker) running = undefined
        reject(new Error(`the thread that makes sheets ended: ${String(why)}`))
      }
      worker.once('error', lost)
      worker.once('exit', lost)
    })
    gone.catch(() => undefined)
    // A server that ends does not wait for it.
    worker.unref()
    running = { worker, maker: wrap<Maker>(nodeEndpoint(worker)), gone }
    return running
  }
  return {
    makeSheet: async (order) => {
      if (waiting >= MOST_WAITING)
        throw new AppError('TOO_MANY_REQUESTS', 'many sheets are being made just now; ask again in a moment')
      waiting++
      try {
        const { maker, gone } = running ?? start()
        const answer = await Promise.race([maker.answer(order), gone])
        if (!answer.ok) throw new AppError(answer.code, answer.message, answer.facts)
        return answer.file
      } finally {
        waiting--
      }
    },
    close: async () => {
      await running?.worker.terminate()
    },
  }
}
