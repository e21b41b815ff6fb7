import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { civilDay, dayNumber } from './civilDay'
import { clockChanges, isoInZone, momentsOf, offsetMs, parseIso } from './wallClock'
import { type Period, scheduleNext, scheduleOverlaps, wallMinutes } from './weekSchedule'

const HOUR = 3_600_000
const zones = ['Europe/Oslo', 'America/New_York', 'Australia/Lord_Howe', 'Asia/Kolkata', 'UTC', 'America/St_Johns']

describe('civilDay', () => {
  it('agrees with the calendar of the platform, there and back', () => {
    fc.assert(
      fc.property(fc.integer({ min: -200_000, max: 200_000 }), (days) => {
        const { year, month, day } = civilDay(days)
        const known = new Date(days * 86_400_000)
        expect([year, month, day]).toEqual([known.getUTCFullYear(), known.getUTCMonth() + 1, known.getUTCDate()])
        expect(dayNumber(year, month, day)).toBe(days)
      }),
    )
  })
})

describe('wallClock', () => {
  it.each([
    ['Europe/Oslo', '2026-01-15T12:00:00Z', '2026-01-15T13:00:00+01:00'],
    ['Europe/Oslo', '2026-07-15T12:00:00Z', '2026-07-15T14:00:00+02:00'],
    ['America/St_Johns', '2026-01-15T12:00:00Z', '2026-01-15T08:30:00-03:30'],
    ['Asia/Kolkata', '2026-01-15T12:00:00Z', '2026-01-15T17:30:00+05:30'],
  ])('%s at %s reads %s', (zone, utc, wall) => {
    expect(isoInZone(zone, parseIso('at', utc, zone))).toBe(wall)
    expect(parseIso('at', wall, zone)).toBe(parseIso('at', utc, zone))
  })
  it('finds both clock changes of a year, to the second', () => {
    const changes = clockChanges(
      'Europe/Oslo',
      parseIso('a', '2026-01-01T00:00:00Z', 'UTC'),
      parseIso('b', '2027-01-01T00:00:00Z', 'UTC'),
    )
    expect(changes.map((at) => isoInZone('UTC', at))).toEqual([
      '2026-03-29T01:00:00+00:00',
      '2026-10-25T01:00:00+00:00',
    ])
  })
  it('a wall time has no moment in the hour left out, two in the hour repeated', () => {
    const wall = (text: string) => parseIso('at', `${text}Z`, 'UTC')
    expect(momentsOf('Europe/Oslo', wall('2026-03-29T02:30:00'))).toEqual([])
    expect(momentsOf('Europe/Oslo', wall('2026-10-25T02:30:00')).map((at) => isoInZone('UTC', at))).toEqual([
      '2026-10-25T00:30:00+00:00',
      '2026-10-25T01:30:00+00:00',
    ])
  })
  it.each([
    '2026-02-30T00:00:00Z',
    '2026-13-01',
    'tomorrow',
    '2026-01-01T25:00:00Z',
    '2026-01-01T00:61:00Z',
    '',
    '1900-01-01T00:00:00Z',
    '2026-01-01T00:00:00+19:00',
  ])('refuses %p', (text) => expect(() => parseIso('from', text, 'UTC')).toThrow('from'))
})

const period = fc.record({
  days: fc.subarray([1, 2, 3, 4, 5, 6, 7], { minLength: 1 }),
  start: fc
    .tuple(fc.integer({ min: 0, max: 23 }), fc.constantFrom('00', '15', '30', '59'))
    .map(([h, m]) => `${String(h).padStart(2, '0')}:${m}`),
  minutes: fc.oneof(fc.integer({ min: 1, max: 600 }), fc.constantFrom(60, 120, 1440, 2000, 10_080)),
})

/** On or off by the definition itself: what the wall reads now, held against every period of this week and the last. */
function onByDefinition(zone: string, periods: readonly Period[], utcMs: number): boolean {
  const wall = utcMs + offsetMs(zone, utcMs)
  const day = Math.floor(wall / 86_400_000)
  const minute = (wall - day * 86_400_000) / 60_000
  const weekday = ((((day + 3) % 7) + 7) % 7) + 1
  return periods.some(({ days, start, minutes }) => {
    const from = wallMinutes('start', start)
    // Days back on which it may have started and still be on.
    for (let back = 0; back <= 7; back++) {
      const startDay = ((((weekday - 1 - back) % 7) + 7) % 7) + 1
      const since = minute + back * 1440 - from
      if (days.includes(startDay) && since >= 0 && since < minutes!) return true
    }
    return false
  })
}

describe('scheduleNext', () => {
  it('is on exactly when the wall clock reads within a period, in every zone and across both changes', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...zones),
        fc.array(period, { minLength: 1, maxLength: 4 }),
        // Two days before a change, and any time of the year.
        fc.constantFrom(
          '2026-03-27T10:07:00Z',
          '2026-10-23T21:30:00Z',
          '2026-03-06T12:00:00Z',
          '2026-10-30T00:00:00Z',
          '2026-04-03T03:00:00Z',
          '2026-06-15T05:00:00Z',
        ),
        (zone, periods, from) => {
          const fromMs = parseIso('from', from, zone)
          const toMs = fromMs + 5 * 24 * HOUR
          const { onNow, events } = scheduleNext({ zone, from, to: isoInZone(zone, toMs), periods })
          let on = onNow
          const queue = events.map(({ at, on: to }) => [parseIso('at', at, zone), to] as const)
          for (let at = fromMs; at < toMs; at += 15 * 60_000) {
            while (queue[0] && queue[0][0] <= at) on = queue.shift()![1]
            expect([isoInZone(zone, at), on]).toEqual([isoInZone(zone, at), onByDefinition(zone, periods, at)])
          }
          for (const { at } of events) {
            const ms = parseIso('at', at, zone)
            expect(ms).toBeGreaterThan(fromMs)
            expect(ms).toBeLessThan(toMs)
          }
          // On and off take turns.
          events.forEach(({ on: to }, i) => expect(to).toBe(i % 2 === 0 ? !onNow : onNow))
        },
      ),
      { numRuns: 36 },
    )
  })
  it('by count gives the first of what a span gives', () => {
    const given = {
      zone: 'Europe/Oslo',
      from: '2026-03-20T00:00:00+01:00',
      periods: [{ days: [1, 7], start: '22:00', end: '06:00' }],
    }
    const { events } = scheduleNext({ ...given, to: '2026-05-20T00:00:00+02:00' })
    expect(scheduleNext({ ...given, count: 5 }).events).toEqual(events.slice(0, 5))
    expect(events.length).toBeGreaterThan(5)
  })
  it.each([
    ['never on', []],
    ['always on', [{ days: [1], start: '00:00', minutes: 10_080 }]],
    ['always on, in pieces', [1, 2, 3, 4, 5, 6, 7].map((day) => ({ days: [day], start: '06:00', minutes: 1440 }))],
    ['only in an hour that never comes twice', [{ days: [7], start: '02:10', minutes: 5 }]],
  ])('%s ends', (_, periods) => {
    const { events } = scheduleNext({ zone: 'Europe/Oslo', from: '2026-01-01T00:00:00Z', periods, count: 20 })
    expect(events.length).toBeLessThanOrEqual(20)
  })
  it.each([
    [{ zone: 'Mars/Base' }, 'zone "Mars/Base" is not known'],
    [{ from: 'now' }, 'from "now"'],
    [{ to: '2020-01-01T00:00:00Z' }, 'must be after from'],
    [{ to: '2036-01-01T00:00:00Z' }, 'within 750 days'],
    [{ periods: [{ days: [1], start: '7 o\u2019clock', minutes: 1 }] }, 'periods[0].start'],
    [{ periods: [{ days: [1], start: '07:00' }] }, 'periods[0].minutes is missing'],
    [{ periods: [{ days: [1], start: '07:00', end: '08:00', minutes: 3 }] }, 'periods[0].end is one too many'],
    [{ count: undefined }, 'count is missing'],
    [
      {
        count: undefined,
        to: '2028-01-01T00:00:00Z',
        periods: Array.from({ length: 24 }, (_, hour) => ({
          days: [1, 2, 3, 4, 5, 6, 7],
          start: `${hour}:00`,
          minutes: 30,
        })),
      },
      'holds more than 5000 switchings',
    ],
  ])('%j: %s', (change, message) =>
    expect(() => scheduleNext({ zone: 'UTC', from: '2026-01-01T00:00:00Z', periods: [], count: 1, ...change })).toThrow(
      message,
    ),
  )
})

describe('scheduleOverlaps', () => {
  it('counts the minutes in which both are on, minute by minute of a week without a change', () => {
    fc.assert(
      fc.property(fc.array(period, { minLength: 2, maxLength: 3 }), (periods) => {
        const found = scheduleOverlaps(periods)
        const monday = parseIso('from', '2026-06-15T00:00:00Z', 'UTC')
        for (let first = 0; first < periods.length; first++)
          for (let second = first + 1; second < periods.length; second++) {
            let minutes = 0
            for (let minute = 0; minute < 10_080; minute++) {
              const at = monday + minute * 60_000
              if (onByDefinition('UTC', [periods[first]!], at) && onByDefinition('UTC', [periods[second]!], at))
                minutes++
            }
            expect(found.find((each) => each.first === first && each.second === second)?.minutesPerWeek ?? 0).toBe(
              minutes,
            )
          }
      }),
      { numRuns: 8 },
    )
  })
})
