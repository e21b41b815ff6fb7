import { insulations } from '../../plant/estimate'
import { fieldValue } from '../../plant/fieldValue'
import { capacity, HOLD, loss, PLACE, PLANT, power, SCHOOL, siteQuestions, target, tolerance } from '../commonQuestions'
import type { KindFacts } from '../kindFacts'
import { asks, asksWhich } from '../question'
import { seenFrom } from '../reckoned'
import { estimated } from './estimated'

/** Of most dry goods: plaster, wood, textile, J/kgK. */
const GOODS_J_PER_KG_K = 1000

export const cabinet: KindFacts = {
  title: 'Heated cabinet',
  about: 'heated cabinet or oven, with a timer',
  questions: [
    target('What the goods want.', [25, 400]),
    tolerance(),
    asks(HOLD, 'most', 'Goods bear at most', 'temperature', [25, 600], 'Label or maker of the goods.'),
    asks(HOLD, 'hold', 'Time at temperature', 'minutes', [0, 10000], 'Empty where it runs on.'),
    asksWhich(
      HOLD,
      'solvent',
      'Do the goods give off solvent or gas',
      { no: ['No', 'Water vapour is none.'], yes: ['Yes, or may be', 'Stop: explosion. A specialist plans it.'] },
      'Ask what they were painted, glued or washed with.',
      { required: true, safety: true },
    ),
    asks(PLACE, 'volume', 'Inside', 'volume', [0.01, 200], 'Tape: three sides.', {
      required: true,
      ways: ['sides-volume'],
    }),
    asksWhich(
      PLACE,
      'insulation',
      'Walls',
      {
        poor: ['Single sheet', 'Hot to touch.'],
        fair: ['Some wool', 'Warm to touch.'],
        good: ['Thick wool', 'Cool to touch.'],
      },
      'Knock, and touch when hot with the back of a hand.',
      { required: true },
    ),
    asks(PLACE, 'designOutdoor', 'Air around it, coldest', 'temperature', [-30, 45], 'Of the room it stands in.', {
      required: true,
    }),
    loss,
    capacity,
    asks(PLACE, 'load', 'Goods inside', 'mass', [0, 1e5], 'Weigh, or estimate by the piece.'),
    power('Nameplate; volts and amps; elements cold by ohms: U² ÷ R.'),
    asksWhich(
      PLANT,
      'circulates',
      'Air inside',
      {
        fan: ['Moved by a fan', 'Even. The heater must not run without it.'],
        still: ['Still', 'Top hotter than bottom: measure both.'],
      },
      'Listen.',
    ),
    asksWhich(
      SCHOOL,
      'way',
      'Contactor with a swing, or solid-state and proportioned',
      {
        swing: ['Contactor, on and off', 'Robust. Air goes up and down by several kelvin.'],
        proportioned: [
          'Solid-state relay, time-proportioned',
          'Within a kelvin. Fails closed: the limiter needs a contactor of its own.',
        ],
      },
      'Hold the tolerance against the swing.',
      { school: true },
    ),
    ...siteQuestions,
  ],
  action: 'heating',
  fault: ['off'],
  limiterFor: ['element', 'fuel'],
  limiterC: ({ target: set }, data) => (typeof set === 'number' ? set : 60) + fieldValue(data, 'oven.limiter').typical,
  swing: ({ way }) => (way === 'proportioned' ? 'swing.oven.ssr' : 'swing.oven.contactor'),
  starts: ({ way }) => (way === 'proportioned' ? undefined : 'starts.motor.dol'),
  minimumOff: () => undefined,
  places: () => ['oven', 'air'],
  leaning: ({ way }) => ({
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
    ],
  }),
  reckon: (asked) => {
    const { data, number, choice, take, power: powerOf } = asked
    const targetC = number('target')
    const aroundC = number('designOutdoor')
    const volumeM3 = number('volume')
    const made = estimated(asked, { kind: 'cabinet', volumeM3, insulation: choice('insulation', insulations, 'fair') })
    const goods = fieldValue(data, 'oven.load')
    const massKg = take('load', {
      value: goods.typical * volumeM3,
      low: goods.low * volumeM3,
      high: goods.high * volumeM3,
      why: `${goods.what}: ${goods.low} to ${goods.high} ${goods.unit} (${goods.source})`,
    })
    const per = fieldValue(data, 'oven.power')
    const powerW = powerOf('power', ['element', 'fuel'], {
      value: per.typical * 1000 * volumeM3,
      low: per.low * 1000 * volumeM3,
      high: per.high * 1000 * volumeM3,
      why: `${per.what}: ${per.low} to ${per.high} ${per.unit} (${per.source})`,
    })
    const seen = seenFrom('heating', {
      targetC,
      aroundC,
      lossWPerK: made.lossWPerK,
      capacityJPerK: made.quickJPerK,
      powerW,
    })
    const storedJPerK = made.capacityJPerK + massKg * GOODS_J_PER_KG_K
    const leftW = powerW - seen.loadW / 2
    return {
      seen,
      harm: 'heat',
      lines: [
        { label: 'Holds with', value: seen.loadW, quantity: 'power' },
        { label: 'Elements', value: powerW, quantity: 'power' },
        ...(leftW > 0 && powerW > seen.loadW
          ? [
              {
                label: 'Warm-up, about',
                value: (storedJPerK * (targetC - aroundC)) / leftW / 3600,
                quantity: 'hours' as const,
              },
            ]
          : []),
      ],
    }
  },
}
