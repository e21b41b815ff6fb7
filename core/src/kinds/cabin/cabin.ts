import type { KindFacts } from '../kind'
import { estimate } from './estimate'
import { plant } from './plant'
import { questions } from './questions'
import { reckon } from './reckon'

export const cabin: KindFacts<'cabin'> = {
  id: 'cabin',
  title: 'Cabin heater',
  about: 'fuel-fired air heater on a battery',
  questions,
  action: 'heating',
  fault: ['off'],
  limiterFor: ['element', 'fuel'],
  limiterC: () => 60,
  swing: () => 'swing.cabin',
  starts: () => 'starts.cabin',
  minimumOff: () => undefined,
  places: () => ['air'],
  leaning: ({ sleeps }) => ({
    control: 'battery',
    because: 'On and off by its run input, cut off before the battery is flat so that the after-run can finish.',
    would: 'A heater with an input for its fire: ramped, fewer starts.',
    does: ['fuel'],
    mostStages: 1,
    also:
      sleeps === 'nobody' ? [] : [{ category: 'permissive', as: 'carbon monoxide alarm with a contact', senses: 'co' }],
  }),
  hazards: ['fuel', 'co', 'battery', 'hot-surface', 'combustible', 'explosive'],
  mounting: [
    {
      id: 'cable',
      title: 'Cable in its own run',
      doing: 'Away from exhaust and fuel line, grommet at each edge, fuse a hand from the battery.',
      caution: 'Battery: fuse out before a spanner comes near it.',
    },
  ],
  compares: () => ['way'],
  battery: true,
  reckon,
  estimate,
  plant,
}
