import { chainDeviceRecord } from '../document/fields/chainFields'
import { id, record } from '../schema/field'
import { setDevice } from '../wiring/chainEdit'
import type { ChainDevice } from '../document/chain'
import type { Edited } from '../wiring/edited'
import type { Hand } from './action'
import { chainChanged, requireDevice } from './chainParts'

const { place, sits, leadM, dialC, nameplate } = chainDeviceRecord.fields

/** What is known of a device; what is left out stays as it was. */
export type KnownOfDevice = { readonly device: string } & Partial<
  Pick<ChainDevice, 'place' | 'sits' | 'leadM' | 'dialC' | 'nameplate'>
>

/** Writes down what is known of a device on this job: where it is, where its probe sits, its lead, its dial, what stands on its plate. */
export const writeDevice = {
  id: 'write-device',
  did: 'wrote down where a device is and how it is set',
  input: record('device on the job', { device: id('device'), place, sits, leadM, dialC, nameplate }),
  run: (edited: Edited, { device, ...known }: KnownOfDevice, hand: Hand): Edited => {
    const change = Object.fromEntries(Object.entries(known).filter(([, value]) => value !== undefined))
    return chainChanged(edited, setDevice(edited, requireDevice(edited, device), change), hand)
  },
}
