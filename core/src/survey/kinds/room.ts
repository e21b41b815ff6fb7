import { builds, insulations } from '../../plant/estimate'
import { fieldValue } from '../../plant/fieldValue'
import {
  build,
  capacity,
  designOutdoor,
  floorArea,
  insulation,
  loss,
  PLANT,
  power,
  SCHOOL,
  siteQuestions,
  target,
  tolerance,
} from '../commonQuestions'
import type { KindFacts } from '../kindFacts'
import { asksWhich } from '../question'
import { seenFrom } from '../reckoned'
import { estimated } from './estimated'

export const room: KindFacts = {
  title: 'Room',
  about: 'room heated by a heater or a valve',
  questions: [
    target('What whoever lives or works there wants.'),
    tolerance(),
    designOutdoor(),
    floorArea(),
    insulation,
    build,
    loss,
    capacity,
    asksWhich(
      PLANT,
      'heater',
      'Heated by',
      {
        electric: ['Electric heater', 'Switched itself; needs its own limiter.'],
        valve: ['Valve on a radiator', 'The boiler makes the heat, the valve lets it in.'],
        air: ['Warm-air heater', 'Quick, and it overshoots little.'],
      },
      'Follow the pipe or the cable.',
      { required: true },
    ),
    power('Nameplate of the heater; of a radiator its table at your water.'),
    asksWhich(
      SCHOOL,
      'way',
      'Swing or proportional',
      {
        swing: [
          'On and off with a swing',
          'Simple, any relay. The air goes up and down by the swing and a little more.',
        ],
        proportional: [
          'Proportional',
          'Steady air, but it settles under the set by its droop, and it wants a valve that can stand half open.',
        ],
      },
      'Ask what they mind more: a swing, or being a little under.',
      { school: true },
    ),
    asksWhich(
      SCHOOL,
      'sensor',
      'Room sensor or return air',
      {
        room: ['Room sensor on an inside wall', 'Feels what people feel, minutes late.'],
        return: ['Return air', 'Feels the mean of the air that moves; nothing while the fan stands.'],
      },
      'Look where a sensor can hang: no sun, no draught, no lamp, no outside wall.',
      { school: true },
    ),
    ...siteQuestions,
  ],
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
  reckon: (asked) => {
    const { data, number, choice, power: powerOf } = asked
    const targetC = number('target')
    const aroundC = number('designOutdoor')
    const made = estimated(asked, {
      kind: 'room',
      areaM2: number('floorArea'),
      insulation: choice('insulation', insulations, 'fair'),
      build: choice('build', builds, 'medium'),
    })
    const load = Math.max(1, made.lossWPerK * (targetC - aroundC))
    const size = fieldValue(data, 'room.oversize')
    const powerW = powerOf('power', ['element', 'fuel', 'water-flow'], {
      value: load * size.typical,
      low: load * size.low,
      high: load * size.high,
      why: `design load × ${size.low} to ${size.high}, typically ${size.typical} (${size.source})`,
    })
    return {
      seen: seenFrom('heating', {
        targetC,
        aroundC,
        lossWPerK: made.lossWPerK,
        capacityJPerK: made.quickJPerK,
        powerW,
      }),
      harm: 'cold',
      lines: [],
    }
  },
}
