import type { ResistiveProbe, Thermocouple } from './probe'

/**
 * Whether a bad connection, which only ever adds resistance, makes a probe read cold: one whose resistance falls as it gets warmer does, the
 * others read hot. Damp across the pair does the opposite.
 * Source: the sign of each curve’s slope.
 * @returns undefined for a thermocouple, which has no resistance to be read by
 * @example readsColdWhenOpen({ kind: 'ntc', r25Ohm: 10000, betaK: 3435 }) // true
 */
export function readsColdWhenOpen(curve: ResistiveProbe | Thermocouple): boolean | undefined {
  switch (curve.kind) {
    case 'thermocouple':
      return undefined
    case 'ntc':
    case 'steinhart':
      return true
    case 'table':
      return curve.points[0]![1] > curve.points.at(-1)![1]
    default:
      return false
  }
}
