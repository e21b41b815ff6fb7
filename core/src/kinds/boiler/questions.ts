import type { Question } from '../question'
import {
  build,
  capacity,
  designOutdoor,
  floorArea,
  HOLD,
  insulation,
  loss,
  PLANT,
  power,
  SCHOOL,
  siteQuestions,
  target,
  tolerance,
} from '../commonQuestions'
import { asks, asksWhich } from '../question'
import { screedQuestions } from '../screedQuestions'

/** What is asked on the first visit. */
export const questions: readonly Question[] = [
  target('Room temperature that the building is heated to.', [5, 35]),
  tolerance('Of the rooms, before anyone minds.'),
  asksWhich(
    HOLD,
    'hotWater',
    'Does it make hot water too',
    {
      no: ['Closed heating circuits only', 'The supply may follow the weather.'],
      stored: [
        'Stored hot water',
        'Never by the reset line: store {60 C}, circulation return {55 C}, anti-scald at the outlet.',
      ],
      plate: ['Through a plate, nothing stored', 'Boiler goes up while a tap runs.'],
    },
    'Look for a cylinder and a second pump.',
    { required: true, safety: true },
  ),
  asks(HOLD, 'storeC', 'Stored at', 'temperature', [10, 95], 'Thermometer at the top of the cylinder.', {
    when: { question: 'hotWater', is: ['stored'] },
    safety: true,
  }),
  designOutdoor(),
  floorArea('Floor area served'),
  insulation,
  build,
  loss,
  capacity,
  asksWhich(
    PLANT,
    'emitter',
    'Gives its heat by',
    {
      'radiators-low': ['Large radiators', 'Cool water will do.'],
      'radiators-old': ['Old radiators', 'Hot water on the coldest day.'],
      convectors: ['Convectors', 'Give little with cool water: keep {40 C} at the mild end.'],
      floor: ['Warm floor', 'Coolest water; the screed\u2019s limiter rules.'],
      coils: ['Fan coils', 'Under {35 C} the air feels cold.'],
    },
    'Walk through the rooms.',
    { required: true },
  ),
  ...screedQuestions(PLANT, { question: 'emitter', is: ['floor'] }),
  asks(
    PLANT,
    'supplyWater',
    'Supply on the design day',
    'temperature',
    [20, 110],
    'From the old setting, or the radiator table.',
  ),
  asks(PLANT, 'waterDrop', 'Supply to return', 'difference', [1, 40], 'Two thermometers, burner settled.'),
  asksWhich(
    PLANT,
    'fuel',
    'Burns',
    {
      gas: ['Gas', 'Licensed trade for gas and flue.'],
      oil: ['Oil', 'Soot when it starts too often.'],
      pellet: ['Wood or pellets', 'Slow, wants a buffer.'],
      electric: ['Nothing, electric', 'Needs a limiter with its own contactor.'],
    },
    'Nameplate.',
  ),
  asksWhich(
    PLANT,
    'condensing',
    'Condensing',
    {
      yes: ['Condensing', 'Cool return pays: under {54 C} it condenses.'],
      no: ['Not condensing', 'Return under its dew point eats it: {55 C} and more at steady burn.'],
    },
    'A plastic flue and a drain say yes.',
    { required: true, safety: true },
  ),
  asks(PLANT, 'returnMin', 'Return not under', 'temperature', [20, 90], 'The boiler\u2019s leaflet.', {
    when: { question: 'condensing', is: ['no'] },
  }),
  asksWhich(
    PLANT,
    'returnLift',
    'What keeps its return warm',
    {
      none: ['Nothing', 'A mixing valve for the rooms does not: it is the return that counts.'],
      loading: ['A loading valve or pump that senses the return', 'Holds the return up at the boiler itself.'],
      own: ['The maker\u2019s own', 'Named in its leaflet.'],
    },
    'Look for a valve with a sensor on the return pipe at the boiler.',
    { when: { question: 'condensing', is: ['no'] }, safety: true },
  ),
  power('Nameplate, or the gas meter by stopwatch.', ['gas-meter', 'volts-amps']),
  asks(
    PLANT,
    'minimumFire',
    'Least fire',
    'percent',
    [5, 100],
    'Nameplate: smallest over greatest heat input; 100 % for one fire.',
  ),
  asks(PLANT, 'water', 'Water in the system', 'litres', [5, 1e5], 'Meter while filling, or litres a kilowatt.'),
  asksWhich(
    SCHOOL,
    'supplySchool',
    'One temperature or by the weather',
    {
      reset: ['Supply follows the weather', 'Less loss, steadier rooms, cooler return.'],
      fixed: ['One supply temperature', 'Simple. Valves in the rooms do the work.'],
    },
    'Ask what the rooms have: valves, or nothing.',
    { school: true },
  ),
  asksWhich(
    SCHOOL,
    'outdoorSchool',
    'Weather of now, or averaged',
    {
      instant: ['Of now', 'Quick: right for light houses.'],
      averaged: ['Averaged over hours', 'Calm: right for heavy houses; the summer shut-down does not flutter.'],
    },
    'Light or heavy build?',
    { school: true, when: { question: 'supplySchool', is: ['reset'] } },
  ),
  asksWhich(
    SCHOOL,
    'through',
    'Boiler itself or a mixing valve',
    {
      boiler: ['The boiler itself', 'Cheap, best with a condensing one. Its burner swing is the supply\u2019s swing.'],
      mixing: [
        'A mixing valve',
        'Supply is steady, the boiler may run hotter than the rooms want. One more drive to prove; it does not keep the return warm.',
      ],
    },
    'A boiler that may not run cool wants its return kept warm besides: say how.',
    { school: true },
  ),
  ...siteQuestions,
]
