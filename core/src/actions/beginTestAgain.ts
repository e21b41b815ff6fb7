import { nextOrder } from '../schema/ordered'
import { filled, record } from '../schema/field'
import { defineAction, named, withLoop } from './action'
import { testOf } from './testOf'

/** Begins a test anew: what came of it is kept, its readings stay in the record. */
export const beginTestAgain = defineAction({
  id: 'begin-test-again',
  did: 'began a test again',
  input: record('test', { test: filled('test') }),
  run: (edited, { test: id }, hand) => {
    const test = testOf(edited, id, hand)
    const { proof } = edited.loop
    const past = proof.past ?? {}
    const kept = {
      order: nextOrder(past),
      test: id,
      attempt: test.attempt,
      verdict: test.result.verdict,
      head: test.result.head,
      at: hand.at,
      by: named(hand),
    }
    return withLoop(edited, {
      proof: {
        ...proof,
        attempts: { ...proof.attempts, [id]: { attempt: test.attempt + 1 } },
        past: { ...past, [hand.newId()]: kept },
      },
    })
  },
})
