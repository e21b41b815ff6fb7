import { id, maybe, number, record } from '../schema/field'
import { defineAction, withLoop, without } from './action'

/** Sets a value of the plant for trying; left out, it goes back to the estimate. */
export const setPlantValue = defineAction({
  id: 'set-plant-value',
  did: 'changed a value of the plant',
  input: record('value of the plant', {
    row: id('row'),
    value: maybe(number('value', 'factor', { over: 0, max: 1e12 })),
  }),
  run: (edited, { row, value }) => {
    const { trial } = edited.loop
    const plant = without(trial?.plant, row)
    return withLoop(edited, { trial: { ...trial, plant: value === undefined ? plant : { ...plant, [row]: value } } })
  },
})
