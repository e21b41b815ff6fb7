import { nextOrder } from '../document/chain'
import { loopContext } from '../check/context'
import { proofTests } from '../commissioning/proofTests'
import { filled, record } from '../schema/field'
import { Refused } from '../units/refused'
import { defineAction, named, withLoop } from './action'

/** Begins a test anew: what came of it is kept, its readings stay in the record. */
export const beginTestAgain = defineAction({
  id: 'begin-test-again',
  did: 'began a test again',
  input: record('test', { test: filled('test') }),
  run: (edited, { test: id }, hand) => {
    const test = proofTests(loopContext(edited.job, edited.loop, hand.data)).find((each) => each.id === id)
    if (!test) throw new Refused('test', { must: 'other', says: `"${id.slice(0, 60)}" is no test of this loop` })
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
