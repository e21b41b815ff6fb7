import { fieldValue } from '../../plant/fieldValue'
import type { KindFacts } from '../kind'
import { estimate } from './estimate'
import { plant } from './plant'
import { questions } from './questions'
import { reckon } from './reckon'

export const cabinet: KindFacts<'cabinet'> = {
  id: 'cabinet',
  title: 'Heated cabinet',
  about: 'heated cabinet or oven, with a timer',
  questions,
  action: 'heating',
  fault: ['off'],
  limiterFor: ['element', 'fuel'],
  limiterC: ({ target: set, most }, data) => {
    const usualC = (typeof set === 'number' ? set : 60) + fieldValue(data, 'oven.limiter').typical
    // Goods that bear less are what it protects.
    return typeof most === 'number' ? Math.min(usualC, most) : usualC
  },
  swing: ({ way }) => (way === 'proportioned' ? 'swing.oven.ssr' : 'swing.oven.contactor'),
  starts: ({ way }) => (way === 'proportioned' ? undefined : 'starts.motor.dol'),
  minimumOff: () => undefined,
  places: () => ['oven', 'air'],
  leaning: ({ way, circulates }) => ({
    control: way === 'proportioned' ? 'time-proportioned' : 'on-off',
    because:
      way === 'proportioned'
        ? 'The tolerance is narrower than a contactor\u2019s swing.'
        : 'A contactor and a swing hold what these goods bear.',
    would:
      way === 'proportioned'
        ? 'Goods that bear a swing of four kelvin.'
        : 'A tolerance under two kelvin: solid-state and time-proportioned.',
    does: ['element'],
    mostStages: 1,
    also: [
      { category: 'probe', as: 'probe in the moving air', places: ['oven', 'air'] },
      { category: 'limiter', as: 'limiter with its own contactor' },
      ...(circulates === 'fan'
        ? [{ category: 'permissive' as const, as: 'air-flow switch', senses: 'air-flow' as const }]
        : []),
    ],
  }),
  hazards: ['mains', 'hot-surface', 'combustible', 'explosive'],
  compares: () => ['way'],
  protects: () => 'oven',
  indoor: true,
  startsCold: true,
  reckon,
  estimate,
  plant,
}
