import { fieldValue } from '../../plant/fieldValue'
import type { KindFacts } from '../kind'
import { FREEZING } from './reckon'
import { estimate } from './estimate'
import { plant } from './plant'
import { questions } from './questions'
import { reckon } from './reckon'

export const coldRoom: KindFacts<'cold-room'> = {
  id: 'cold-room',
  title: 'Cold room',
  about: 'cold store with coil frost and defrost',
  questions,
  action: 'cooling',
  fault: ['duty', 'off'],
  limiterFor: ['element', 'fuel'],
  limiterC: () => 40,
  swing: ({ goods: kept }) => (kept === FREEZING ? 'swing.coldroom.freeze' : 'swing.coldroom.chill'),
  starts: () => 'starts.compressor',
  minimumOff: () => 'off.compressor',
  places: () => ['air', 'return-air'],
  leaning: ({ defrostMeans, defrost }) => ({
    control: 'defrost',
    because: 'A compressor and a coil that ices: on and off, with defrost and a coil probe.',
    would: 'A room over {8 C} without frost: a plain thermostat would do.',
    does: ['cooling'],
    mostStages: 1,
    also: [
      { category: 'probe', as: 'room probe', places: ['air', 'return-air'] },
      ...(defrost === 'time' ? [] : [{ category: 'probe' as const, as: 'coil probe', places: ['coil' as const] }]),
      { category: 'load', as: 'evaporator fan', does: 'air-flow' },
      ...(defrostMeans === 'electric'
        ? [{ category: 'load' as const, as: 'defrost heater', does: 'defrost' as const }]
        : []),
    ],
  }),
  hazards: ['mains', 'wet', 'rotating', 'refrigerant', 'locked-in', 'explosive'],
  mounting: [
    {
      id: 'seal-holes',
      title: 'Seal every hole',
      doing: 'Foam and vapour seal on the warm side.',
      caution: 'Somebody outside knows you are in; the inside release is tried first.',
    },
  ],
  compares: ({ unit }) => (unit === 'adapted' ? ['override'] : []),
  indoor: true,
  coil: true,
  evaporatesAtC: (targetC, data) => targetC - fieldValue(data, 'cr.td').typical,
  reckon,
  estimate,
  plant,
}
