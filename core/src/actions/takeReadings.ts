import { duringTest, endedWork } from '../commissioning/temporaryWork'
import { readingParts } from '../document/fields/readingFields'
import { instrumentFor } from '../document/instruments'
import type { ProofReading } from '../document/documents'
import { nextReadingOrder } from '../document/proofReadings'
import { choice, filled, id, list, maybe, record } from '../schema/field'
import { shownDay } from '../time/shownMoment'
import { type Quantity, quantities } from '../units/quantity'
import { defineAction, withLoop } from './action'

/**
 * Takes readings of a test, each with its attempt and the instrument of the day that reads such a thing; a newer one stands for an older, none is
 * ever taken back. What a step or the test put on the temporary list it ends, once it is good.
 */
export const takeReadings = defineAction({
  id: 'take-readings',
  did: 'took readings',
  input: record('readings', {
    test: filled('test'),
    readings: list(
      'readings',
      record('reading', {
        ...readingParts,
        step: filled('step'),
        supersedes: maybe(id('supersedes')),
        /** What it was read of; left out where no instrument read it. */
        quantity: maybe(choice('quantity', quantities)),
      }),
      1,
      100,
    ),
  }),
  run: (edited, { test, readings }, { at, data, newId }) => {
    const { job, loop } = edited
    const attempt = loop.proof.attempts?.[test]?.attempt
    const first = nextReadingOrder(loop)
    const day = shownDay(at, job.zone)
    const made = readings.map(({ quantity, ...reading }, i): [string, ProofReading] => {
      const of: Quantity | undefined = quantity === 'difference' ? 'temperature' : quantity
      const instrument = of && instrumentFor(job, day, of)
      return [
        newId(),
        {
          ...reading,
          order: first + i,
          test,
          ...(attempt === undefined ? {} : { attempt }),
          ...(instrument ? { instrument: instrument.id } : {}),
        },
      ]
    })
    const proof = { ...loop.proof, readings: { ...loop.proof.readings, ...Object.fromEntries(made) } }
    const recorded = [duringTest(test), ...readings.map(({ step }) => `${test}/${step}`)]
    return { job, loop: endedWork(job, withLoop(edited, { proof }).loop, data, recorded) }
  },
})
