import { id, list, record } from '../schema/field'
import { defineAction, withLoop, without } from './action'

/** Takes note of what a changed chain did to wires; a wire that went is off the record once it is taken off. */
export const forgetChanges = defineAction({
  id: 'note-changed-wires',
  did: 'took note of changed wires',
  input: record('changed wires', { rows: list('wires', id('wire'), 1, 500) }),
  run: (edited, { rows }) => {
    const { wiring } = edited.loop
    const gone = rows.filter((row) => wiring.changed?.[row]?.what === 'went')
    return withLoop(edited, {
      wiring: { ...wiring, rows: without(wiring.rows, ...gone), changed: without(wiring.changed, ...rows) },
    })
  },
})
