import { day, id, record, yes } from '../schema/field'
import { defineAction, withJob, without } from './action'

/** Says which instruments are measured with on a day. */
export const carryInstrument = defineAction({
  id: 'carry-instrument',
  did: 'chose what is measured with',
  input: record('instrument', { instrument: id('instrument'), day: day('day'), out: yes('measured with') }),
  run: (edited, { instrument, day: on, out }) => {
    const { kit } = edited.job
    const others = without(kit?.[on], instrument)
    return withJob(edited, { kit: { ...kit, [on]: out ? { ...others, [instrument]: true } : others } })
  },
})
