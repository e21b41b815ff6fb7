import type { KindFacts } from '../kind'
import { estimate } from './estimate'
import { plant } from './plant'
import { questions } from './questions'
import { reckon } from './reckon'

export const chiller: KindFacts<'chiller'> = {
  id: 'chiller',
  title: 'Chiller',
  about: 'staged brine or chilled water',
  questions,
  action: 'cooling',
  fault: ['off'],
  limiterFor: ['element', 'fuel'],
  limiterC: () => 4,
  swing: () => 'swing.chiller.single',
  starts: () => 'starts.compressor',
  minimumOff: () => 'off.compressor',
  places: () => ['pipe', 'pocket'],
  leaning: () => ({
    control: 'staged',
    because: 'Compressors in steps: as many as the load asks for.',
    would: 'One compressor that is large enough and stays off long enough, or an inverter that follows by itself.',
    does: ['cooling'],
    mostStages: 4,
    also: [
      { category: 'probe', as: 'probe in the pipe', places: ['pipe', 'pocket'] },
      { category: 'permissive', as: 'flow switch', senses: 'flow' },
      { category: 'permissive', as: 'freeze thermostat', senses: 'frost' },
    ],
  }),
  hazards: ['mains', 'pressure', 'wet', 'rotating', 'refrigerant', 'freezing', 'explosive'],
  indoor: true,
  evaporatesAtC: (targetC) => targetC,
  reckon,
  estimate,
  plant,
}
