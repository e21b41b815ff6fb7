import { id, record } from '../schema/field'
import { portRef } from '../schema/places'
import { bypass } from '../wiring/chainEdit'
import { defineAction } from './action'
import { asRefusal, chainChanged, profileOf, requirePort } from './chainParts'

/** Lays a switch or a timer across a contact; what that defeats is a finding at once. */
export const layAcross = defineAction({
  id: 'lay-across',
  did: 'laid a contact across another one',
  input: record('contact across another', { over: portRef('contact'), profile: id('device of the shelf') }),
  run: (edited, { over, profile: wanted }, hand) => {
    const profile = profileOf(edited, wanted, hand)
    requirePort(edited, over, 'over')
    return chainChanged(
      edited,
      asRefusal('over', () => bypass(edited, over, profile, hand.newId())),
      hand,
    )
  },
})
