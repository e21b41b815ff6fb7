import type { KindFacts } from '../kind'
import { estimate } from './estimate'
import { plant } from './plant'
import { questions } from './questions'
import { reckon } from './reckon'

export const room: KindFacts<'room'> = {
  id: 'room',
  title: 'Room',
  about: 'room heated by a heater or a valve',
  questions,
  action: 'heating',
  fault: ['duty', 'off'],
  limiterFor: ['element', 'fuel'],
  limiterC: () => 60,
  swing: () => 'swing.room.electronic',
  starts: ({ heater }) => (heater === 'valve' ? undefined : 'starts.motor.dol'),
  minimumOff: () => undefined,
  places: ({ sensor }) => (sensor === 'return' ? ['return-air'] : ['air']),
  leaning: ({ way, heater }) =>
    way === 'proportional'
      ? {
          control: 'modulating',
          because: 'Steady air was chosen over a swing.',
          would: 'A heater that can only be on or off, or a valve too large to stand half open.',
          does: ['water-flow', 'element', 'fuel'],
          mostStages: 1,
          band: 'band.valve.room',
          also: [],
        }
      : {
          control: 'on-off',
          because: 'A room with a heater of its size holds with a small swing.',
          would: 'Air that may not stray by half a kelvin, or a heater that minds being switched.',
          does: heater === 'valve' ? ['water-flow'] : ['element', 'fuel'],
          mostStages: 2,
          band: 'band.valve.room',
          also: heater === 'valve' ? [] : [{ category: 'limiter', as: 'limiter at the heater' }],
        },
  hazards: ['mains', 'wet', 'animals', 'hot-surface', 'combustible', 'explosive'],
  compares: () => ['way', 'probe'],
  reckon,
  estimate,
  plant,
}
