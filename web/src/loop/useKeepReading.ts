import { instrumentFor } from '@nachtigal/core/job/instruments'
import type { ProofReading, Reading } from '@nachtigal/core/job/documents'
import { nextReadingOrder } from '@nachtigal/core/job/proofReadings'
import type { Quantity } from '@nachtigal/core/units/quantity'
import { useLoop } from './loopContext'

interface Kept {
  readonly supersedes?: string | undefined
  /** What it was read of: the day's instrument for that is written beside it. */
  readonly quantity?: Quantity
}

/** The day as a calendar here says it. */
export const today = () => {
  const now = new Date()
  const two = (n: number) => String(n).padStart(2, '0')
  return `${now.getFullYear()}-${two(now.getMonth() + 1)}-${two(now.getDate())}`
}

/** Keeps a reading of a step, with its take and the instrument of the day; a newer one stands for it, none is ever taken back. */
export function useKeepReading() {
  const { job, loop, change } = useLoop()
  return (test: string, step: string, made: Reading, { supersedes, quantity }: Kept = {}) => {
    const take = loop.proof.takes?.[test]?.take
    const instrument = quantity && instrumentFor(job, today(), quantity === 'difference' ? 'temperature' : quantity)
    const reading: ProofReading = {
      ...made,
      order: nextReadingOrder(loop),
      test,
      step,
      ...(supersedes === undefined ? {} : { supersedes }),
      ...(take === undefined ? {} : { take }),
      ...(instrument ? { instrument: instrument.id } : {}),
    }
    return change({
      loop: { ...loop, proof: { ...loop.proof, readings: { ...loop.proof.readings, [crypto.randomUUID()]: reading } } },
    })
  }
}
