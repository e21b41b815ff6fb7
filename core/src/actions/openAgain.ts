import { filled, record } from '../schema/field'
import { Refused } from '../units/refused'
import { defineAction, named, withLoop } from './action'

/** Opens a loop again that was handed over; the signature stays in the record. */
export const openAgain = defineAction({
  id: 'open-again',
  did: 'opened it again after hand-over',
  input: record('opening again', { why: filled('reason', 300) }),
  run: (edited, { why }, hand) => {
    const { handover } = edited.loop
    if (!handover.signed)
      throw new Refused('why', { must: 'other', says: 'has nothing to open: this loop is not signed' })
    return withLoop(edited, {
      handover: { ...handover, reopened: { by: named(hand), at: hand.at, why: why.trim() } },
    })
  },
})
