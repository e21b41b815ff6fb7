import { surveyRecord } from '../document/fields/surveyFields'
import { record } from '../schema/field'
import { defineAction, withLoop } from './action'

/** Ticks what can hurt here; what is not among them is not ticked. */
export const tickHazards = defineAction({
  id: 'tick-hazards',
  did: 'ticked hazards',
  input: record('hazards', { hazards: surveyRecord.fields.hazards }),
  run: (edited, { hazards }) => withLoop(edited, { survey: { ...edited.loop.survey, hazards } }),
})
