import { about, aboutC, HOLD, PLACE, power, SCHOOL, siteQuestions, target } from '../commonQuestions'
import { asks, asksWhich, type Question } from '../question'

/** What is asked on the first visit: what it must hold, what it switches, and how fast it goes up and down. */
export const questions: readonly Question[] = [
  target('What it must hold at the probe.', [-40, 400]),
  asks(HOLD, 'swing', 'Swing', 'difference', [0.1, 50], 'From where it switches on to where it switches off.', {
    opens: true,
    assumed: about(1, 2, 'what most thermostats come with'),
  }),
  asksWhich(
    HOLD,
    'switches',
    'What it switches',
    {
      element: ['An electric heater', 'Heats. Needs a limiter with its own probe and its own contact.'],
      called: ['A heat source that is called by a contact', 'Heats. It brings its own protection.'],
      compressor: ['A cooling compressor', 'Cools. It must stay off for minutes between two runs.'],
    },
    'Its nameplate, and what its terminals ask for.',
    {
      opens: true,
      assumed: {
        as: ({ target: set }) => (typeof set === 'number' && set < 12 ? 'compressor' : 'element'),
        why: 'over {12 C} it is most often heat that is wanted',
      },
    },
  ),
  asks(HOLD, 'tolerance', 'May stray by', 'difference', [0.1, 50], 'Up or down from the target, before anyone minds.', {
    assumed: about(({ swing }) => 2 * Number(swing), 2, 'twice its swing'),
  }),
  power('Nameplate of what it switches: what it gives, or takes out.'),
  asks(
    PLACE,
    'designOutdoor',
    'Around it, on the hardest day',
    'temperature',
    [-60, 60],
    'Coldest where it heats, warmest where it cools.',
    {
      assumed: aboutC(
        ({ switches, target: set }) => {
          const heldC = typeof set === 'number' ? set : 20
          return cools(switches) ? Math.max(28, heldC + 10) : Math.min(5, heldC - 10)
        },
        5,
        'a hot day, or a cold shed; always further off than the target',
      ),
    },
  ),
  asks(
    PLACE,
    'rise',
    'Goes up in an hour',
    'difference',
    [0.01, 2000],
    'At its set, heating full on, or cooling off: two readings and a clock.',
    {
      assumed: about(({ switches }) => (cools(switches) ? 4 : 6), 3, 'between a room and a small cabinet (practice)'),
    },
  ),
  asks(
    PLACE,
    'fall',
    'Goes down in an hour',
    'difference',
    [0.01, 2000],
    'At its set, heating off, or cooling full on: two readings and a clock.',
    {
      assumed: about(({ switches }) => (cools(switches) ? 6 : 4), 3, 'between a room and a small cabinet (practice)'),
    },
  ),
  asksWhich(
    SCHOOL,
    'feels',
    'Probe in it, or on it',
    {
      inside: ['In the air or liquid', 'Feels what is held, a little late.'],
      skin: ['On the skin of the thing', 'Quick where it is metal, but it feels the skin: offset it.'],
    },
    'Look where a probe can sit and stay.',
    { school: true },
  ),
  ...siteQuestions,
]

/** Whether what is switched takes heat out. */
export function cools(switches: unknown): boolean {
  return switches === 'compressor'
}
