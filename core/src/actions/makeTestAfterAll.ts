import { filled, record } from '../schema/field'
import { defineAction, withLoop, without } from './action'

/** Makes a test after all that was left out. */
export const makeTestAfterAll = defineAction({
  id: 'make-test-after-all',
  did: 'takes a test in again that was left out',
  input: record('test', { test: filled('test') }),
  run: (edited, { test }) => {
    const { proof } = edited.loop
    return withLoop(edited, { proof: { ...proof, skipped: without(proof.skipped, test) } })
  },
})
