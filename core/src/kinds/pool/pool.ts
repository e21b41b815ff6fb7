import { fieldValue } from '../../plant/fieldValue'
import type { KindFacts } from '../kind'
import { SMALL_M3 } from './reckon'
import { estimate } from './estimate'
import { plant } from './plant'
import { questions } from './questions'
import { reckon } from './reckon'

export const pool: KindFacts<'pool'> = {
  id: 'pool',
  title: 'Pool or tank',
  about: 'pool, tank or basin heater',
  questions,
  action: 'heating',
  fault: ['off'],
  limiterFor: ['element', 'fuel', 'water-flow'],
  limiterC: (_, data) => fieldValue(data, 'pool.limit').typical,
  swing: ({ volume }) => (typeof volume === 'number' && volume < SMALL_M3 ? 'swing.tank.small' : 'swing.pool'),
  starts: ({ heater }) => (heater === 'called' ? 'starts.boiler' : 'starts.motor.dol'),
  minimumOff: ({ heater }) => (heater === 'called' ? 'off.boiler.gas' : undefined),
  places: () => ['pipe', 'pocket'],
  leaning: ({ heater }) => ({
    control: 'on-off',
    because: 'Water stores so much that on and off is steady enough; flow must be proved before heat.',
    would: 'A tank under {2 m³|530 gal} with a strong heater, or a tolerance under {0.1 K}.',
    does: heater === 'electric' ? ['element'] : heater === 'exchanger' ? ['water-flow'] : ['fuel'],
    mostStages: 2,
    also: [
      { category: 'probe', as: 'probe in the pipe, before the heater', places: ['pipe', 'pocket'] },
      { category: 'permissive', as: 'flow switch', senses: 'flow' },
      ...(heater === 'called' ? [] : [{ category: 'limiter' as const, as: 'limiter at the heater\u2019s outlet' }]),
    ],
  }),
  hazards: ['mains', 'fuel', 'pressure', 'wet', 'animals', 'rotating', 'freezing', 'explosive'],
  mounting: [
    {
      id: 'flush',
      title: 'Flush to waste',
      doing: 'Swarf and dirt out to waste before filter and heater are opened to the flow.',
      caution: 'Pump off and locked while a union is open.',
    },
  ],
  placing: [{ text: 'Probe before the heater, behind the filter.', why: 'Behind the heater it reads its own heat.' }],
  compares: () => ['way'],
  protects: (does) => (does === 'element' ? 'liquid' : undefined),
  reckon,
  estimate,
  plant,
}
