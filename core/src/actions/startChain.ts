import { proposedChain } from '../check/proposedChain'
import { withoutChain } from '../document/withPlanned'
import { loopContext } from '../loop/context'
import { record } from '../schema/field'
import { propose } from '../survey/proposal'
import { Refused } from '../units/refused'
import { defineAction } from './action'
import { chainChanged } from './chainParts'

/** Starts the chain over with the one that the survey's proposal gives. */
export const startChain = defineAction({
  id: 'start-chain',
  did: 'took the chain of the proposal',
  input: record('chain of the proposal', {}),
  run: (edited, _, hand) => {
    const bare = { job: edited.job, loop: withoutChain(edited.loop) }
    const context = loopContext(edited.job, edited.loop, hand.data)
    const { survey, missing } = context
    if (!survey) throw new Refused('survey', { must: 'other', says: `is open: ${missing.join(', ')}` })
    const proposal = propose(context, survey)
    const made = proposedChain(bare, proposal, { shelf: hand.shelf ?? [], data: hand.data, makeId: hand.newId })
    if (!made)
      throw new Refused('shelf', { must: 'other', says: 'has no controller for this: add one from its leaflet' })
    return chainChanged(edited, made, hand)
  },
})
