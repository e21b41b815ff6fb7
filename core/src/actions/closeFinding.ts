import { filled, id, record } from '../schema/field'
import { defineAction, named, withLoop } from './action'

/** Closes a plain finding with a name and a reason. */
export const closeFinding = defineAction({
  id: 'close-finding',
  did: 'closed a finding with a reason',
  input: record('closing a finding', { finding: id('finding'), reason: filled('reason', 400) }),
  run: (edited, { finding, reason }, hand) =>
    withLoop(edited, { waivers: { ...edited.loop.waivers, [finding]: { by: named(hand), reason: reason.trim() } } }),
})
