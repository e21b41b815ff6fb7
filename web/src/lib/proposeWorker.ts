import { expose } from 'comlink'
import { startChain } from '@nachtigal/core/actions/startChain'
import type { FieldData } from '@nachtigal/core/plant/fieldValue'
import type { DeviceProfile } from '@nachtigal/core/device/deviceProfile'
import type { Edited } from '@nachtigal/core/wiring/edited'
import { newId } from './newId'

const worker = {
  /** Looks through the shelf for the chain of a proposal, off the page's thread. */
  propose: (edited: Edited, shelf: readonly DeviceProfile[], data: FieldData) =>
    startChain.run(edited, {}, { by: '', at: '', newId, shelf, data }),
}

export type ProposeWorker = typeof worker

expose(worker)
