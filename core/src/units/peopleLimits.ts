/**
 * Figures that guard people, each with its source. They stand here and nowhere else: what is written about them, decided by them and tested
 * for them is the same figure. None of them is a way round a code, a leaflet or a licensed trade.
 */

/** Up to here a voltage counts as extra-low, V AC. Source: IEC 61140. */
export const EXTRA_LOW_V = 50
/** Most that a body may stand over earth while a fault lasts, V AC. Source: IEC 60364-4-41. */
export const TOUCH_V = 50
/** From here a conductor that should be dead can hurt: it is live, V AC. Source: IEC 61140. */
export const LIVE_V = 50
/** Under this a conductor counts as dead; over it something feeds it or is picked up, V. Source: usual resolution of a two-pole tester, EN 61243-3. */
export const DEAD_V = 5
/** A neutral that is one carries less than this against earth, V. Source: practice; more is a fault or a neutral that is not joined. */
export const NEUTRAL_V = 10
/** Most that a residual-current device may let through where a body is protected by it, mA. Source: IEC 60364-4-41. */
export const PERSON_MA = 30
/** Class A ground-fault protection is for circuits up to so many volts to ground, V. Source: US practice. */
export const CLASS_A_MOST_V = 150
/** Least insulation, ohm, and test voltage, V DC, of a circuit. Source: IEC 60364-6. */
export const INSULATION = {
  'extra-low': { testV: 250, least: 0.5e6, good: 5e6 },
  mains: { testV: 500, least: 1e6, good: 20e6 },
} as const
/** Highest surface of a floor that is stayed on, °C. Source: EN 1264-2. */
export const FLOOR_OCCUPIED_C = 29
/** Highest surface along the edge of a room, °C. Source: EN 1264-2. */
export const FLOOR_EDGE_C = 35
/** Highest surface of a bathroom's floor over its air, K. Source: EN 1264-2. */
export const FLOOR_BATH_OVER_ROOM_K = 9
/** Highest surface under a timber covering, °C. Source: makers' practice for coverings. */
export const FLOOR_TIMBER_C = 27
/** Warmest water that people may be in, °C. Source: pool and spa codes. */
export const PEOPLE_WATER_MOST_C = 40
/** Over this, water scalds in seconds, °C. Source: burn tables, ISO 13732-1. */
export const SCALDS_C = 60
