import type { DeviceProfile } from '@nachtigal/core/device/deviceProfile'
import type { LoopDocument } from '@nachtigal/core/document/documents'
import type { FieldData } from '@nachtigal/core/plant/fieldValue'
import type { Edited } from '@nachtigal/core/wiring/edited'
import { startAdviser } from './adviser'

interface Asked {
  readonly edited: Edited
  readonly loops: readonly LoopDocument[]
  readonly data: FieldData
  readonly shelf: readonly DeviceProfile[]
  readonly of: { readonly finding: string } | { readonly connection: string }
}

let adviser: ReturnType<typeof startAdviser> | undefined
let known: readonly [FieldData, readonly DeviceProfile[]] | undefined

/** The one worker that tries remedies; one that could not be fetched is started anew when it is asked next. */
function begin() {
  adviser ??= startAdviser(() => {
    adviser = undefined
    known = undefined
  })
  return adviser
}

/** Has the worker ready, and its program at hand, before it is asked: also where the server is gone by then. */
export const warmAdvice = () => void begin()

/** What the button of a remedy says, once it was tried on a copy in a worker and helps; null where it does not. */
export async function tryRemedy({ edited, loops, data, shelf, of }: Asked): Promise<string | null> {
  const { remote, asked } = begin()
  if (known?.[0] !== data || known[1] !== shelf) {
    known = [data, shelf]
    await asked(remote.know(data, shelf))
  }
  return asked(remote.say(edited, loops, of))
}
