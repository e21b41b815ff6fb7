import { nextOrder } from '../document/chain'
import { filled, maybe, record, sha256, text } from '../schema/field'
import { defineAction, named, withLoop } from './action'

/** Keeps a note, a photo by the hash of its contents, or a calculation with what was put in. */
export const keepNote = defineAction({
  id: 'keep-note',
  did: 'kept a note',
  input: record('note', {
    text: filled('text', 4000),
    photo: maybe(sha256('photo')),
    test: maybe(text('test')),
    step: maybe(text('step')),
    calculation: maybe(record('calculation', { calc: filled('calculation', 60), given: filled('given', 8000) })),
  }),
  run: (edited, note, hand) => {
    const notes = edited.loop.notes ?? {}
    const kept = { ...note, order: nextOrder(notes), at: hand.at, by: named(hand) }
    return withLoop(edited, { notes: { ...notes, [hand.newId()]: kept } })
  },
})
