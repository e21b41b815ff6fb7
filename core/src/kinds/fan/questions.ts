import type { Question } from '../question'
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
import { asks, asksWhich } from '../question'

/** What is asked on the first visit. */
export const questions: readonly Question[] = [
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
]
