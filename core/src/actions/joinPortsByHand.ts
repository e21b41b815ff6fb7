import { maybe, record } from '../schema/field'
import { portRef } from '../schema/places'
import { dropWhere, joinPorts } from '../wiring/chainEdit'
import { defineAction } from './action'
import { asRefusal, chainChanged, requirePort } from './chainParts'

/** Joins two ports by hand, or takes off whatever gives to a port. */
export const joinPortsByHand = defineAction({
  id: 'join-ports',
  did: 'joined two devices',
  input: record('joining ports', {
    /** The giving side; left out, nothing gives to it any longer. */
    from: maybe(portRef('from')),
    to: portRef('to'),
  }),
  run: (edited, { from, to }, hand) => {
    requirePort(edited, to, 'to')
    const bare = dropWhere(edited, (each) => each.to.device === to.device && each.to.port === to.port)
    if (!from) return chainChanged(edited, bare, hand)
    requirePort(edited, from, 'from')
    return chainChanged(
      edited,
      asRefusal('from', () => joinPorts(bare, from, to)),
      hand,
    )
  },
})
