import type { Instrument } from '../document/documents'
import { choice, id, record, text } from '../schema/field'
import { Refused } from '../units/refused'
import { defineAction, withJob } from './action'
import { requireDay } from './requireDay'

/** Writes the serial of an instrument, or the days of its checks; nothing takes them away. */
export const writeInstrument = defineAction({
  id: 'write-instrument',
  did: 'wrote about an instrument',
  input: record('instrument', {
    instrument: id('instrument'),
    part: choice('part', ['serial', 'checked', 'due']),
    text: text('text', 60),
  }),
  run: (edited, { instrument, part, text: said }) => {
    const { instruments } = edited.job
    const held = instruments[instrument]
    if (!held) throw new Refused('instrument', { must: 'other', says: 'is not in this job' })
    if (part !== 'serial') requireDay(said, 'text')
    const { [part]: _old, ...rest } = held
    const next: Instrument = { ...rest, ...(said === '' ? {} : { [part]: said }) }
    return withJob(edited, { instruments: { ...instruments, [instrument]: next } })
  },
})
