import { record, text } from '../schema/field'
import { defineAction, withLoop } from './action'

/** Writes down what the owner complains of, in the owner's words; nothing takes it away. */
export const writeComplaint = defineAction({
  id: 'write-complaint',
  did: 'wrote down the complaint',
  input: record('complaint', { text: text('complaint', 2000) }),
  run: (edited, { text: said }) => {
    const { complaint: _old, ...rest } = edited.loop.survey
    return withLoop(edited, { survey: said === '' ? rest : { ...rest, complaint: said } })
  },
})
