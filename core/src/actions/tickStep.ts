import { id, record, yes } from '../schema/field'
import { defineAction, named, withLoop, without } from './action'

/** Ticks a step of placing or mounting, or takes the tick back. */
export const tickStep = defineAction({
  id: 'tick-step',
  did: 'ticked a step',
  input: record('step', { step: id('step'), on: yes('done') }),
  run: (edited, { step, on }, hand) => {
    const { wiring } = edited.loop
    const rest = without(wiring.done, step)
    const done = on ? { ...rest, [step]: { answer: 'yes' as const, by: named(hand), at: hand.at } } : rest
    return withLoop(edited, { wiring: { ...wiring, done } })
  },
})
