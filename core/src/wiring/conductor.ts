import type { Effect } from '../choices/deviceChoices'
import { type Practice, standardOf, type WiringStandard } from '../units/practice'

export type WireRole = 'line' | 'switched' | 'neutral' | 'earth' | 'control' | 'probe' | 'signal' | 'motor' | 'screen'

export interface Conductor {
  /** Letter code after IEC 60757, or `pair` for a probe cable. */
  readonly colour: string
  readonly colourName: string
  /** Section, mm²; null where the table ends: never a smaller one in its stead. */
  readonly sizeMm2: number | null
  readonly kind: string
}

/** What a wire does beside its role, as far as its colour tells it. */
export interface Wear {
  /** Which hot of several it is. */
  readonly phase?: 1 | 2 | 3
  /** Direct current: plus or minus. */
  readonly pole?: '+' | '-'
  /** Extra-low AC control circuit: its hot side, its return, or a call for this. */
  readonly control?: 'hot' | 'return' | Effect
  /** Both ends are marked for conductors at 75 °C. */
  readonly marked75?: boolean
}

const names: Record<string, string> = {
  BN: 'brown',
  BK: 'black',
  BU: 'blue',
  GY: 'grey',
  GNYE: 'green-yellow',
  WH: 'white',
  RD: 'red',
  GN: 'green',
  YE: 'yellow',
  pair: 'probe pair',
  screened: 'screened pair',
  screen: 'screen',
}

/** Colours by role. IEC 60445 for `iec`; common North American practice for `us`. The list says: check local code. */
const colours: Record<WiringStandard, Record<WireRole, string>> = {
  iec: {
    line: 'BN',
    switched: 'BK',
    neutral: 'BU',
    earth: 'GNYE',
    control: 'WH',
    probe: 'pair',
    signal: 'screened',
    motor: 'BK',
    screen: 'screen',
  },
  us: {
    line: 'BK',
    switched: 'RD',
    neutral: 'WH',
    earth: 'GN',
    control: 'BU',
    probe: 'pair',
    signal: 'screened',
    motor: 'BK',
    screen: 'screen',
  },
}

/** The hots, told apart. IEC 60445: brown, black, grey; common North American practice to 240 V: black, red, blue. */
const phases: Record<WiringStandard, readonly [string, string, string]> = {
  iec: ['BN', 'BK', 'GY'],
  us: ['BK', 'RD', 'BU'],
}

/** Plus and minus of a battery or a DC supply. */
const poles = { '+': 'RD', '-': 'BK' } as const

/** North American 24 V control wires by function: R hot, C return, W heat, Y cool, G fan. */
const functions: Readonly<Partial<Record<'hot' | 'return' | Effect, string>>> = {
  hot: 'RD',
  return: 'BU',
  element: 'WH',
  fuel: 'WH',
  'water-flow': 'WH',
  cooling: 'YE',
  'air-flow': 'GN',
}

type Sizes = readonly (readonly [amps: number, mm2: number])[]

/** Smallest copper for a fuse or breaker of so many amps, up to where each table ends. */
const tables: Readonly<Record<'iec' | 'us60' | 'us75', { readonly title: string; readonly sizes: Sizes }>> = {
  iec: {
    title:
      'IEC 60364-5-52, copper, PVC 70 \u00b0C, air 30 \u00b0C, two loaded cores, reference method B2 (cable in conduit on a wall)',
    sizes: [
      [10, 1.5],
      [16, 2.5],
      [25, 4],
      [32, 6],
      [50, 10],
      [63, 16],
      [80, 25],
      [100, 35],
      [125, 50],
    ],
  },
  us60: {
    title: 'US practice, copper, 140 \u00b0F column; 14, 12 and 10 AWG held to 15, 20 and 30 A',
    sizes: [
      [15, 2.08],
      [20, 3.31],
      [30, 5.26],
      [40, 8.37],
      [55, 13.3],
      [70, 21.2],
      [85, 26.7],
      [95, 33.6],
      [100, 42.4],
    ],
  },
  us75: {
    title:
      'US practice, copper, 167 \u00b0F column, terminals marked for it; 14, 12 and 10 AWG held to 15, 20 and 30 A',
    sizes: [
      [15, 2.08],
      [20, 3.31],
      [30, 5.26],
      [50, 8.37],
      [65, 13.3],
      [85, 21.2],
      [100, 26.7],
    ],
  },
}
const control: Record<WiringStandard, number> = { iec: 0.75, us: 0.82 }
const probe: Record<WiringStandard, number> = { iec: 0.5, us: 0.52 }

/** Up to this fuse a thin control wire is safe in a fault, A. */
const CONTROL_FUSE_A = 6

const kinds: Readonly<Partial<Record<WireRole, string>>> = {
  probe: 'core of a screened pair',
  signal: 'core of a screened pair',
  screen: 'screen of the pair',
  motor: 'core of a screened motor cable',
}

const tableOf = (practice: Practice, marked75 = false) => tables[practice !== 'us' ? 'iec' : marked75 ? 'us75' : 'us60']

/** Which table the usual size comes from, and up to how many amps it runs. */
export function sizeTable(practice: Practice, marked75 = false): { readonly title: string; readonly mostA: number } {
  const { title, sizes } = tableOf(practice, marked75)
  return { title, mostA: sizes.at(-1)![0] }
}

/**
 * Smallest section that this practice usually asks for behind a fuse or breaker of so many amps, mm²; null beyond the table: then it is
 * worked out by whoever may. Local code decides.
 */
export const usualSizeMm2 = (practice: Practice, protectionA: number, marked75 = false): number | null =>
  tableOf(practice, marked75).sizes.find(([amps]) => protectionA <= amps)?.[1] ?? null

function colourOf(role: WireRole, practice: Practice, { phase, pole, control: call }: Wear): string {
  if (role === 'earth' || role === 'probe' || role === 'signal' || role === 'screen')
    return colours[standardOf[practice]][role]
  if (pole) return poles[pole]
  if (role === 'control' && practice === 'us' && call) return functions[call] ?? colours.us.control
  if (phase && role !== 'neutral') return phases[standardOf[practice]][phase - 1]!
  return colours[standardOf[practice]][role]
}

/** Conductor for a role: colour by practice and by what it carries, size by what protects the line. */
export function conductorFor(role: WireRole, practice: Practice, protectionA: number, wear: Wear = {}): Conductor {
  const colour = colourOf(role, practice, wear)
  const thin = role === 'probe' || role === 'signal' || role === 'screen'
  const small = role === 'control' && protectionA <= CONTROL_FUSE_A
  const sizeMm2 = thin
    ? probe[standardOf[practice]]
    : small
      ? control[standardOf[practice]]
      : usualSizeMm2(practice, protectionA, wear.marked75 ?? false)
  return { colour, colourName: names[colour] ?? colour, sizeMm2, kind: kinds[role] ?? 'single core' }
}
