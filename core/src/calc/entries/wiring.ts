import { type ContactRating, type ElectricLoad, loadKinds } from '../../profile/deviceProfile'
import { contactLoad } from '../../wiring/contactLoad'
import { defineCalculation } from '../calculation'
import { choice, number, optional } from '../field'

export const wiringContact = defineCalculation<{ ratings: ContactRating[]; load: ElectricLoad & { phases?: 1 | 3 } }>({
  id: 'wiring.contact',
  title: 'Contact against load',
  inputs: {
    ratings: {
      type: 'list',
      title: 'Ratings',
      of: {
        type: 'object',
        title: 'Rating',
        fields: {
          load: choice('Load kind', loadKinds),
          volts: number('Volts', 'voltage', { over: 0 }),
          amps: number('Amps', 'current', { over: 0 }),
        },
      },
    },
    load: {
      type: 'object',
      title: 'Load',
      fields: {
        kind: choice('Kind', loadKinds),
        powerW: number('Power', 'electricPower', { min: 0 }),
        volts: number('Volts', 'voltage', { over: 0 }),
        amps: optional(number('Nameplate current', 'current', { over: 0 })),
        powerFactor: optional(number('Power factor', 'factor', { over: 0, max: 1 })),
        phases: optional(number('Phases', 'count', { min: 1, max: 3 })),
      },
    },
  },
  outputs: {
    loadA: number('Load draws', 'current'),
    ratedA: number('Contact rated', 'current'),
    usedPercent: number('Used', 'percent'),
    verdict: choice('Verdict', ['fits', 'look-again', 'does-not-fit']),
  },
  formula: 'I = P/(U cos φ), three-phase P/(√3 U cos φ); share = I / rating of that kind',
  source: 'leaflet ratings; cos φ 0.7 assumed for motors, compressors and coils',
  cautions: ['A contactor is mains work: for the licensed trade.'],
  examples: [
    {
      given: {
        ratings: [{ load: 'resistive', volts: 250, amps: 10 }],
        load: { kind: 'resistive', powerW: 3680, volts: 230 },
      },
      gives: { loadA: 16, usedPercent: 160, verdict: 'does-not-fit' },
    },
    {
      given: { ratings: [{ load: 'motor', volts: 250, amps: 3 }], load: { kind: 'motor', powerW: 45, volts: 230 } },
      gives: { loadA: 0.2795, verdict: 'fits' },
    },
  ],
  run: ({ ratings, load }) => contactLoad(ratings, load),
})
