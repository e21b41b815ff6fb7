import type { RowState } from '../document/documents'

export type RowVerdict = 'waiting' | 'fits' | 'stop'

/** Length taken when none is written down: a short run in one room. */
export const assumedLengthM = 10

/** Verdict on a tested row: a reading at or under the limit proves it; over-range is an open wire. */
export function rowVerdict(state: RowState | undefined, limitOhm: number): RowVerdict {
  const reading = state?.tested
  if (!reading || reading.state === 'none') return 'waiting'
  if (reading.state === 'over-range' || reading.value === undefined) return 'stop'
  return reading.value >= 0 && reading.value <= limitOhm ? 'fits' : 'stop'
}
