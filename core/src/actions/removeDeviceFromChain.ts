import { id, record } from '../schema/field'
import { Refused } from '../units/refused'
import { removeDevice } from '../wiring/chainEdit'
import { defineAction } from './action'
import { chainChanged } from './chainParts'

/** Takes a device out of the chain. */
export const removeDeviceFromChain = defineAction({
  id: 'remove-device',
  did: 'removed a device',
  input: record('removing a device', { device: id('device') }),
  run: (edited, { device }, hand) => {
    if (!Object.hasOwn(edited.loop.chain.devices, device))
      throw new Refused('device', {
        must: 'other',
        says: `"${device.slice(0, 60)}" is no device of this loop\u2019s own`,
      })
    return chainChanged(edited, removeDevice(edited, device), hand)
  },
})
