import { rowRecord } from '../document/fields/wiringFields'
import { id, record } from '../schema/field'
import { defineAction, withLoop } from './action'

/** Writes what was done at a wire: landed, tested, its length, its label. */
export const writeRow = defineAction({
  id: 'write-wire',
  did: 'worked at a wire',
  input: record('wire', { row: id('wire'), state: rowRecord }),
  run: (edited, { row, state }) => {
    const { wiring } = edited.loop
    return withLoop(edited, { wiring: { ...wiring, rows: { ...wiring.rows, [row]: state } } })
  },
})
