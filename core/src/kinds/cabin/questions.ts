import type { Question } from '../question'
import {
  about,
  aboutC,
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
  asksWhich(
    HOLD,
    'sleeps',
    'Who is in it while it runs',
    {
      people: ['People, also asleep', 'Carbon monoxide alarm in the cabin, always.'],
      animals: ['Animals', 'The same; and somebody who looks in.'],
      nobody: ['Nobody', 'Preheating only.'],
    },
    'Ask who sleeps in it.',
    { assumed: taken('people', 'until somebody says otherwise somebody sleeps there') },
  ),
  target('Air in the cabin.', [2, 35]),
  tolerance(undefined, 2),
  asksWhich(
    PLACE,
    'parked',
    'Parked where it starts by itself',
    {
      open: ['In the open', 'Exhaust away from windows and intake.'],
      enclosed: ['Garage, hall or ferry', 'Stop: exhaust fills the room. No timed start there.'],
    },
    'Ask for every place, not only the usual one.',
    { safety: true },
  ),
  asks(PLACE, 'volume', 'Inside', 'volume', [1, 100], 'Tape: three sides.', { ways: ['sides-volume'] }),
  asksWhich(
    PLACE,
    'insulation',
    'Walls',
    {
      poor: ['Bare sheet', 'Twice the loss.'],
      fair: ['Part insulated', 'Between.'],
      good: ['Insulated', 'Panes still lose.'],
    },
    'Knock.',
    { assumed: taken('good', 'most vans are insulated where one sleeps in them') },
  ),
  asks(PLACE, 'designOutdoor', 'Coldest night', 'temperature', [-45, 20], 'Where it will stand.', {
    assumed: aboutC(-15, 8, 'a hard night'),
  }),
  loss,
  power('Nameplate of the heater, full.', []),
  asks(PLANT, 'batteryAh', 'Battery', 'ampereHours', [1, 5000], 'Label. A cold lead battery gives half.', {
    assumed: about(100, 1.5, 'a common battery'),
  }),
  asksWhich(
    PLANT,
    'chemistry',
    'Battery is',
    {
      lead: ['Lead', 'Half may be used; half again in hard frost.'],
      lfp: ['Lithium iron phosphate', 'No charging under {0 C}.'],
    },
    'Label.',
    { assumed: taken('lead', 'the one that gives less') },
  ),
  asks(PLANT, 'glowA', 'Glow current', 'current', [0.5, 60], 'Clamp meter at a start; leaflet.'),
  asks(PLANT, 'glowS', 'Glow time', 'seconds', [5, 600], 'Stopwatch.'),
  asks(PLANT, 'runA', 'Current while it runs', 'current', [0.05, 20], 'Clamp meter, settled.'),
  asks(PLANT, 'hoursWanted', 'Must last', 'hours', [0.5, 100], 'A night, a weekend.'),
  asksWhich(
    PLANT,
    'coAlarm',
    'Carbon monoxide alarm',
    {
      yes: ['In the cabin, in date, tested', 'Press its button now.'],
      no: ['None, or out of date', 'Stop: none runs a fuel heater without it.'],
    },
    'Look for it, read its date.',
    { safety: true },
  ),
  asksWhich(
    PLANT,
    'chassis',
    'Minus of the battery',
    {
      chassis: [
        'Lies on the chassis',
        'Never an insulation test: its voltage runs through every device of the vehicle.',
      ],
      apart: ['Insulated from the chassis', 'Insulation can be tested, electronics lifted.'],
    },
    'Follow the cable from the minus clamp.',
    { safety: true },
  ),
  asksWhich(
    SCHOOL,
    'way',
    'On and off, or ramped',
    {
      swing: ['On and off with a swing', 'Each start costs a glow.'],
      ramped: ['Ramped between low and full', 'Fewer starts; long spells at low fire soot: full once a day.'],
    },
    'What the heater\u2019s input can take.',
    { school: true },
  ),
  ...siteQuestions,
]
