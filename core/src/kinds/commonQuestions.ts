import type { Answer, Answers } from './answers'
import { type Assumed, asks, asksWhich, type Question } from './question'

export const HOLD = 'What it must hold'
export const PLACE = 'The place'
export const PLANT = 'The plant'
export const SCHOOL = 'How to go about it'
const SITE = 'Supplies and surroundings'

/** A choice that is taken until somebody looked, and why. */
export const taken = (as: Answer | ((answers: Answers) => Answer), why: string): Assumed => ({ as, why })

/** A number that is taken until somebody measured, and by which factor it may be off. */
export const about = (as: number | ((answers: Answers) => number), spread: number, why: string): Assumed => ({
  as,
  why,
  spread,
})

/** A temperature that is taken until somebody knows better, and by how many kelvins it may be off. */
export const aboutC = (as: number | ((answers: Answers) => number), within: number, why: string): Assumed => ({
  as,
  why,
  within,
})

/** Two figures are enough of a size that is only guessed. */
const twoFigures = (value: number) => Number(value.toPrecision(2))

/**
 * A size by the power that goes into it, as such plants are usually found; another where no power was answered.
 * @param wPerUnit watts to a square or cubic metre, or what share of the power it is
 */
export const byPower =
  (wPerUnit: (answers: Answers) => number, otherwise: number) =>
  (answers: Answers): number =>
    typeof answers['power'] === 'number' ? twoFigures(answers['power'] / wPerUnit(answers)) : otherwise

/** Watts of heater to a square metre of floor on a cold day, by how it is insulated (practice). */
export const heaterWPerM2 = ({ insulation: walls }: Answers): number =>
  walls === 'poor' ? 160 : walls === 'good' ? 45 : 90

/** What the owner wants, °C. */
export const target = (
  what = 'What the owner wants at the place of the probe.',
  span: readonly [number, number] = [-40, 90],
) => asks(HOLD, 'target', 'Target', 'temperature', span, what, { required: true, opens: true })

/** How far it may stray, K. */
export const tolerance = (
  hint = 'Up or down from the target, before anyone minds.',
  usualK: Parameters<typeof about>[0] = 1,
) =>
  asks(HOLD, 'tolerance', 'May stray by', 'difference', [0.1, 20], hint, {
    assumed: about(usualK, 2, 'what usually nobody minds (practice)'),
  })

/** The coldest, or for cooling the hottest, outdoors that counts, °C. */
export const designOutdoor = (
  hint = 'The coldest day the plant is made for: local table, or the old plant\u2019s papers.',
) =>
  asks(PLACE, 'designOutdoor', 'Design outdoor', 'temperature', [-60, 55], hint, {
    assumed: aboutC(-10, 8, 'a hard winter day; the local table knows better'),
  })

/** Floor area, m². */
export const floorArea = (
  title = 'Floor area',
  hint = 'Tape: length times width.',
  assumed: Assumed = about(byPower(heaterWPerM2, 20), 1.5, 'as such a power usually heats, else a room (practice)'),
) => asks(PLACE, 'floorArea', title, 'area', [0.5, 5000], hint, { assumed, ways: ['sides-area'] })

/** Until somebody knocked on the wall. */
export const fairly = taken('fair', 'between poor and good, until somebody looked')

export const insulation = asksWhich(
  PLACE,
  'insulation',
  'Insulation',
  {
    poor: ['Poor', 'Old, unimproved.'],
    fair: ['Fair', '1980 to 2000, or improved.'],
    good: ['Good', 'To a recent code.'],
  },
  'Knock on the wall, look at the panes, ask for the year.',
  { assumed: fairly },
)

export const build = asksWhich(
  PLACE,
  'build',
  'Build',
  {
    light: ['Light', 'Warms and cools in hours.'],
    medium: ['Medium', 'Takes a day or two.'],
    heavy: ['Heavy', 'Takes many days.'],
  },
  'Timber frame is light, brick medium, concrete heavy.',
)

export const loss = asks(PLACE, 'loss', 'Heat loss', 'loss', [0.1, 1e6], 'From the heat-loss sheet, or measured.', {
  ways: ['duty-loss', 'cool-loss'],
})

export const capacity = asks(
  PLACE,
  'capacity',
  'Heat stored',
  'capacity',
  [1e3, 1e12],
  'Loss times the time constant of a measured cool-down.',
  { ways: ['cool-capacity'] },
)

/** Power of what heats or cools, W. */
export const power = (hint: string, ways: readonly string[] = ['two-wires', 'three-lines', 'ohms', 'volts-amps']) =>
  asks(HOLD, 'power', 'Power of the plant', 'power', [1, 1e7], hint, { ways, opens: true })

/** Asked of every kind last: what there is to feed it from, and what is around it. */
export const siteQuestions: readonly Question[] = [
  asksWhich(
    HOLD,
    'mainsAtHand',
    'Mains at hand',
    {
      '230': ['230 V, one phase', 'Line, neutral, earth.', 'iec'],
      '400': ['400 V, three phases', 'Three lines, neutral, earth: 230 V from each line to neutral.', 'iec'],
      '120': ['120 V', 'One hot, neutral, ground.', 'us'],
      '240': ['240 V, two hots', 'Two hots, neutral, ground: 120 V from each hot to neutral.', 'us'],
      '208': ['208 V, three-phase', 'Three hots, neutral, ground: 120 V from each hot to neutral.', 'us'],
      '480': ['480 V, three-phase', 'Three hots, neutral, ground: 277 V from each hot to neutral.', 'us'],
      none: ['None', 'Extra-low voltage or a battery only.'],
    },
    'Nameplate of the panel, then measured by whoever may.',
    { opens: true },
  ),
  asksWhich(
    SITE,
    'lowAtHand',
    'Low voltage at hand',
    {
      none: ['None', 'A safety transformer goes in where one is wanted.'],
      '24ac': ['24 V AC', 'What hangs on it already counts in its VA.'],
      '24dc': ['24 V DC', 'Mind plus and minus.'],
      '12dc': ['12 V DC, battery', 'Fuse at the battery.'],
    },
    'Nameplate of the transformer or the battery.',
  ),
  asks(SITE, 'transformerVa', 'Transformer', 'apparentPower', [1, 5000], 'VA on its nameplate.', {
    when: { question: 'lowAtHand', is: ['24ac', '24dc'] },
  }),
  asksWhich(
    SITE,
    'returnWire',
    'Neutral or common where the control goes',
    {
      there: ['There', 'Whatever the control runs on can be fed.'],
      none: [
        'Not there',
        'A control that runs on nothing or on two hots, or a wire more. Earth never stands in for it.',
      ],
    },
    'Open the box dead, and count: a line and a switched wire alone bring no neutral.',
    { when: { question: 'mainsAtHand', is: ['230', '400', '120', '240', '208', '480'] } },
  ),
  asksWhich(
    SITE,
    'wet',
    'Water about',
    {
      dry: ['Dry', 'Nothing special.'],
      damp: ['Damp, condensing', 'Closed housings, glands downwards.'],
      washed: ['Washed down or splashed', 'Extra-low voltage at the probe, 30 mA residual-current device, bonding.'],
    },
    'Ask who cleans, and with what.',
    { safety: true },
  ),
  asksWhich(
    SITE,
    'outdoors',
    'Where the box goes',
    {
      inside: ['Indoors', 'As the leaflet says.'],
      under: ['Outdoors, under a roof', 'Frost and dew: mind its least temperature.'],
      out: ['Outdoors, open', 'Sun, rain and frost: closed housing.'],
    },
    'Stand where the box goes.',
  ),
  asksWhich(
    SITE,
    'explosive',
    'Explosive atmosphere or solvent',
    {
      no: ['No', 'Checked, not guessed.'],
      yes: ['Yes, or may be', 'Stop: not with this tool. A specialist plans it.'],
    },
    'Solvent, gas, dust, fuel store: read the signs, ask the owner.',
    { safety: true },
  ),
]
