import { instrumentFor } from '@nachtigal/core/document/instruments'
import type { ProofReading, Reading } from '@nachtigal/core/document/documents'
import { nextReadingOrder } from '@nachtigal/core/document/proofReadings'
import { duringTest, endedWork } from '@nachtigal/core/commissioning/temporaryWork'
import type { Quantity } from '@nachtigal/core/units/quantity'
import { shownDay } from '@nachtigal/core/time/shownMoment'
import { useLoop } from './loopContext'
import { newId } from '../lib/newId'

interface Kept {
  readonly supersedes?: string | undefined
  /** What it was read of: the day's instrument for that is written beside it. Left out where none of them read it. */
  readonly quantity?: Quantity
}

/** The day by the calendar on the wall of the job. */
export const today = (zone: string) => shownDay(new Date().toISOString(), zone)

/** Keeps readings of a test, each with its attempt and the instrument of the day; a newer one stands for it, none is ever taken back. */
export function useKeepReadings() {
  const { job, loop, data, change } = useLoop()
  return (
    test: string,
    made: readonly ({ readonly step: string; readonly reading: Reading } & Kept)[],
    why?: string,
  ) => {
    const attempt = loop.proof.attempts?.[test]?.attempt
    const first = nextReadingOrder(loop)
    const readings = made.map(({ step, reading, supersedes, quantity }, i): [string, ProofReading] => {
      const instrument =
        quantity && instrumentFor(job, today(job.zone), quantity === 'difference' ? 'temperature' : quantity)
      return [
        newId(),
        {
          ...reading,
          order: first + i,
          test,
          step,
          ...(supersedes === undefined ? {} : { supersedes }),
          ...(attempt === undefined ? {} : { attempt }),
          ...(instrument ? { instrument: instrument.id } : {}),
        },
      ]
    })
    const proof = { ...loop.proof, readings: { ...loop.proof.readings, ...Object.fromEntries(readings) } }
    // What a step or a test put on the temporary list it ends, once it is good.
    const recorded = [duringTest(test), ...made.map(({ step }) => `${test}/${step}`)]
    return change({ loop: endedWork(job, { ...loop, proof }, data, recorded) }, why === undefined ? undefined : { why })
  }
}

/** The same for one reading. */
export function useKeepReading() {
  const keep = useKeepReadings()
  return (test: string, step: string, reading: Reading, kept: Kept = {}) => keep(test, [{ step, reading, ...kept }])
}
