import { insulations } from '../../plant/estimate'
import { fieldValue } from '../../plant/fieldValue'
import { capacity, HOLD, loss, PLACE, PLANT, power, SCHOOL, siteQuestions, target, tolerance } from '../commonQuestions'
import type { KindFacts } from '../kindFacts'
import { asks, asksWhich } from '../question'
import { seenFrom } from '../reckoned'
import { estimated } from './estimated'

const goods = ['fish', 'meat', 'medicine', 'frozen'] as const
const FREEZING = 'frozen'

export const coldRoom: KindFacts = {
  title: 'Cold room',
  about: 'cold store with coil frost and defrost',
  questions: [
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
      { required: true },
    ),
    target('What the food code or the label asks for.', [-40, 15]),
    tolerance(),
    asks(PLACE, 'volume', 'Inside', 'volume', [0.5, 5000], 'Tape: three sides.', {
      required: true,
      ways: ['sides-volume'],
    }),
    asksWhich(
      PLACE,
      'insulation',
      'Panels',
      {
        poor: ['80 mm', 'Chill rooms.'],
        fair: ['100 mm', 'Common.'],
        good: ['150 mm', 'Freezers.'],
      },
      'At the door frame.',
      { required: true },
    ),
    asks(PLACE, 'designOutdoor', 'Warmest air around it', 'temperature', [-10, 50], 'Of the room it stands in.', {
      required: true,
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
      { required: true },
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
      { required: true, safety: true },
    ),
    power('Cooling power at your temperatures: nameplate or leaflet.', []),
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
  ],
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
  reckon: (asked) => {
    const { data, number, choice, take, power: powerOf } = asked
    const targetC = number('target')
    const aroundC = number('designOutdoor')
    const volumeM3 = number('volume')
    const made = estimated(asked, {
      kind: 'cold-room',
      volumeM3,
      insulation: choice('insulation', insulations, 'fair'),
    })
    const gain = fieldValue(data, 'cr.gain')
    const gainW = take('heat', {
      value: gain.typical * volumeM3,
      low: gain.low * volumeM3,
      high: gain.high * volumeM3,
      why: `${gain.what}: ${gain.typical} ${gain.unit} (${gain.source})`,
    })
    const plant = fieldValue(data, choice('goods', goods, 'fish') === FREEZING ? 'cr.load.freeze' : 'cr.load')
    const powerW = powerOf('power', ['cooling'], {
      value: plant.typical * volumeM3,
      low: plant.low * volumeM3,
      high: plant.high * volumeM3,
      why: `${plant.what}: ${plant.low} to ${plant.high}, typically ${plant.typical} ${plant.unit} (${plant.source})`,
    })
    const seen = seenFrom('cooling', {
      targetC,
      aroundC,
      gainW,
      lossWPerK: made.lossWPerK,
      capacityJPerK: made.quickJPerK,
      powerW,
    })
    return {
      seen,
      harm: 'heat',
      lines: [
        { label: 'Load on the warmest day', value: seen.loadW, quantity: 'power' },
        { label: 'Plant takes out', value: powerW, quantity: 'power' },
        { label: 'Runs a day', value: Math.min(24, (24 * seen.loadW) / powerW), quantity: 'hours' },
      ],
    }
  },
}
