import type { Question } from '../question'
import {
  about,
  aboutC,
  byPower,
  capacity,
  fairly,
  HOLD,
  loss,
  PLACE,
  PLANT,
  power,
  SCHOOL,
  siteQuestions,
  target,
  tolerance,
} from '../commonQuestions'
import { asks, asksWhich } from '../question'

/** What is asked on the first visit. */
export const questions: readonly Question[] = [
  target('What the goods want.', [25, 400]),
  tolerance(undefined, 3),
  asks(HOLD, 'most', 'Goods bear at most', 'temperature', [25, 600], 'Label or maker of the goods.'),
  asks(HOLD, 'hold', 'Time at temperature', 'minutes', [0, 10000], 'Empty where it runs on.'),
  asksWhich(
    HOLD,
    'solvent',
    'Do the goods give off solvent or gas',
    { no: ['No', 'Water vapour is none.'], yes: ['Yes, or may be', 'Stop: explosion. A specialist plans it.'] },
    'Ask what they were painted, glued or washed with.',
    { safety: true },
  ),
  asks(PLACE, 'volume', 'Inside', 'volume', [0.01, 200], 'Tape: three sides.', {
    assumed: about(
      byPower(() => 2500, 0.5),
      2,
      'as such a power usually heats (practice)',
    ),
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
    { assumed: fairly },
  ),
  asks(PLACE, 'designOutdoor', 'Air around it, coldest', 'temperature', [-30, 45], 'Of the room it stands in.', {
    assumed: aboutC(15, 5, 'a cool workshop'),
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
]
