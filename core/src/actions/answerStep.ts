import { endedWork } from '../commissioning/temporaryWork'
import { choice, id, maybe, record } from '../schema/field'
import { defineAction, named, withLoop } from './action'

/** Answers a step of the electrical work: done, or not so. What it put on the temporary list ends with it, once it is good. */
export const answerStep = defineAction({
  id: 'answer-step',
  did: 'answered a step',
  input: record('step', {
    /** `block/step`. */
    step: id('step'),
    answer: choice('answer', ['yes', 'no']),
    /** What on the temporary list belongs to it. */
    ends: maybe(id('during')),
  }),
  run: (edited, { step, answer, ends }, hand) => {
    const { wiring } = edited.loop
    const done = { ...wiring.done, [step]: { answer, by: named(hand), at: hand.at } }
    const answered = withLoop(edited, { wiring: { ...wiring, done } })
    return ends === undefined
      ? answered
      : { job: edited.job, loop: endedWork(edited.job, answered.loop, hand.data, [ends]) }
  },
})
