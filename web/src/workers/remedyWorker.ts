import { expose } from 'comlink'
import { findingOfConnection, openIn, triedRemedy } from '@nachtigal/core/actions/triedRemedy'
import { findingKey } from '@nachtigal/core/check/finding'
import type { DeviceProfile } from '@nachtigal/core/device/deviceProfile'
import type { LoopDocument } from '@nachtigal/core/document/documents'
import type { FieldData } from '@nachtigal/core/plant/fieldValue'
import type { Edited } from '@nachtigal/core/wiring/edited'

let shop: { readonly data: FieldData; readonly shelf: readonly DeviceProfile[] } | undefined

const worker = {
  /** What stays the same from one question to the next. */
  know(data: FieldData, shelf: readonly DeviceProfile[]): void {
    shop = { data, shelf }
  },
  /** What the button of a remedy says, where it was tried on a copy and helps; null where it does not. */
  say(
    edited: Edited,
    loops: readonly LoopDocument[],
    of: { readonly finding: string } | { readonly connection: string },
  ): string | null {
    if (!shop) throw new Error('it was asked before it knew the shelf')
    let made = 0
    const hand = { ...shop, loops, by: '', at: '1970-01-01T00:00:00Z', newId: () => `tried-${++made}` }
    const open = openIn(edited, hand)
    const found =
      'finding' in of ? open.find((each) => findingKey(each) === of.finding) : findingOfConnection(open, of.connection)
    return (found && triedRemedy(edited, found, hand)?.say) ?? null
  },
}

export type RemedyWorker = typeof worker

expose(worker)
