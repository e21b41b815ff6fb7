import { flag, id, maybe, record } from '../schema/field'
import { placing } from '../survey/placing'
import { addDevice, moveSupply, replaceDevice } from '../wiring/chainEdit'
import { defineAction } from './action'
import { asRefusal, chainChanged, profileOf, requireDevice } from './chainParts'

/** Puts a device of the shelf into the chain, or in the place of one that is there. */
export const chooseDevice = defineAction({
  id: 'choose-device',
  did: 'chose a device',
  input: record('choice of a device', {
    profile: id('device of the shelf'),
    /** In whose place it goes. */
    instead: maybe(id('instead of')),
    /** Other loops keep the one that is there: this loop moves over to a new one. */
    here: maybe(flag('for this loop alone')),
  }),
  run: (edited, { profile: wanted, instead, here }, hand) => {
    const profile = profileOf(edited, wanted, hand)
    const places = placing(edited.loop, profile, hand.data)
    if (instead === undefined) return chainChanged(edited, addDevice(edited, profile, hand.newId(), places), hand)
    const old = requireDevice(edited, instead, 'instead')
    if (!here) return chainChanged(edited, replaceDevice(edited, old, profile, places), hand)
    const fresh = hand.newId()
    const moved = asRefusal('instead', () => moveSupply(addDevice(edited, profile, fresh, places), old, fresh))
    return chainChanged(edited, moved, hand)
  },
})
