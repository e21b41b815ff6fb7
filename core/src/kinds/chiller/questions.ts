import type { Question } from '../question'
import {
  about,
  aboutC,
  byPower,
  fairly,
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
  target('Of the liquid, where the school below says.', [-30, 25]),
  tolerance(undefined, 2),
  asks(PLACE, 'volume', 'Liquid in the loop', 'volume', [0.02, 5000], 'Tank by tape, pipes by litres a metre.', {
    assumed: about(
      byPower(() => 40_000, 0.3),
      2,
      'by its power, as such loops usually hold (practice)',
    ),
    ways: ['sides-volume'],
  }),
  asksWhich(
    PLACE,
    'insulation',
    'Tank and pipes are',
    {
      poor: ['Bare', 'Sweat and lose.'],
      fair: ['Thinly insulated', 'Common.'],
      good: ['Well insulated', 'Closed, vapour-tight.'],
    },
    'Feel for sweat.',
    { assumed: fairly },
  ),
  asks(PLACE, 'designOutdoor', 'Warmest air around it', 'temperature', [-10, 50], 'Of the plant room.', {
    assumed: aboutC(30, 5, 'a hot plant room'),
  }),
  loss,
  asks(
    PLACE,
    'heat',
    'Load at its greatest',
    'power',
    [10, 1e7],
    'What is cooled: nameplates, or flow times difference.',
    {
      assumed: about(
        byPower(() => 1.2, 10_000),
        1.5,
        'what such a chiller is usually chosen for (practice)',
      ),
    },
  ),
  asksWhich(
    PLANT,
    'liquid',
    'Liquid',
    {
      water: ['Water', 'Never near {0 C}: cut-out at {4 C}.'],
      pg: ['Propylene glycol', 'Where food or animals are.'],
      eg: ['Ethylene glycol', 'Poisonous: closed plants only.'],
    },
    'Refractometer, and the label at the filling point.',
    {
      assumed: taken(
        ({ target: set }) => (typeof set === 'number' && set < 8 ? 'pg' : 'water'),
        'under {8 C} water freezes in the evaporator',
      ),
    },
  ),
  asks(PLANT, 'glycol', 'Share of glycol', 'percent', [0, 60], 'Refractometer. Under 25 % it feeds bacteria.', {
    when: { question: 'liquid', is: ['pg', 'eg'] },
  }),
  asks(
    PLANT,
    'evaporating',
    'Lowest evaporating temperature',
    'temperature',
    [-45, 20],
    'Suction gauge by licensed people; else {8 K} under what leaves.',
  ),
  asks(PLANT, 'stages', 'Compressors or steps', 'count', [1, 8], 'Count them.', {
    assumed: taken(({ power: has }) => (typeof has === 'number' && has > 30_000 ? 2 : 1), 'by its power (practice)'),
  }),
  power('Cooling power of all steps together, nameplate at your temperatures.', ['water-drop']),
  asksWhich(
    SCHOOL,
    'waterSchool',
    'Control on return or on leaving liquid',
    {
      return: ['Return', 'Steps follow the load by themselves; leaving liquid wanders.'],
      leaving: ['Leaving', 'Steady supply; needs delays, and the freeze margin is nearer.'],
    },
    'Ask what minds: the plant or what it cools.',
    { school: true },
  ),
  asksWhich(
    SCHOOL,
    'stageSchool',
    'Spaced setpoints or one with delays',
    {
      spaced: ['Spaced setpoints', 'Each step has its own; always told why it runs.'],
      delays: ['One setpoint, delays between', 'Tighter; hunts when the delay is short.'],
    },
    'A controller with as many sets as steps can do both.',
    { school: true },
  ),
  asksWhich(
    SCHOOL,
    'lead',
    'Fixed lead or rotation',
    {
      fixed: ['Fixed lead', 'One wears first, the spare is fresh.'],
      rotate: ['Rotation', 'Even wear; they tire together.'],
    },
    'Ask about service.',
    { school: true },
  ),
  ...siteQuestions,
]
