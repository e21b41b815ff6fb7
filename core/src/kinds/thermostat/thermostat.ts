import type { KindFacts } from '../kind'
import type { Wanted } from '../leaning'
import { fieldValue } from '../../plant/fieldValue'
import { estimate } from './estimate'
import { plant } from './plant'
import { cools, questions } from './questions'
import { reckon } from './reckon'

/** What is switched, as effects of loads. */
const does = { element: 'element', called: 'fuel', compressor: 'cooling' } as const

/** Whatever is none of the others: a set, a swing and a load, and no model of what it is. */
export const thermostat: KindFacts<'thermostat'> = {
  id: 'thermostat',
  title: 'Just a thermostat',
  about: 'whatever is none of the others: a set, a swing and a load',
  questions,
  action: 'heating',
  acts: ({ switches }) => (cools(switches) ? 'cooling' : 'heating'),
  fault: ['off'],
  limiterFor: ['element', 'fuel'],
  limiterC: ({ target: set }, data) => (typeof set === 'number' ? set : 60) + fieldValue(data, 'oven.limiter').typical,
  swing: () => 'swing.room.electronic',
  swingK: ({ swing }) => (typeof swing === 'number' ? swing : undefined),
  starts: ({ switches }) =>
    switches === 'compressor' ? 'starts.compressor' : switches === 'called' ? 'starts.boiler' : 'starts.motor.dol',
  minimumOff: ({ switches }) =>
    switches === 'compressor' ? 'off.compressor' : switches === 'called' ? 'off.boiler.gas' : undefined,
  places: ({ feels }) =>
    feels === 'skin' ? ['pipe', 'floor', 'oven'] : ['air', 'pocket', 'oven', 'return-air', 'pipe', 'floor'],
  leaning: ({ switches }) => {
    const limiter: readonly Wanted[] =
      switches === 'element' ? [{ category: 'limiter', as: 'limiter at the heater' }] : []
    return {
      control: 'on-off',
      because: 'A set and a swing were asked for.',
      would: 'A tolerance that is narrower than the swing that its starts allow.',
      does: [does[(switches as keyof typeof does) ?? 'element'] ?? 'element'],
      mostStages: 1,
      also: limiter,
    }
  },
  hazards: ['mains', 'fuel', 'wet', 'rotating', 'refrigerant', 'hot-surface', 'combustible', 'explosive'],
  reckon,
  estimate,
  plant,
}
