import { mayLeaveOut } from '../commissioning/proofTests'
import { filled, record } from '../schema/field'
import { Refused } from '../units/refused'
import { defineAction, named, withLoop } from './action'
import { testOf } from './testOf'

/** Leaves a test out, with a name and a reason that is printed; none that proves a safety, and none that has failed. */
export const leaveTestOut = defineAction({
  id: 'leave-test-out',
  did: 'left a test out',
  input: record('leaving a test out', { test: filled('test'), reason: filled('reason', 400) }),
  run: (edited, { test, reason }, hand) => {
    if (!mayLeaveOut(testOf(edited, test, hand)))
      throw new Refused('test', {
        must: 'other',
        says: `"${test.slice(0, 60)}" is not left out: it proves a safety, or has been begun. Make it`,
      })
    const { proof } = edited.loop
    const skipped = { ...proof.skipped, [test]: { by: named(hand), at: hand.at, reason: reason.trim() } }
    return withLoop(edited, { proof: { ...proof, skipped } })
  },
})
