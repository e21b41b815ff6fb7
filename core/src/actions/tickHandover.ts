import { id, record, yes } from '../schema/field'
import { defineAction, named, withLoop, without } from './action'

/** Ticks what has to lie there at hand-over, or takes the tick back. */
export const tickHandover = defineAction({
  id: 'tick-hand-over',
  did: 'ticked what has to lie there',
  input: record('tick', { tick: id('what lies there'), on: yes('there') }),
  run: (edited, { tick, on }, hand) => {
    const { handover } = edited.loop
    const others = without(handover.ticks, tick)
    const ticks = on ? { ...others, [tick]: { by: named(hand), at: hand.at } } : others
    return withLoop(edited, { handover: { ...handover, ticks } })
  },
})
