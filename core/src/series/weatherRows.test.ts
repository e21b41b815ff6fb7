import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { MOST_HOURS, weatherRows } from './weatherRows'

const hours = (n: number, make = (i: number) => String(10 - (i % 24) / 2)) =>
  Array.from({ length: n }, (_, i) => [make(i)])
const stamp = (hour: number) =>
  `2026-01-${String(1 + Math.floor(hour / 24)).padStart(2, '0')}T${String(hour % 24).padStart(2, '0')}:00`
const epwRow = (i: number, celsius: string) => [
  '2026',
  '1',
  '1',
  String((i % 24) + 1),
  '60',
  'A7',
  celsius,
  ...Array.from({ length: 28 }, () => '0'),
]
const epw = (n: number, make = (i: number) => String(i / 10)) => [
  ['LOCATION', 'Otterholm', '-', 'XXX', 'made up', '0', '60', '10', '1', '20'],
  ['DESIGN CONDITIONS', '0'],
  ['DATA PERIODS', '1', '1', 'Data', 'Sunday', '1/ 1', '12/31'],
  ...Array.from({ length: n }, (_, i) => epwRow(i, make(i))),
]

describe('weatherRows', () => {
  it('takes one column of temperatures', () => {
    const { hourlyC, bridged, format } = weatherRows(hours(48))
    expect([hourlyC.length, hourlyC[2], bridged, format]).toEqual([48, 9, 0, 'table'])
  })
  it('takes times and a named column among others, and decimal commas', () => {
    const rows = [
      ['time', 'wind', 'Temp °C', 'rain'],
      ...Array.from({ length: 30 }, (_, i) => [stamp(i), '5', `${i},5`, '0']),
    ]
    expect(weatherRows(rows).hourlyC.slice(0, 3)).toEqual([0.5, 1.5, 2.5])
  })
  it('takes the eighth field of nothing, but the seventh of an EPW file, and its name', () => {
    const made = weatherRows(epw(24))
    expect([made.format, made.title, made.hourlyC[7], made.hourlyC.length]).toEqual(['epw', 'Otterholm', 0.7, 24])
  })
  it('bridges short gaps in straight lines and says how many hours', () => {
    const holes = hours(48).map((row, i) => (i === 10 || i === 11 ? [''] : [String(i)]))
    const { hourlyC, bridged } = weatherRows([...holes].map(([text], i) => [stamp(i), text!]))
    expect(bridged).toBe(2)
    expect(hourlyC.slice(9, 13)).toEqual([9, 10, 11, 12])
    const missing = Array.from({ length: 40 }, (_, i) => [stamp(i), String(i)]).filter((_, i) => i < 20 || i > 22)
    expect(weatherRows(missing).bridged).toBe(3)
    expect(weatherRows(epw(40, (i) => (i === 5 ? '99.9' : '3'))).bridged).toBe(1)
  })
  it.each([
    [[], 'the file is empty'],
    [[['']], 'the file is empty'],
    [hours(10), 'has 10 hours: 24 at least'],
    [hours(30, (i) => (i === 7 ? 'warm' : '1')), 'line 8, column 1 is "warm": a temperature in °C is wanted'],
    [hours(30, (i) => (i === 7 ? '400' : '1')), 'line 8: 400 °C is no outdoor temperature'],
    [
      Array.from({ length: 40 }, (_, i) => [stamp(i), i > 9 && i < 20 ? '' : '1']),
      'line 11: 10 hours have no temperature; up to 6 are bridged',
    ],
    [Array.from({ length: 30 }, (_, i) => [stamp(i), i === 0 ? '' : '1']), 'no temperature at the beginning'],
    [Array.from({ length: 30 }, (_, i) => [stamp(29 - i), '1']), 'line 2: its time is not after the one before'],
    [
      Array.from({ length: 30 }, (_, i) => [`2026-01-01T00:${String(i).padStart(2, '0')}`, '1']),
      'one row an hour is wanted',
    ],
    [epw(0), 'but no hour in it'],
    [[...epw(23), ['2026', '1']], 'line 27 has 2 columns'],
    [epw(24, (i) => (i === 3 ? 'x' : '1')), 'line 7, column 7 is "x"'],
    [hours(MOST_HOURS + 9), 'hours are the most'],
  ] as [string[][], string][])('refuses %#', (rows, message) => expect(() => weatherRows(rows)).toThrow(message))
  it('answers anything else with a RangeError, or with finite hours', () =>
    fc.assert(
      fc.property(
        fc.array(fc.array(fc.oneof(fc.string(), fc.double().map(String), fc.constant('LOCATION')), { maxLength: 40 }), {
          maxLength: 60,
        }),
        (rows) => {
          try {
            const { hourlyC } = weatherRows(rows)
            expect(hourlyC.every(Number.isFinite)).toBe(true)
            expect(hourlyC.length).toBeGreaterThanOrEqual(24)
          } catch (error) {
            expect(error).toBeInstanceOf(RangeError)
          }
        },
      ),
      { numRuns: 300 },
    ))
})
