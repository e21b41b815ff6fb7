import { takeReadings } from '@nachtigal/core/actions/takeReadings'
import type { Reading } from '@nachtigal/core/document/documents'
import { shownDay } from '@nachtigal/core/time/shownMoment'
import type { Quantity } from '@nachtigal/core/units/quantity'
import { useAct } from './useAct'

interface Kept {
  readonly supersedes?: string | undefined
  /** What it was read of: the day's instrument for that is written beside it. Left out where none of them read it. */
  readonly quantity?: Quantity
}

/** The day by the calendar on the wall of the job. */
export const today = (zone: string) => shownDay(new Date().toISOString(), zone)

/** Keeps readings of a test, each with its attempt and the instrument of the day; a newer one stands for it, none is ever taken back. */
export function useKeepReadings() {
  const act = useAct()
  return (
    test: string,
    made: readonly ({ readonly step: string; readonly reading: Reading } & Kept)[],
    why?: string,
  ) => {
    const readings = made.map(({ step, reading, supersedes, quantity }) => ({
      ...reading,
      step,
      ...(supersedes === undefined ? {} : { supersedes }),
      ...(quantity === undefined ? {} : { quantity }),
    }))
    return act(takeReadings, { test, readings }, why === undefined ? {} : { why })
  }
}

/** The same for one reading. */
export function useKeepReading() {
  const keep = useKeepReadings()
  return (test: string, step: string, reading: Reading, kept: Kept = {}) => keep(test, [{ step, reading, ...kept }])
}
