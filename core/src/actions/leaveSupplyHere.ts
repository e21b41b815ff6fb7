import { id, record } from '../schema/field'
import { leaveSupply } from '../wiring/chainEdit'
import { defineAction } from './action'
import { chainChanged, requireSupply } from './chainParts'

/** Feeds nothing of this loop from a supply any longer; other loops keep it. */
export const leaveSupplyHere = defineAction({
  id: 'leave-supply',
  did: 'fed nothing from a supply any longer',
  input: record('supply', { supply: id('supply') }),
  run: (edited, { supply }, hand) => chainChanged(edited, leaveSupply(edited, requireSupply(edited, supply)), hand),
})
