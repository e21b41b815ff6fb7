import type { Hand } from '../actions/action'
import { fieldData } from './fieldData'
import { shelf } from './loops'

let made = 0

/** Whoever carries an action out in a test: the shelf of the product, ids that count up. */
export const hand: Hand = {
  ...{ data: fieldData, shelf, loops: [], by: 'Ann', at: '2026-01-05T08:00:00Z' },
  newId: () => `n${++made}`,
}
