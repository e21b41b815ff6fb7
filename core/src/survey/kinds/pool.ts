import { fieldValue } from '../../plant/fieldValue'
import { poolEvaporation } from '../../plant/poolEvaporation'
import { storedJPerK } from '../../plant/water'
import type { CalcCall } from '../asked'
import { HOLD, PLACE, PLANT, power, SCHOOL, siteQuestions, target, tolerance } from '../commonQuestions'
import type { KindFacts } from '../kindFacts'
import { asks, asksWhich } from '../question'
import { seenFrom } from '../reckoned'

const covers = ['none', 'night', 'always'] as const
const SMALL_M3 = 2

export const pool: KindFacts = {
  title: 'Pool or tank',
  about: 'pool, tank or basin heater',
  questions: [
    asksWhich(
      HOLD,
      'users',
      'Who touches the water',
      {
        people: ['People', 'Extra-low voltage at every probe, 30 mA residual-current device (US: Class A), bonding.'],
        animals: ['Animals', 'The same: they cannot say that it tingles.'],
        nobody: ['Nobody', 'Closed tank or pipe.'],
      },
      'Ask, and look for steps and a haul-out.',
      { required: true, safety: true },
    ),
    asksWhich(
      HOLD,
      'bonding',
      'Metal at the water is bonded',
      {
        yes: [
          'Bonded together and to earth',
          'Rails, ladder, pipes, reinforcement, heater shell: measured in the dead tests.',
        ],
        no: ['Not bonded, or not known', 'Stop: a fault puts a voltage between water and metal.'],
      },
      'Look for the bar and its green conductors; ask for the last record.',
      { when: { question: 'users', is: ['people', 'animals'] }, safety: true },
    ),
    asksWhich(
      HOLD,
      'aerosol',
      'Jets, fountain or spray',
      {
        no: ['None', 'Nothing is breathed in.'],
        yes: ['Jets, a fountain, a spray', 'Between {20 C} and {50 C} Legionella are breathed in: a written plan.'],
      },
      'Switch everything on that moves water, and look.',
      { safety: true },
    ),
    asksWhich(
      HOLD,
      'waterPlan',
      'Written plan against Legionella',
      {
        yes: ['There is one, and it is kept', 'Disinfection, flushing, samples; by whoever may.'],
        no: ['None', 'Stop while it makes spray.'],
      },
      'Ask for it and for its last entry.',
      { when: { question: 'aerosol', is: ['yes'] }, safety: true },
    ),
    target('What the users need in the water.', [-2, 60]),
    tolerance(),
    asks(PLACE, 'floorArea', 'Water surface', 'area', [0.2, 5000], 'Tape over the rim.', {
      required: true,
      ways: ['sides-area'],
    }),
    asks(PLACE, 'volume', 'Water', 'volume', [0.1, 1e5], 'Tape, or the meter while filling.', {
      required: true,
      ways: ['sides-volume'],
    }),
    asksWhich(
      PLACE,
      'site',
      'Where it lies',
      {
        hall: ['In a hall', 'The air is warm and still.'],
        sheltered: ['Outdoors, sheltered', 'Some wind.'],
        open: ['Outdoors, open', 'Wind doubles what evaporates.'],
      },
      'Stand at the rim.',
      { required: true },
    ),
    asks(
      PLACE,
      'designOutdoor',
      'Air over the water, coldest',
      'temperature',
      [-30, 45],
      'Of a hall its air; outdoors the coldest day in use.',
      { required: true },
    ),
    asks(PLACE, 'humidity', 'Humidity of that air', 'percent', [5, 100], 'Hygrometer; a hall is held at 50 to 60 %.'),
    asksWhich(
      PLACE,
      'cover',
      'Cover',
      {
        none: ['None', 'Most of the heat goes by evaporation.'],
        night: ['At night', 'About half of the loss stays.'],
        always: ['Floating, always', 'A tenth of the evaporation is left.'],
      },
      'Look for a roller, ask who rolls it.',
    ),
    asksWhich(
      PLANT,
      'heater',
      'Heated by',
      {
        called: ['A heater of its own, called by a dry contact', 'Gas heater or heat pump with its own controls.'],
        electric: ['Electric flow heater', 'Switched by a contactor, limiter in the line.'],
        exchanger: ['Exchanger and a pump or valve', 'Boiler water on the other side.'],
      },
      'Nameplate, and what its terminals ask for.',
      { required: true },
    ),
    power('Nameplate; gas meter by stopwatch; volts and amps; or how fast it warms.', [
      'gas-meter',
      'volts-amps',
      'warm-up',
    ]),
    asks(PLANT, 'pumpHours', 'Filter pump runs a day', 'hours', [0.5, 24], 'Its timer, or ask.'),
    asksWhich(
      SCHOOL,
      'owner',
      'Who owns the pump',
      {
        heater: ['The heater calls the pump', 'Heat whenever it is wanted; the pump runs longer.'],
        timer: ['The pump\u2019s timer owns it', 'Heats only in filter hours; size the heater for them.'],
      },
      'Ask who pays for the pump, and whether a night without heat is too long.',
      { school: true },
    ),
    ...siteQuestions,
  ],
  action: 'heating',
  fault: ['off'],
  limiterFor: ['element', 'fuel', 'water-flow'],
  limiterC: (_, data) => fieldValue(data, 'pool.limit').typical,
  swing: ({ volume }) => (typeof volume === 'number' && volume < SMALL_M3 ? 'swing.tank.small' : 'swing.pool'),
  starts: ({ heater }) => (heater === 'called' ? 'starts.boiler' : 'starts.motor.dol'),
  minimumOff: ({ heater }) => (heater === 'called' ? 'off.boiler.gas' : undefined),
  places: () => ['pipe', 'pocket'],
  leaning: ({ heater }) => ({
    control: 'on-off',
    because: 'Water stores so much that on and off is steady enough; flow must be proved before heat.',
    would: 'A tank under 2 m³ with a strong heater, or a tolerance under a tenth of a kelvin.',
    does: heater === 'electric' ? ['element'] : heater === 'exchanger' ? ['water-flow'] : ['fuel'],
    mostStages: 2,
    also: [
      { category: 'probe', as: 'probe in the pipe, before the heater', places: ['pipe', 'pocket'] },
      { category: 'permissive', as: 'flow switch', senses: 'flow' },
      ...(heater === 'called' ? [] : [{ category: 'limiter' as const, as: 'limiter at the heater\u2019s outlet' }]),
    ],
  }),
  reckon: (asked) => {
    const { data, number, choice, take, power: powerOf } = asked
    const targetC = number('target')
    const airC = number('designOutdoor')
    const areaM2 = number('floorArea')
    const volumeM3 = number('volume')
    const site = choice('site', ['hall', 'sheltered', 'open'], 'sheltered')
    const cover = choice('cover', covers, 'none')
    const humidityPercent = take('humidity', {
      value: site === 'hall' ? 55 : 70,
      low: 45,
      high: 90,
      why: 'usual air over a pool (practice)',
    })
    const left = fieldValue(data, 'pool.coverfactor').typical
    const uncovered = { none: 1, night: 0.5 + left / 2, always: left }[cover]
    const evaporation = {
      areaM2,
      waterC: targetC,
      airC,
      humidityPercent,
      windMPerS: { hall: 0.1, sheltered: 0.5, open: 2 }[site],
      activity: (site === 'hall' ? fieldValue(data, 'pool.activity').typical : 1) * uncovered,
    }
    const wet = poolEvaporation(evaporation)
    const call = (output: string): CalcCall => ({ calc: 'pool.evaporation', input: evaporation, output })
    const ground = 1 + fieldValue(data, 'pool.ground').typical / 100
    // With a cover on, the film under it carries less; what it still lets through is the row of covered pools.
    const film = fieldValue(data, 'pool.u.cover').typical
    const openFilm = 5 + 3.1 + 4.1 * evaporation.windMPerS
    const lossWPerK = ground * areaM2 * (openFilm * uncovered + film * (1 - uncovered))
    const stored = storedJPerK(volumeM3)
    const loadW = Math.max(1, wet.evaporationW * ground + lossWPerK * (targetC - airC))
    const rate = fieldValue(data, 'pool.rate')
    const sized = (kPerH: number) => loadW + (stored * kPerH) / 3600
    const powerW = powerOf('power', ['element', 'fuel', 'water-flow'], {
      value: sized(rate.typical),
      low: sized(rate.low),
      high: sized(rate.high),
      why: `load and ${rate.low} to ${rate.high}, typically ${rate.typical} ${rate.unit} of reheat (${rate.source})`,
    })
    const hours = take('pumpHours', { value: 24, low: 8, high: 24, why: 'heat wanted at any hour (practice)' })
    return {
      seen: {
        ...seenFrom('heating', {
          targetC,
          aroundC: airC,
          gainW: -wet.evaporationW * ground,
          lossWPerK,
          capacityJPerK: stored,
          powerW,
        }),
        loadW,
      },
      harm: 'heat',
      pool: { evaporation, ground },
      lines: [
        { label: 'Evaporates', value: wet.evaporationW, quantity: 'power', worked: call('evaporationW') },
        { label: 'Needs on the coldest day', value: loadW, quantity: 'power' },
        { label: 'In pump hours it can give', value: (powerW * hours) / 24, quantity: 'power' },
        {
          label: 'Warms in an hour by',
          value: Math.max(0, ((powerW - loadW) * 3600) / stored),
          quantity: 'difference',
        },
      ],
    }
  },
}
