import { insulations } from '../../plant/estimate'
import { airSensible } from '../../plant/airSensible'
import { fieldValue } from '../../plant/fieldValue'
import {
  floorArea,
  HOLD,
  insulation,
  loss,
  PLACE,
  PLANT,
  SCHOOL,
  siteQuestions,
  target,
  tolerance,
} from '../commonQuestions'
import type { KindFacts } from '../kindFacts'
import { asks, asksWhich } from '../question'
import { seenFrom } from '../reckoned'
import { estimated } from './estimated'

/** Heat that a cubic metre an hour of air carries a kelvin, Wh/m³K. */
const AIR_WH = airSensible(1, 1).wPerK
const LEAST_RISE_K = 0.5

export const fan: KindFacts = {
  title: 'Fan',
  about: 'ventilation by temperature and humidity',
  questions: [
    asksWhich(
      HOLD,
      'occupants',
      'Who lives on this air',
      {
        animals: ['Animals', 'Never off: a minimum, a backup thermostat to full speed, an alarm on its own supply.'],
        people: ['People', 'The same where no window opens.'],
        nobody: ['Nobody', 'The fan may stand.'],
      },
      'Ask what becomes of them when the fan stands for an hour.',
      { required: true, safety: true },
    ),
    target('Air temperature over which the fan goes faster.', [0, 45]),
    tolerance('How far over it the fan may take to full speed.'),
    asks(
      HOLD,
      'humiditySet',
      'Humidity over which it goes faster',
      'percent',
      [20, 95],
      'Leave it empty where only temperature counts.',
    ),
    floorArea(),
    asks(PLACE, 'height', 'Height', 'length', [1, 20], 'Tape, or a laser.', {}),
    insulation,
    loss,
    asks(PLACE, 'designOutdoor', 'Warmest outdoor air', 'temperature', [-20, 55], 'Local table of summer days.', {
      required: true,
    }),
    asks(
      PLACE,
      'heat',
      'Heat of animals, people, lamps',
      'power',
      [0, 1e6],
      'Lamps by their plate; animals by weight and kind.',
    ),
    asks(
      PLANT,
      'airFlow',
      'Fan at full speed',
      'airFlow',
      [5, 500000],
      'Nameplate at its pressure, or air speed over a grille.',
      { ways: ['air-speed'] },
    ),
    asks(
      PLANT,
      'changes',
      'Air changes wanted',
      'perHour',
      [0.5, 60],
      'Guide for what is kept there; quarantine 10 to 15.',
    ),
    asksWhich(
      PLANT,
      'motor',
      'Fan is',
      {
        ec: ['Fan with its own electronics', 'Takes 0–10 V or pulse width; wait out its capacitors.'],
        drive: ['Motor on a drive', 'Signal and run input; not under 20 Hz when it cools itself.'],
        phase: ['One-phase motor, phase cut', 'Hums; stalls under 40 %.'],
        onoff: ['On and off only', 'Backup or extra stage.'],
      },
      'Nameplate and terminals.',
      { required: true },
    ),
    asks(PLANT, 'minimum', 'Least speed', 'percent', [0, 100], 'Just over where it stalls, and enough fresh air.'),
    asksWhich(
      SCHOOL,
      'first',
      'Temperature or humidity first',
      {
        stronger: ['The stronger demand rules', 'Dries when damp and cools when warm.'],
        temperature: ['Temperature alone', 'Outdoor air that is wetter never dries: humidity would only blow.'],
      },
      'Hold indoor and outdoor dew points against each other on a damp day.',
      { school: true },
    ),
    asksWhich(
      SCHOOL,
      'fails',
      'When control fails',
      {
        full: ['Full speed by an independent thermostat', 'Air and noise, nobody suffocates.'],
        minimum: ['Stays at its minimum', 'Only where nobody depends on it.'],
      },
      'Ask who is called at night.',
      { school: true },
    ),
    ...siteQuestions,
  ],
  action: 'cooling',
  fault: ['on', 'off'],
  limiterFor: ['element', 'fuel'],
  limiterC: () => 60,
  swing: () => 'band.fan.temperature',
  starts: () => undefined,
  minimumOff: () => undefined,
  places: () => ['air', 'return-air'],
  leaning: ({ occupants, humiditySet, first, motor }) => ({
    control: motor === 'onoff' ? 'on-off' : 'fan',
    because: 'Air is needed by degrees, not in gusts: speed follows the stronger demand.',
    would: 'A fan that can only be on or off.',
    does: ['air-flow'],
    mostStages: 2,
    band: 'band.fan.temperature',
    also: [
      ...(typeof humiditySet === 'number' && first !== 'temperature'
        ? [{ category: 'transmitter' as const, as: 'humidity transmitter', measures: 'humidity' as const }]
        : []),
      ...(occupants === 'nobody'
        ? []
        : [
            { category: 'permissive' as const, as: 'air-flow switch', senses: 'air-flow' as const },
            { category: 'controller' as const, as: 'backup thermostat', control: 'on-off' as const },
            { category: 'load' as const, as: 'backup fan', does: 'air-flow' as const },
            { category: 'load' as const, as: 'alarm', alarm: true as const },
          ]),
    ],
  }),
  reckon: (asked) => {
    const { data, number, choice, take, typical, power: powerOf } = asked
    const targetC = number('target')
    const aroundC = number('designOutdoor')
    const areaM2 = number('floorArea')
    const heightM = take('height', { value: 2.5, low: 2.2, high: 3.5, why: 'usual height of a room (practice)' })
    const volumeM3 = areaM2 * heightM
    const made = estimated(asked, { kind: 'fan', areaM2, insulation: choice('insulation', insulations, 'fair') })
    const per = fieldValue(data, 'fan.heat')
    const gainW = take('heat', {
      value: per.typical * areaM2,
      low: per.low * areaM2,
      high: per.high * areaM2,
      why: `${per.what}: ${per.low} to ${per.high} ${per.unit} (${per.source})`,
    })
    const changes = typical('changes', 'fan.changes.quarantine')
    const riseK = targetC - aroundC
    // Air that is hardly cooler than the target carries nothing away, however much of it is moved.
    const forHeat = riseK >= LEAST_RISE_K ? Math.max(0, gainW - made.lossWPerK * riseK) / (AIR_WH * riseK) : 0
    const needM3h = Math.max(changes * volumeM3, forHeat)
    const size = fieldValue(data, 'fan.oversize')
    const fromChain = asked.chain.devices.reduce((sum, { facts }) => sum + (facts.load?.movesM3h ?? 0), 0)
    const flowM3h = take(
      'airFlow',
      fromChain > 0
        ? { value: fromChain, why: 'nameplates of the chosen fans together' }
        : {
            value: needM3h * size.typical,
            low: needM3h * size.low,
            high: needM3h * size.high,
            why: `what is needed × ${size.low} to ${size.high} (${size.source})`,
          },
    )
    take('minimum', {
      value: fieldValue(data, 'fan.min.ec').typical,
      low: 5,
      high: 40,
      why: 'where fans of this sort start turning (typical)',
    })
    const powerW = powerOf('power', [], {
      value: AIR_WH * flowM3h * Math.max(0, riseK),
      why: 'air at full speed, from target to warmest outdoor air',
    })
    return {
      seen: {
        ...seenFrom('cooling', {
          targetC,
          aroundC,
          gainW,
          lossWPerK: made.lossWPerK,
          capacityJPerK: made.quickJPerK,
          powerW,
        }),
      },
      harm: 'heat',
      lines: [
        { label: 'Fresh air wanted', value: changes * volumeM3, quantity: 'airFlow' },
        { label: 'Air to carry the heat', value: forHeat, quantity: 'airFlow' },
        { label: 'Fan at full speed', value: flowM3h, quantity: 'airFlow' },
        { label: 'Carries away, full speed', value: powerW, quantity: 'power' },
      ],
    }
  },
}
