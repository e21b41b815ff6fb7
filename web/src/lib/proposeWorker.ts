import { expose } from 'comlink'
import { proposedChain } from '@nachtigal/core/check/proposedChain'
import type { FieldData } from '@nachtigal/core/plant/fieldValue'
import type { DeviceProfile } from '@nachtigal/core/device/deviceProfile'
import type { Proposal } from '@nachtigal/core/survey/proposal'
import type { Edited } from '@nachtigal/core/wiring/edited'
import { newId } from './newId'

const worker = {
  /** Looks through the shelf for the chain of a proposal, off the page's thread. */
  propose: (edited: Edited, proposal: Proposal, shelf: readonly DeviceProfile[], data: FieldData) =>
    proposedChain(edited, proposal, { shelf, data, makeId: () => newId() }),
}

export type ProposeWorker = typeof worker

expose(worker)
