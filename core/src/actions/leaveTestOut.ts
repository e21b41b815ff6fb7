import { filled, record } from '../schema/field'
import { defineAction, named, withLoop } from './action'

/** Leaves a test out, with a name and a reason that is printed. */
export const leaveTestOut = defineAction({
  id: 'leave-test-out',
  did: 'left a test out',
  input: record('leaving a test out', { test: filled('test'), reason: filled('reason', 400) }),
  run: (edited, { test, reason }, hand) => {
    const { proof } = edited.loop
    const skipped = { ...proof.skipped, [test]: { by: named(hand), at: hand.at, reason: reason.trim() } }
    return withLoop(edited, { proof: { ...proof, skipped } })
  },
})
