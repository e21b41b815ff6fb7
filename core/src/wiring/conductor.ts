export type Practice = 'iec' | 'us'
export type WireRole = 'line' | 'switched' | 'neutral' | 'earth' | 'control' | 'probe' | 'signal' | 'motor' | 'screen'

export interface Conductor {
  /** Letter code after IEC 60757, or `pair` for a probe cable. */
  readonly colour: string
  readonly colourName: string
  readonly sizeMm2: number
  readonly kind: string
}

const names: Record<string, string> = {
  BN: 'brown',
  BK: 'black',
  BU: 'blue',
  GNYE: 'green-yellow',
  WH: 'white',
  RD: 'red',
  GN: 'green',
  pair: 'probe pair',
  screened: 'screened pair',
  screen: 'screen',
}

/** Colours by role. IEC 60445 for `iec`; common North American practice for `us`. The list says: check local code. */
const colours: Record<Practice, Record<WireRole, string>> = {
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

/** Smallest copper for a fuse or breaker: amps, then mm². US sizes are 14, 12, 10, 8 AWG. */
const bySize: Record<Practice, readonly (readonly [number, number])[]> = {
  iec: [
    [10, 1.5],
    [16, 2.5],
    [25, 4],
    [32, 6],
  ],
  us: [
    [15, 2.08],
    [20, 3.31],
    [30, 5.26],
    [40, 8.37],
  ],
}
const control: Record<Practice, number> = { iec: 0.75, us: 0.82 }
const probe: Record<Practice, number> = { iec: 0.5, us: 0.52 }

/** Up to this fuse a thin control wire is safe in a fault, A. */
const CONTROL_FUSE_A = 6

/** Nearest trade gauge of the sizes used here, for the list in US practice. */
export const gaugeOf: Readonly<Record<string, string>> = {
  '0.52': '20 AWG',
  '0.82': '18 AWG',
  '2.08': '14 AWG',
  '3.31': '12 AWG',
  '5.26': '10 AWG',
  '8.37': '8 AWG',
}

const kinds: Readonly<Partial<Record<WireRole, string>>> = {
  probe: 'core of a screened pair',
  signal: 'core of a screened pair',
  screen: 'screen of the pair',
  motor: 'core of a screened motor cable',
}

/** Smallest section that this practice usually asks for behind a fuse or breaker of so many amps, mm². Local code decides. */
export const usualSizeMm2 = (practice: Practice, protectionA: number): number =>
  conductorFor('line', practice, protectionA).sizeMm2

/** Conductor for a role: colour by practice, size by what protects the line. */
export function conductorFor(role: WireRole, practice: Practice, protectionA: number): Conductor {
  const colour = colours[practice][role]
  const table = bySize[practice]
  const mains = (table.find(([amps]) => protectionA <= amps) ?? table[table.length - 1]!)[1]
  const thin = role === 'probe' || role === 'signal' || role === 'screen'
  const small = role === 'control' && protectionA <= CONTROL_FUSE_A
  const sizeMm2 = thin ? probe[practice] : small ? control[practice] : mains
  return { colour, colourName: names[colour] ?? colour, sizeMm2, kind: kinds[role] ?? 'single core' }
}
