/** A point that was keyed one place too far lands this near to ten times the value, as a share: displays round. */
const NEAR = 0.05

/**
 * How many times too large a figure is where its decimal point slipped by one place: 10 or 0.1; undefined where it is anything else.
 * Formula: read / wanted, within 5 % of 10 or of 1/10.
 * @example tenfold(2, 20) // 0.1
 */
export function tenfold(read: number, wanted: number): 10 | 0.1 | undefined {
  if (wanted === 0 || !Number.isFinite(read) || !Number.isFinite(wanted)) return undefined
  const ratio = read / wanted
  if (Math.abs(ratio / 10 - 1) <= NEAR) return 10
  return Math.abs(ratio * 10 - 1) <= NEAR ? 0.1 : undefined
}
