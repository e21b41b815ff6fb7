import { id, record } from '../schema/field'
import { Refused } from '../units/refused'
import { dropSupply } from '../wiring/chainEdit'
import { defineAction } from './action'
import { chainChanged, requireSupply } from './chainParts'

/** Takes a supply that feeds nothing out of the job. */
export const dropSupplyFromJob = defineAction({
  id: 'drop-supply',
  did: 'took a supply out of the job',
  input: record('supply', { supply: id('supply') }),
  run: (edited, { supply }, hand) => {
    const of = requireSupply(edited, supply)
    const feeds = [edited.loop, ...(hand.loops ?? [])].find(({ chain }) =>
      Object.values(chain.connections).some(({ from, to }) => from.device === of || to.device === of),
    )
    if (feeds) throw new Refused('supply', { must: 'other', says: `still feeds ${feeds.name}` })
    return chainChanged(edited, dropSupply(edited, of), hand)
  },
})
