import { choice, record, text } from '../schema/field'
import { defineAction, withLoop } from './action'
import { requireDay } from './requireDay'

/** Writes the day of the next test, or whom the owner calls; nothing takes it away. */
export const writeHandover = defineAction({
  id: 'write-hand-over',
  did: 'wrote on the hand-over',
  input: record('hand-over', { part: choice('part', ['retest', 'call']), text: text('text') }),
  run: (edited, { part, text: said }) => {
    if (part === 'retest') requireDay(said, 'text')
    const { [part]: _old, ...rest } = edited.loop.handover
    return withLoop(edited, { handover: { ...rest, ...(said === '' ? {} : { [part]: said }) } })
  },
})
