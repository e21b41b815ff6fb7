import { filled, record } from '../schema/field'
import { defineAction, withLoop } from './action'

/** Gives the loop another name. */
export const renameLoop = defineAction({
  id: 'rename-loop',
  did: 'renamed the loop',
  input: record('name', { name: filled('name', 200) }),
  run: (edited, { name }) => withLoop(edited, { name }),
})
