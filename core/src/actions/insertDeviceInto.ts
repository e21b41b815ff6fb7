import { id, record } from '../schema/field'
import { placing } from '../survey/placing'
import { insertDevice } from '../wiring/chainEdit'
import { defineAction } from './action'
import { asRefusal, chainChanged, profileOf } from './chainParts'

/** Puts a limiter, a permissive contact or a relay into a line. */
export const insertDeviceInto = defineAction({
  id: 'insert-device',
  did: 'put a device into a line',
  input: record('device in a line', { connection: id('connection'), profile: id('device of the shelf') }),
  run: (edited, { connection, profile: wanted }, hand) => {
    const profile = profileOf(edited, wanted, hand)
    const places = placing(edited.loop, profile, hand.data)
    const made = asRefusal('connection', () => insertDevice(edited, connection, profile, hand.newId(), places))
    return chainChanged(edited, made, hand)
  },
})
