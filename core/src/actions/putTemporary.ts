import { nextOrder } from '../schema/ordered'
import { temporaryKinds } from '../document/fields/loopFields'
import { choice, filled, maybe, record, text } from '../schema/field'
import { defineAction, named, withLoop } from './action'

/** Puts a bridge, a forced output, a switch in hand, a raised limit or a lifted wire on the temporary list; what is on it already stays. */
export const putTemporary = defineAction({
  id: 'put-temporary',
  did: 'put something on the temporary list',
  input: record('something temporary', {
    kind: choice('kind', temporaryKinds),
    what: filled('what', 400),
    /** The step or test that it belongs to. */
    during: maybe(text('during', 250)),
  }),
  run: (edited, { kind, what, during }, hand) => {
    const { temporary } = edited.loop
    if (Object.values(temporary).some((each) => each.what === what)) return edited
    const entry = {
      order: nextOrder(temporary),
      kind,
      what,
      by: named(hand),
      at: hand.at,
      ...(during === undefined ? {} : { during }),
    }
    return withLoop(edited, { temporary: { ...temporary, [hand.newId()]: entry } })
  },
})
