import { id, maybe, record } from '../schema/field'
import { moveSupply, useSupply } from '../wiring/chainEdit'
import { defineAction } from './action'
import { asRefusal, chainChanged, requireSupply } from './chainParts'

/** Feeds this loop from a supply that the job has already. */
export const feedFrom = defineAction({
  id: 'feed-from',
  did: 'fed the loop from another supply',
  input: record('supply', {
    supply: id('supply'),
    /** What fed it until now: all of that is fed from the other one. */
    instead: maybe(id('instead of')),
  }),
  run: (edited, { supply, instead }, hand) => {
    const to = requireSupply(edited, supply)
    if (instead === undefined) return chainChanged(edited, useSupply(edited, to), hand)
    const from = requireSupply(edited, instead, 'instead')
    return chainChanged(
      edited,
      asRefusal('supply', () => moveSupply(edited, from, to)),
      hand,
    )
  },
})
