import { fieldValue } from '../../plant/fieldValue'
import { floorLimit, type FloorZone, floorZones } from '../../plant/floorOutput'
import type { KindFacts } from '../kind'
import { siteQuestions } from '../commonQuestions'
import { floorQuestions } from './questions'
import { estimate } from './estimate'
import { plant } from './plant'
import { reckon } from './reckon'

export const floor: KindFacts<'floor'> = {
  id: 'floor',
  title: 'Warm floor',
  about: 'hydronic or electric floor',
  questions: [...floorQuestions, ...siteQuestions],
  action: 'heating',
  fault: ['off'],
  limiterFor: ['element', 'fuel', 'water-flow'],
  limiterC: (_, data) => fieldValue(data, 'floor.limiter').typical,
  swing: ({ probePlace }) => (probePlace === 'room' ? 'swing.floor.air' : 'swing.floor.slab'),
  starts: () => 'starts.motor.dol',
  minimumOff: () => undefined,
  places: ({ probePlace }) => (probePlace === 'room' ? ['air'] : ['floor']),
  highest: ({ zone, target }) =>
    floorLimit(
      (floorZones.find((z) => z === zone) ?? 'occupied') as FloorZone,
      typeof target === 'number' ? target : 21,
    ),
  leaning: () => ({
    control: 'on-off',
    because: 'A slab stores hours of heat: on and off is all it needs.',
    would: 'Low supply water by a mixing valve and a reset line, where several rooms hang on it.',
    does: ['water-flow', 'element'],
    mostStages: 1,
    band: 'band.valve.room',
    also: [{ category: 'limiter', as: 'limiter on the supply pipe', places: ['pipe', 'floor'] }],
  }),
  hazards: ['mains', 'hot-water', 'pressure', 'wet', 'animals', 'combustible', 'screed-new', 'explosive'],
  compares: () => ['way', 'reset'],
  emitter: 'floor',
  protects: () => 'floor',
  reckon,
  estimate,
  plant,
}
