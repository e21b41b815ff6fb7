import { type Remote, wrap } from 'comlink'
import type { DeviceProfile } from '@nachtigal/core/device/deviceProfile'
import type { LoopDocument } from '@nachtigal/core/document/documents'
import type { FieldData } from '@nachtigal/core/plant/fieldValue'
import type { Edited } from '@nachtigal/core/wiring/edited'
import type { RemedyWorker } from './remedyWorker'

interface Asked {
  readonly edited: Edited
  readonly loops: readonly LoopDocument[]
  readonly data: FieldData
  readonly shelf: readonly DeviceProfile[]
  readonly of: { readonly finding: string } | { readonly connection: string }
}

let remote: Remote<RemedyWorker> | undefined
let broken: Promise<never> | undefined
let known: readonly [FieldData, readonly DeviceProfile[]] | undefined

/** Starts the one worker that tries remedies; one that could not be fetched is started anew when it is asked next. */
function begin(): Remote<RemedyWorker> {
  if (remote) return remote
  const worker = new Worker(new URL('./remedyWorker.ts', import.meta.url), { type: 'module' })
  broken = new Promise<never>((_, reject) => {
    worker.onerror = () => {
      remote = undefined
      known = undefined
      worker.terminate()
      reject(new Error('its program could not be fetched; is the server running?'))
    }
  })
  // Whoever asks hears of it; nobody may be asking.
  broken.catch(() => undefined)
  remote = wrap<RemedyWorker>(worker)
  return remote
}

/** What the button of a remedy says, once it was tried on a copy in a worker and helps; null where it does not. */
export async function tryRemedy({ edited, loops, data, shelf, of }: Asked): Promise<string | null> {
  const worker = begin()
  if (known?.[0] !== data || known[1] !== shelf) {
    known = [data, shelf]
    await Promise.race([worker.know(data, shelf), broken!])
  }
  return Promise.race([worker.say(edited, loops, of), broken!])
}
