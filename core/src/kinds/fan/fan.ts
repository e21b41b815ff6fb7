import type { KindFacts } from '../kind'
import { estimate } from './estimate'
import { plant } from './plant'
import { questions } from './questions'
import { reckon } from './reckon'

export const fan: KindFacts<'fan'> = {
  id: 'fan',
  title: 'Fan',
  about: 'ventilation by temperature and humidity',
  questions,
  action: 'cooling',
  fault: ['on', 'off'],
  limiterFor: ['element', 'fuel'],
  limiterC: () => 60,
  swing: () => 'band.fan.temperature',
  starts: () => undefined,
  minimumOff: () => undefined,
  places: () => ['air', 'return-air'],
  leaning: ({ occupants, humiditySet, first, motor, fails }) => ({
    control: motor === 'onoff' ? 'on-off' : 'fan',
    because: 'Air is needed by degrees, not in gusts: speed follows the stronger demand.',
    would: 'A fan that can only be on or off.',
    does: ['air-flow'],
    mostStages: 2,
    band: 'band.fan.temperature',
    also: [
      ...(motor === 'drive' ? [{ category: 'drive' as const, as: 'drive' }] : []),
      ...(typeof humiditySet === 'number' && first !== 'temperature'
        ? [{ category: 'transmitter' as const, as: 'humidity transmitter', measures: 'humidity' as const }]
        : []),
      ...(occupants === 'nobody' && fails !== 'full'
        ? []
        : [
            { category: 'permissive' as const, as: 'air-flow switch', senses: 'air-flow' as const },
            { category: 'controller' as const, as: 'backup thermostat', control: 'on-off' as const },
            { category: 'load' as const, as: 'backup fan', does: 'air-flow' as const },
            { category: 'load' as const, as: 'alarm', alarm: true as const },
          ]),
    ],
  }),
  hazards: ['mains', 'wet', 'animals', 'forced-air', 'rotating', 'drive', 'explosive'],
  placing: [{ text: 'At the height of whoever breathes there.', why: 'Warm wet air lies under the roof.' }],
  ventilates: true,
  reckon,
  estimate,
  plant,
}
