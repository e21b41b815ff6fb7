import { nextOrder } from '../schema/ordered'
import { instrumentRecord } from '../document/fields/jobFields'
import { day, record } from '../schema/field'
import { defineAction, withJob } from './action'

/** Adds an instrument to the bag; it is measured with on that day. */
export const addInstrument = defineAction({
  id: 'add-instrument',
  did: 'added an instrument',
  input: record('instrument', {
    name: instrumentRecord.fields.name,
    errs: instrumentRecord.fields.errs,
    day: day('day'),
  }),
  run: (edited, { name, errs, day: on }, { newId }) => {
    const { instruments, kit } = edited.job
    const id = newId()
    return withJob(edited, {
      instruments: { ...instruments, [id]: { order: nextOrder(instruments), name, errs } },
      kit: { ...kit, [on]: { ...kit?.[on], [id]: true } },
    })
  },
})
