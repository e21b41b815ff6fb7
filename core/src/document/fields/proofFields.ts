import { choice, filled, id, instant, map, maybe, number, record, whole, since } from '../../schema/field'
import { order } from '../../schema/places'
import { readingParts } from './readingFields'

/** A record of many years: every reading of every test stays. */
const MOST_READINGS = 20_000
const attempt = (least: number) => number('attempt', 'count', { min: least, max: 1000 })

/** A reading of a test step; a newer one supersedes, none is ever taken back. */
export const proofReadingRecord = whole(
  record('reading', {
    ...readingParts,
    order: order(),
    test: filled('test'),
    step: filled('step'),
    supersedes: maybe(id('supersedes')),
    /** Which attempt of the test it belongs to; the first where left out. */
    attempt: since(3, maybe(attempt(1))),
    /** The instrument of the job that it was read with. */
    instrument: maybe(id('instrument')),
  }),
)

/** What came of an attempt of a test, kept when it was made again. */
export const pastResultRecord = whole(
  record('earlier attempt', {
    order: order(),
    test: filled('test'),
    attempt: since(3, attempt(1)),
    verdict: choice('verdict', ['waiting', 'good', 'look', 'stop', 'cannot-tell']),
    head: filled('result'),
    at: instant('at'),
    by: filled('by', 80),
  }),
)

export const proofRecord = record('proof', {
  readings: map('readings', proofReadingRecord, MOST_READINGS),
  /** Tests that were begun anew, by test: which attempt is the present one. */
  attempts: since(3, maybe(map('attempts', whole(record('test begun anew', { attempt: attempt(2) }))))),
  /** What came of the attempts before. */
  past: maybe(map('earlier attempts', pastResultRecord)),
  /** Tests that were left out, by test, with a name and a reason. */
  skipped: maybe(
    map(
      'tests left out',
      whole(record('test left out', { by: filled('by', 80), at: instant('at'), reason: filled('reason', 400) })),
    ),
  ),
})
