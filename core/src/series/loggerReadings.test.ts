import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { loggedAt, loggerReadings } from './loggerReadings'

const rows = (text: string) => text.split('\n').map((line) => line.split(';'))
const read = (text: string) => {
  const found = loggerReadings(rows(text))
  if (!found.ok) throw new RangeError(found.message)
  return found
}

describe('a logger file', () => {
  it.each([
    [
      'ISO times',
      '2026-03-01 10:00;20\n2026-03-01 10:30:00;21,5',
      [
        [0, 20],
        [1800, 21.5],
      ],
    ],
    [
      'a clock past midnight',
      '23:50;20\n00:10;22',
      [
        [0, 20],
        [1200, 22],
      ],
    ],
    [
      'seconds',
      '0;20.0\n90;20.5',
      [
        [0, 20],
        [90, 20.5],
      ],
    ],
    [
      'minutes, by their head',
      'time (min);T\n0;20\n5;21',
      [
        [0, 20],
        [300, 21],
      ],
    ],
    [
      'hours, by their head',
      'hours;°C\n0;20\n0.5;21',
      [
        [0, 20],
        [1800, 21],
      ],
    ],
  ] as const)('in %s', (_, text, points) => {
    expect(read(text).points.map(({ atS, value }) => [atS, value])).toEqual(points)
  })
  it('counts what it leaves out', () => expect(read('time;T\n0;20\n60;bad\n50;x\n120;21').left).toBe(3))
  it.each(['', 'a;b', '10;20'])('refuses %j', (text) => expect(loggerReadings(rows(text)).ok).toBe(false))
  it('refuses too many rows', () =>
    expect(loggerReadings(Array.from({ length: 200_001 }, () => ['1', '2'])).ok).toBe(false))
  it('is never thrown off by what stands in it', () => {
    fc.assert(
      fc.property(fc.array(fc.array(fc.string(), { maxLength: 4 }), { maxLength: 40 }), (table) => {
        const found = loggerReadings(table)
        if (!found.ok) return
        const times = found.points.map(({ atS }) => atS)
        expect(times).toEqual([...times].sort((a, b) => a - b))
        expect(found.points.every(({ value }) => Number.isFinite(value))).toBe(true)
      }),
    )
  })
  it('is straight between two rows, and says nothing outside', () => {
    const { points } = read('0;20\n100;30')
    expect(loggedAt(points, 25)).toBeCloseTo(22.5)
    expect(loggedAt(points, 0)).toBe(20)
    expect(loggedAt(points, 100)).toBe(30)
    expect(loggedAt(points, 101)).toBeUndefined()
  })
})
