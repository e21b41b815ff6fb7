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
  tolerance,
} from '../commonQuestions'
import { asks, asksWhich } from '../question'

/** What is asked on the first visit. */
export const questions: readonly Question[] = [
  asks(
    HOLD,
    'target',
    'Cooling starts about',
    'temperature',
    [20, 60],
    'What the electronics bear; lower brings condensate and no gain.',
    { required: true, opens: true },
  ),
  tolerance('Over that, before the electronics mind.', 5),
  asks(PLACE, 'height', 'Height', 'length', [0.2, 5], 'Tape, outside.', { assumed: about(2, 1.3, 'a common cabinet') }),
  asks(PLACE, 'width', 'Width', 'length', [0.2, 10], 'Tape, outside.', {
    assumed: about(0.8, 1.5, 'a common cabinet'),
  }),
  asks(PLACE, 'depth', 'Depth', 'length', [0.1, 5], 'Tape, outside.', { assumed: about(0.6, 1.3, 'a common cabinet') }),
  asksWhich(
    PLACE,
    'mounting',
    'How it stands',
    {
      'single-free': ['Alone, free all round', 'Gives off most.'],
      'single-wall': ['Alone, back to a wall', 'The back gives less.'],
      'end-free': ['End of a row, free', 'One side covered.'],
      'end-wall': ['End of a row, at a wall', 'One side and the back covered.'],
      'middle-free': ['In a row, free', 'Both sides covered.'],
      'middle-wall': ['In a row, at a wall', 'Front and roof only.'],
      'middle-wall-covered': ['In a row, at a wall, roof covered', 'Front only.'],
    },
    'Walk round it.',
  ),
  asksWhich(
    PLACE,
    'material',
    'Made of',
    {
      steel: ['Painted steel', 'Radiates well.'],
      stainless: ['Bare stainless', 'Radiates badly.'],
      plastic: ['Glass-fibre or plastic', 'Insulates.'],
    },
    'A magnet and a fingernail.',
  ),
  asks(
    PLACE,
    'designOutdoor',
    'Warmest air around it',
    'temperature',
    [-10, 60],
    'Hottest afternoon, at the cabinet.',
    { assumed: aboutC(35, 5, 'a hot afternoon in a works') },
  ),
  asks(PLACE, 'sun', 'Sunlit wall', 'area', [0, 50], 'Face that the sun reaches; 0 indoors.'),
  asks(
    PLANT,
    'heat',
    'Heat inside',
    'power',
    [1, 1e6],
    'Sum of the losses: drives 3 % of their output, power supplies 10 %.',
    {
      assumed: about(
        byPower(() => 1.4, 500),
        2,
        'what such a cooler is usually chosen for (practice)',
      ),
    },
  ),
  asksWhich(
    PLANT,
    'cooler',
    'Cooled by',
    {
      air: ['Compressed-air cooler and a valve', 'No moving parts; takes much air. Filtered, dry.'],
      filter: ['Fan and filter', 'Only where outside is cooler than inside.'],
      unit: ['Cooling unit', 'Compressor with its own minimum off time.'],
    },
    'What is there, what is at hand.',
    { assumed: taken('unit', 'a cooler that also cools under what is around it') },
  ),
  power('Cooling power on the nameplate at your temperatures.', ['air-rise']),
  asksWhich(
    PLANT,
    'compressedAir',
    'Compressed air at hand',
    {
      no: ['No', 'Another way of cooling.'],
      yes: ['Yes, {6 bar|90 psi}, dry, filtered to 5 µm', 'Shut and bleed before opening; ear protection at the vent.'],
      poor: ['Yes, but wet or oily', 'Filter and dryer first: it blows onto electronics.'],
    },
    'Gauge and filter bowl.',
    { when: { question: 'cooler', is: ['air'] } },
  ),
  asksWhich(
    SCHOOL,
    'sensor',
    'Where it feels',
    {
      top: ['In the warm air at the top', 'Protects the hottest part.'],
      inlet: [
        'In the cool air at the drives\u2019 intake',
        'What the drives breathe; cooler than the top by several kelvin.',
      ],
    },
    'Feel where the drives take their air in.',
    { school: true },
  ),
  ...siteQuestions,
]
