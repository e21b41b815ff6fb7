import type { KindFacts } from '../kind'
import { estimate } from './estimate'
import { plant } from './plant'
import { questions } from './questions'
import { reckon } from './reckon'

/**
 * A kind to start another one from: a heated room of one store. Copy the folder, name it and its files after the new kind, give it an id and
 * add the id to `ids.ts` and its line to `list.ts`. It is no kind itself, since the lists do not hold it.
 */
export const template: KindFacts<'template'> = {
  id: 'template',
  title: 'Template',
  about: 'what it is, in a few words',
  questions,
  action: 'heating',
  fault: ['off'],
  limiterFor: ['element', 'fuel'],
  limiterC: () => 60,
  swing: () => 'swing.room.electronic',
  starts: () => 'starts.motor.dol',
  minimumOff: () => undefined,
  places: () => ['air'],
  leaning: () => ({
    control: 'on-off',
    because: 'Why it is controlled so, in one line.',
    would: 'What would change that.',
    does: ['element'],
    mostStages: 2,
    also: [{ category: 'limiter', as: 'limiter at the heater' }],
  }),
  hazards: ['mains', 'wet', 'hot-surface', 'explosive'],
  reckon,
  estimate,
  plant,
}
