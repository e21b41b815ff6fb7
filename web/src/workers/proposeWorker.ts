import { expose } from 'comlink'
import { startChain } from '@nachtigal/core/actions/startChain'
import type { FieldData } from '@nachtigal/core/plant/fieldValue'
import type { DeviceProfile } from '@nachtigal/core/device/deviceProfile'
import type { Edited } from '@nachtigal/core/wiring/edited'
import { Refused } from '@nachtigal/core/units/refused'
import { newId } from '../lib/newId'

const worker = {
  /** Looks through the shelf for the chain of a proposal, off the page's thread. Answers what is lacking, where something is. */
  propose: (edited: Edited, shelf: readonly DeviceProfile[], data: FieldData): Edited | { readonly lacks: string } => {
    try {
      return startChain.run(edited, {}, { by: '', at: '', newId, shelf, data })
    } catch (error) {
      if (error instanceof Refused) return { lacks: error.message }
      throw error
    }
  },
}

export type ProposeWorker = typeof worker

expose(worker)
