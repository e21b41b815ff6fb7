import type { KindFacts } from '../kind'
import { estimate } from './estimate'
import { plant } from './plant'
import { questions } from './questions'
import { reckon } from './reckon'

export const enclosure: KindFacts<'enclosure'> = {
  id: 'enclosure',
  title: 'Enclosure',
  about: 'electrical cabinet with a cooler',
  questions,
  action: 'cooling',
  fault: ['on', 'off'],
  limiterFor: ['element', 'fuel'],
  limiterC: () => 60,
  swing: () => 'swing.enclosure.cool',
  starts: ({ cooler }) => (cooler === 'unit' ? 'starts.compressor' : undefined),
  minimumOff: ({ cooler }) => (cooler === 'unit' ? 'off.compressor' : undefined),
  places: () => ['air'],
  leaning: ({ cooler }) => ({
    control: 'on-off',
    because:
      cooler === 'air'
        ? 'A valve and a swing: air is only used while it is warm.'
        : 'On and off with a wide swing; the electronics do not mind.',
    would: 'Electronics that must be held within a kelvin or two.',
    does: [cooler === 'filter' ? 'air-flow' : 'cooling'],
    mostStages: 2,
    also: [],
  }),
  hazards: ['mains', 'wet', 'rotating', 'drive', 'air-pressure', 'refrigerant', 'explosive'],
  mounting: [
    {
      id: 'air-line',
      title: 'Shut and bleed the air line',
      doing: 'Valve shut, pressure bled until the gauge is at nothing; filter in, vent path free.',
      caution: 'Compressed air: an open line whips and blinds. Glasses, ear protection.',
    },
  ],
  placing: [
    {
      text: 'In the warm air at the top, out of the cooler\u2019s jet.',
      why: 'In the cold jet it stops the cooler too soon; the top is what gets hottest.',
      when: { question: 'sensor', is: 'top' },
    },
    {
      text: 'Where the drives take their air in, out of the cooler\u2019s jet.',
      why: 'They breathe that air; the top is several kelvin warmer, so the target is that of the intake.',
      when: { question: 'sensor', is: 'inlet' },
    },
  ],
  compares: () => ['way'],
  indoor: true,
  cooler: true,
  reckon,
  estimate,
  plant,
}
