import type { Question } from '../question'
import {
  about,
  aboutC,
  byPower,
  capacity,
  HOLD,
  loss,
  PLACE,
  PLANT,
  power,
  SCHOOL,
  siteQuestions,
  taken,
  target,
  tolerance,
} from '../commonQuestions'
import { asks, asksWhich } from '../question'

/** What is asked on the first visit. */
export const questions: readonly Question[] = [
  target('What the food code or the label asks for.', [-40, 15]),
  asksWhich(
    HOLD,
    'goods',
    'What lies in it',
    {
      fish: ['Fish', 'About {0 C}, humid.'],
      meat: ['Meat', 'About {2 C}.'],
      medicine: ['Medicine', '{2 C} to {8 C}, recorded.'],
      frozen: ['Frozen goods', '{-20 C}: electric or hot-gas defrost.'],
    },
    'Open the door.',
    {
      assumed: taken(
        ({ target: set }) => (typeof set === 'number' && set < -5 ? 'frozen' : 'meat'),
        'by what it is held at',
      ),
    },
  ),
  tolerance(undefined, 2),
  asks(PLACE, 'volume', 'Inside', 'volume', [0.5, 5000], 'Tape: three sides.', {
    assumed: about(
      byPower(({ goods }) => (goods === 'frozen' ? 120 : 90), 15),
      1.5,
      'as such a power usually cools (practice)',
    ),
    ways: ['sides-volume'],
  }),
  asksWhich(
    PLACE,
    'insulation',
    'Panels',
    {
      poor: ['{80 mm|3 in}', 'Chill rooms.'],
      fair: ['{100 mm|4 in}', 'Common.'],
      good: ['{150 mm|6 in}', 'Freezers.'],
    },
    'At the door frame.',
    { assumed: taken(({ goods }) => (goods === 'frozen' ? 'good' : 'fair'), 'usual for what lies in it') },
  ),
  asks(PLACE, 'designOutdoor', 'Warmest air around it', 'temperature', [-10, 50], 'Of the room it stands in.', {
    assumed: aboutC(25, 5, 'a warm room'),
  }),
  loss,
  capacity,
  asks(PLACE, 'heat', 'Heat of people, lamps, fans', 'power', [0, 1e5], 'Fans by their plate, lamps by their hours.'),
  asksWhich(
    PLANT,
    'unit',
    'Cooled by',
    {
      made: ['A unit made for cold rooms', 'Its own minimum times and safety switches.'],
      adapted: [
        'A room air conditioner, told to run on',
        'Only plain on/off units: never inverter, never flammable refrigerant.',
      ],
    },
    'Nameplate.',
    { assumed: taken('made', 'a unit that is made for it') },
  ),
  asksWhich(
    PLANT,
    'refrigerant',
    'Refrigerant and compressor',
    {
      plain: ['Not flammable, on/off compressor', 'The plate names it.'],
      flammable: ['Flammable', 'Licensed people only; nothing that sparks or heats near it.'],
      inverter: ['Inverter compressor', 'Its own electronics rule: never split its wire.'],
    },
    'Nameplate: a flame sign, or a frequency range.',
    { safety: true },
  ),
  power('Cooling power at your temperatures: nameplate or leaflet.', ['air-rise']),
  asksWhich(
    SCHOOL,
    'defrost',
    'Defrost by',
    {
      time: ['The clock', 'Simple; sometimes for nothing.'],
      coil: ['Coil temperature', 'Only when there is frost; needs its own probe where frost comes first.'],
      demand: ['Demand', 'Fewest; needs a controller that counts.'],
    },
    'Look at the coil in the morning.',
    { school: true },
  ),
  asksWhich(
    SCHOOL,
    'defrostMeans',
    'Defrost with',
    {
      fan: ['The running fan (off-cycle)', 'Works in rooms over {3 C}.'],
      electric: ['Electric heaters', 'Any room; the heater needs an end by temperature and a longest time.'],
    },
    'Heaters in the coil, or none.',
    { school: true },
  ),
  asksWhich(
    SCHOOL,
    'override',
    'How it is told to run on',
    {
      none: ['It has an input for it', 'Its own terminals.'],
      split: ['Compressor wire through a relay', 'Plain on/off units only; its minimum off time is yours to keep.'],
      warm: [
        'Warming its built-in sensor',
        'A ready-made warmer at the sensor; never at the coil\u2019s freeze sensor, never near foil or foam.',
      ],
    },
    'Leaflet of the unit.',
    { school: true, when: { question: 'unit', is: ['adapted'] } },
  ),
  ...siteQuestions,
]
