import type { Question } from '../question'
import {
  build,
  capacity,
  designOutdoor,
  floorArea,
  insulation,
  loss,
  PLANT,
  power,
  SCHOOL,
  siteQuestions,
  taken,
  target,
  tolerance,
} from '../commonQuestions'
import { asksWhich } from '../question'

/** What is asked on the first visit. */
export const questions: readonly Question[] = [
  target('What whoever lives or works there wants.'),
  tolerance(),
  designOutdoor(),
  floorArea(),
  insulation,
  build,
  loss,
  capacity,
  asksWhich(
    PLANT,
    'heater',
    'Heated by',
    {
      electric: ['Electric heater', 'Switched itself; needs its own limiter.'],
      valve: ['Valve on a radiator', 'The boiler makes the heat, the valve lets it in.'],
      air: ['Warm-air heater', 'Quick, and it overshoots little.'],
    },
    'Follow the pipe or the cable.',
    { assumed: taken('electric', 'switched itself, and needs its own limiter') },
  ),
  power('Nameplate of the heater; of a radiator its table at your water.'),
  asksWhich(
    SCHOOL,
    'way',
    'Swing or proportional',
    {
      swing: ['On and off with a swing', 'Simple, any relay. The air goes up and down by the swing and a little more.'],
      proportional: [
        'Proportional',
        'Steady air, but it settles under the setpoint by its droop, and it wants a valve that can stand half open.',
      ],
    },
    'Ask what they mind more: a swing, or being a little under.',
    { school: true },
  ),
  asksWhich(
    SCHOOL,
    'sensor',
    'Room sensor or return air',
    {
      room: ['Room sensor on an inside wall', 'Feels what people feel, minutes late.'],
      return: ['Return air', 'Feels the mean of the air that moves; nothing while the fan stands.'],
    },
    'Look where a sensor can hang: no sun, no draught, no lamp, no outside wall.',
    { school: true },
  ),
  ...siteQuestions,
]
