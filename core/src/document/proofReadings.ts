import { nextOrder } from '../schema/ordered'
import { ordered } from '../schema/ordered'
import type { LoopDocument, ProofReading } from './documents'

export type HeldReading = ProofReading & { readonly id: string }

/**
 * The reading that counts for each step of a test: the newest; superseded ones stay in the record.
 * @param counts which readings can stand for a step; all of them unless said otherwise
 */
export function currentReadings(
  loop: LoopDocument,
  test: string,
  counts: (reading: HeldReading) => boolean = () => true,
): Map<string, HeldReading> {
  const latest = new Map<string, HeldReading>()
  for (const reading of ordered(loop.proof.readings))
    if (reading.test === test && counts(reading)) latest.set(reading.step, reading)
  return latest
}

/** The order key that the next reading of a loop takes. */
export const nextReadingOrder = (loop: LoopDocument) => nextOrder(loop.proof.readings)

/** The newest temperature that was read on a loop, whatever the test. */
export const lastReading = (loop: LoopDocument): HeldReading | undefined =>
  ordered(loop.proof.readings)
    .filter(({ state, value, unit }) => state === 'value' && value !== undefined && /^°[CF]$/.test(unit))
    .at(-1)
