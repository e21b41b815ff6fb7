import type { Question } from '../question'
import {
  about,
  aboutC,
  byPower,
  HOLD,
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
  asksWhich(
    HOLD,
    'users',
    'Who touches the water',
    {
      people: ['People', 'Extra-low voltage at every probe, 30 mA residual-current device, bonding.'],
      animals: ['Animals', 'The same: they cannot say that it tingles.'],
      nobody: ['Nobody', 'Closed tank or pipe.'],
    },
    'Ask, and look for steps and a haul-out.',
    { safety: true, assumed: taken('people', 'until somebody says otherwise the water is touched') },
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
    { assumed: taken('sheltered', 'between a hall and the open') },
  ),
  asks(PLACE, 'floorArea', 'Water surface', 'area', [0.2, 5000], 'Tape over the rim.', {
    assumed: about(
      byPower(({ site }) => (site === 'hall' ? 250 : 600), 20),
      2,
      'as such a power usually heats (practice)',
    ),
    ways: ['sides-area'],
  }),
  asks(PLACE, 'volume', 'Water', 'volume', [0.1, 1e5], 'Tape, or the meter while filling.', {
    assumed: about(({ floorArea: surface }) => Number(surface) * 1.4, 1.5, 'surface times the usual depth (practice)'),
    ways: ['sides-volume'],
  }),
  asks(
    PLACE,
    'designOutdoor',
    'Air over the water, coldest',
    'temperature',
    [-30, 45],
    'Of a hall its air; outdoors the coldest day in use.',
    { assumed: aboutC(({ site }) => (site === 'hall' ? 28 : 10), 5, 'usual air of a hall, or a cool night in use') },
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
    {
      assumed: taken(
        ({ power: has }) => (typeof has === 'number' && has <= 6000 ? 'electric' : 'called'),
        'by its power: large ones have their own controls',
      ),
    },
  ),
  power('Nameplate; gas meter by stopwatch; volts and amps; or how fast it warms.', [
    'gas-meter',
    'water-drop',
    'three-lines',
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
]
