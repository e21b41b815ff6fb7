import { describe, expect, it, test } from '@jest/globals'
import fc from 'fast-check'
import { panned, zoomed } from './stripWindow'

const run = fc.record({
  hours: fc.double({ min: 1, max: 8760, noNaN: true }),
  share: fc.double({ min: 0, max: 1, noNaN: true }),
  width: fc.double({ min: 0.05, max: 1, noNaN: true }),
  by: fc.double({ min: 0.1, max: 10, noNaN: true }),
})

describe('a window of the strip', () => {
  it.each([
    ['closer about its middle', zoomed([0, 24], 12, 0.5, 24), [6, 18]],
    ['closer about its beginning', zoomed([0, 24], 0, 0.5, 24), [0, 12]],
    ['wider than the run is the run', zoomed([6, 18], 12, 4, 24), [0, 24]],
    ['a quarter of an hour at least', zoomed([6, 6.25], 6, 0.1, 24), [6, 6.25]],
    ['along', panned([6, 18], 3, 24), [9, 21]],
    ['along no further than the end', panned([6, 18], 30, 24), [12, 24]],
    ['along no further than the beginning', panned([6, 18], -30, 24), [0, 12]],
  ])('%s', (_, made, wanted) => expect(made).toEqual(wanted))
  test('lies within the run, whatever is done', () =>
    fc.assert(
      fc.property(run, ({ hours, share, width, by }) => {
        const w = hours * width
        const from = (hours - w) * share
        for (const [a, b] of [
          zoomed([from, from + w], from + w * share, by, hours),
          panned([from, from + w], (by - 5) * hours, hours),
        ]) {
          expect(a).toBeGreaterThanOrEqual(-1e-9)
          expect(b).toBeLessThanOrEqual(hours * (1 + 1e-9))
          expect(b).toBeGreaterThan(a)
        }
      }),
    ))
})
