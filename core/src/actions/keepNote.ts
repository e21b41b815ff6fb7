import { nextOrder } from '../schema/ordered'
import type { LoopDocument } from '../document/documents'
import { filled, maybe, record, sha256, text } from '../schema/field'
import type { Value } from '../schema/value'
import { defineAction, type Hand, named } from './action'

const noteInput = record('note', {
  text: filled('text', 4000),
  photo: maybe(sha256('photo')),
  test: maybe(text('test')),
  step: maybe(text('step')),
  calculation: maybe(record('calculation', { calc: filled('calculation', 60), given: filled('given', 8000) })),
})

/** The loop with a note more. */
export function notedIn(
  loop: LoopDocument,
  note: Value<typeof noteInput>,
  hand: Pick<Hand, 'by' | 'at' | 'newId'>,
): LoopDocument {
  const notes = loop.notes ?? {}
  const kept = { ...note, order: nextOrder(notes), at: hand.at, by: named(hand) }
  return { ...loop, notes: { ...notes, [hand.newId()]: kept } }
}

/** Keeps a note, a photo by the hash of its contents, or a calculation with what was put in. */
export const keepNote = defineAction({
  id: 'keep-note',
  did: 'kept a note',
  input: noteInput,
  run: ({ job, loop }, note, hand) => ({ job, loop: notedIn(loop, note, hand) }),
})
