import { airSensible } from '../plant/airSensible'
import { gasRate } from '../plant/gasRate'
import { storedJPerK } from '../plant/water'
import { type Practice, standardOf, type WiringStandard } from '../units/practice'
import type { Quantity } from '../units/quantity'
import { electricLoad } from '../wiring/electricLoad'
import { heatingElements } from '../wiring/heatingElements'

interface WayField {
  readonly id: string
  readonly title: string
  readonly quantity: Quantity
  readonly low: number
  readonly high: number
  /** Put in where nobody knows better; volts are those of a wiring standard. */
  readonly typical?: number | Readonly<Record<WiringStandard, number>>
}

/** A way of working out a figure from what can be measured on site. Values in SI, as the quantities say. */
export interface Way {
  readonly id: string
  readonly title: string
  readonly hint: string
  readonly fields: readonly WayField[]
  readonly formula: string
  readonly source: string
  /** @throws RangeError when the figures make no sense together */
  readonly run: (values: Readonly<Record<string, number>>) => number
}

const field = (
  id: string,
  title: string,
  quantity: Quantity,
  [low, high]: readonly [number, number],
  typical?: WayField['typical'],
): WayField => ({ id, title, quantity, low, high, ...(typical === undefined ? {} : { typical }) })

/** What is put into a field where nobody knows better, in a practice. */
export const typicalIn = ({ typical }: WayField, practice: Practice): number | undefined =>
  typeof typical === 'object' ? typical[standardOf[practice]] : typical

const side = (id: string, title: string) => field(id, title, 'length', [0.01, 500])

/** Natural logarithm of how far a cool-down went, over its hours: 1/τ. */
function perSecond({ from, to, around, hours }: Readonly<Record<string, number>>): number {
  if (!(Math.abs(from! - around!) > Math.abs(to! - around!)) || (from! - around!) * (to! - around!) <= 0)
    throw new RangeError('a cool-down goes from the first temperature towards what is around it, and not past it')
  return Math.log((from! - around!) / (to! - around!)) / (hours! * 3600)
}
const coolDown = [
  field('from', 'From', 'temperature', [-60, 1000]),
  field('to', 'Down to', 'temperature', [-60, 1000]),
  field('around', 'Around it', 'temperature', [-60, 100]),
  field('hours', 'In', 'hours', [0.05, 500]),
]

/** Power of a heater by its volts and its current, in one phase or in three that are alike. */
const heaterByCurrent = (
  id: string,
  phases: 1 | 3,
  title: string,
  {
    across: [at, typical],
    ...told
  }: Pick<Way, 'hint' | 'formula'> & { readonly across: readonly [string, WayField['typical']] },
): Way => ({
  ...told,
  id,
  title,
  fields: [field('volts', at, 'voltage', [1, 1000], typical), field('amps', 'Current', 'current', [0.01, 1000])],
  source: 'definition',
  run: ({ volts, amps }) => electricLoad({ volts: volts!, amps: amps!, phases }).powerW,
})

const all: readonly Way[] = [
  {
    id: 'sides-area',
    title: 'Tape: length and width',
    hint: 'Inside measures of what is heated or cooled.',
    fields: [side('length', 'Length'), side('width', 'Width')],
    formula: 'A = length × width',
    source: 'geometry',
    run: ({ length, width }) => length! * width!,
  },
  {
    id: 'sides-volume',
    title: 'Tape: three sides',
    hint: 'Inside measures; of a pool the mean depth.',
    fields: [side('length', 'Length'), side('width', 'Width'), side('height', 'Height or depth')],
    formula: 'V = length × width × height',
    source: 'geometry',
    run: ({ length, width, height }) => length! * width! * height!,
  },
  {
    id: 'gas-meter',
    title: 'Gas meter by stopwatch',
    hint: 'Everything else on gas off, burner at full fire, at least two minutes.',
    fields: [
      field('gas', 'Gas through the meter', 'gasVolume', [0.001, 1000]),
      field('time', 'In', 'seconds', [10, 36000]),
      field('calorific', 'Heat of the gas', 'calorific', [10, 130], 36),
      field('efficiency', 'Into the water', 'percent', [40, 105], 90),
    ],
    formula: 'P = gas ÷ time × heat of the gas × efficiency',
    source: 'definition of heat input; the gas bill names the heat of the gas',
    run: ({ gas, time, calorific, efficiency }) => gasRate(gas!, time!, calorific!, efficiency!).outputW!,
  },
  {
    id: 'volts-amps',
    title: 'Volts and amps of each phase',
    hint: 'Clamp meter, by whoever may work live. A phase that is not there counts 0.',
    fields: [
      field('volts', 'Phase to neutral', 'voltage', [1, 500], { iec: 230, us: 120 }),
      field('amps1', 'Current, phase 1', 'current', [0, 1000]),
      field('amps2', 'Current, phase 2', 'current', [0, 1000], 0),
      field('amps3', 'Current, phase 3', 'current', [0, 1000], 0),
    ],
    formula: 'P = U (I1 + I2 + I3), heating elements have cos φ 1',
    source: 'Ohm\u2019s law; power goes with the square of the volts',
    run: ({ volts, amps1, amps2, amps3 }) => volts! * (amps1! + amps2! + amps3!),
  },
  heaterByCurrent('two-wires', 1, 'Volts and amps of one heater', {
    across: ['Across it', { iec: 230, us: 240 }],
    hint: 'Across its two terminals, and the clamp on one wire; by whoever may work live.',
    formula: 'P = U I, heating elements have cos φ 1',
  }),
  heaterByCurrent('three-lines', 3, 'Volts and amps of three equal phases', {
    across: ['Line to line', { iec: 400, us: 208 }],
    hint: 'Line to line, and the clamp on one line; by whoever may work live.',
    formula: 'P = √3 U I, heating elements have cos φ 1',
  }),
  {
    id: 'ohms',
    title: 'Ohms of the element, dead and lifted',
    hint: 'Off, locked, proved dead, both leads lifted: what the meter reads across it, less its own leads.',
    fields: [
      field('ohm', 'Reads', 'resistance', [0.1, 1e5]),
      field('volts', 'Runs at', 'voltage', [1, 1000], { iec: 230, us: 240 }),
    ],
    formula: 'P = U² ÷ R; cold, an element reads a few percent less than it has hot',
    source: 'Ohm\u2019s law',
    run: ({ ohm, volts }) => heatingElements({ elementOhm: ohm!, connection: 'single', volts: volts! }).powerW,
  },
  {
    id: 'water-drop',
    title: 'Flow of water, and what it warms or cools by',
    hint: 'Flow by its meter or by bucket and stopwatch; both pipes by one thermometer, settled.',
    fields: [
      field('flow', 'Flow', 'waterFlow', [0.001, 1000]),
      field('drop', 'Out against in', 'difference', [0.1, 80]),
    ],
    formula: 'P = ρ c V × difference, water',
    source: 'heat balance',
    run: ({ flow, drop }) => (storedJPerK(flow!) * drop!) / 3600,
  },
  {
    id: 'air-rise',
    title: 'Flow of air, and what it warms or cools by',
    hint: 'Flow by vane anemometer over the grille; before and behind by one thermometer, shaded.',
    fields: [
      field('flow', 'Flow', 'airFlow', [1, 1e6]),
      field('rise', 'Out against in', 'difference', [0.1, 200]),
      field('at', 'Air that is measured', 'temperature', [-40, 200], 20),
    ],
    formula: 'P = ρ c V × difference, ρ of air at that temperature',
    source: 'heat balance; gas law',
    run: ({ flow, rise, at }) => airSensible(flow!, rise!, at!).powerW,
  },
  {
    id: 'warm-up',
    title: 'Water warmed by so much in so long',
    hint: 'Covered, pump running, well stirred.',
    fields: [
      field('volume', 'Water', 'volume', [0.01, 1e5]),
      field('rise', 'Rise', 'difference', [0.05, 60]),
      field('hours', 'In', 'hours', [0.1, 500]),
    ],
    formula: 'P = ρ c V × rise ÷ time, loss left out',
    source: 'heat balance',
    run: ({ volume, rise, hours }) => (storedJPerK(volume!) * rise!) / (hours! * 3600),
  },
  {
    id: 'duty-loss',
    title: 'Logged duty at a known power',
    hint: 'Run-hour counter or lamp and stopwatch over a settled day.',
    fields: [
      field('power', 'Power when on', 'power', [1, 1e7]),
      field('duty', 'On for', 'percent', [0.1, 100]),
      field('inside', 'Inside, mean', 'temperature', [-60, 1000]),
      field('around', 'Around it, mean', 'temperature', [-60, 100]),
    ],
    formula: 'UA = P × duty ÷ (inside − around)',
    source: 'steady heat balance',
    run: ({ power, duty, inside, around }) => {
      if (Math.abs(inside! - around!) < 0.5) throw new RangeError('inside and around must lie at least 0.5 K apart')
      return (power! * duty!) / 100 / Math.abs(inside! - around!)
    },
  },
  {
    id: 'cool-loss',
    title: 'Measured cool-down, with the heat stored',
    hint: 'Heat off, doors shut, nobody in; note two temperatures and the time.',
    fields: [...coolDown, field('stored', 'Heat stored', 'capacity', [1e3, 1e12])],
    formula: 'UA = C ÷ τ, τ = time ÷ ln((from − around)/(to − around))',
    source: 'first-order cool-down',
    run: (values) => values['stored']! * perSecond(values),
  },
  {
    id: 'cool-capacity',
    title: 'Measured cool-down, with the heat loss',
    hint: 'Heat off, doors shut, nobody in; note two temperatures and the time.',
    fields: [...coolDown, field('loss', 'Heat loss', 'loss', [0.01, 1e6])],
    formula: 'C = UA × τ, τ = time ÷ ln((from − around)/(to − around))',
    source: 'first-order cool-down',
    run: (values) => values['loss']! / perSecond(values),
  },
  {
    id: 'air-speed',
    title: 'Air speed over a grille',
    hint: 'Vane anemometer, mean of a slow sweep; free area of the grille.',
    fields: [field('speed', 'Speed', 'speed', [0.05, 40]), field('area', 'Free area', 'area', [0.001, 50])],
    formula: 'V = speed × area × 3600',
    source: 'continuity',
    run: ({ speed, area }) => speed! * area! * 3600,
  },
]

export const ways: Readonly<Record<string, Way>> = Object.fromEntries(all.map((way) => [way.id, way]))
