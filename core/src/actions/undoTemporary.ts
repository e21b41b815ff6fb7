import { id, record } from '../schema/field'
import { Refused } from '../units/refused'
import { defineAction, withLoop, without } from './action'

/** Takes something off the temporary list once it is undone. */
export const undoTemporary = defineAction({
  id: 'undo-temporary',
  did: 'undid something temporary',
  input: record('something temporary', { entry: id('entry') }),
  run: (edited, { entry }) => {
    if (!Object.hasOwn(edited.loop.temporary, entry))
      throw new Refused('entry', { must: 'other', says: 'is not on the temporary list' })
    return withLoop(edited, { temporary: without(edited.loop.temporary, entry) })
  },
})
