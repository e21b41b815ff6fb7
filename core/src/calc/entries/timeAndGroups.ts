import { groupAverage } from '../../net/groupAverage'
import { netCheck, netRoles, type NetUnit } from '../../net/netCheck'
import { type Period, scheduleNext, scheduleOverlaps, type ScheduleInput, weekSpans } from '../../time/weekSchedule'
import { defineCalculation } from '../calculation'
import { difference, temperature } from '../commonFields'
import { choice, type Field, list, nullable, number, object, optional, text, yes } from '../field'
import type { WeekPicture } from '../picture'

const period = object('Period', {
  days: list('Days, Monday 1 to Sunday 7', number('Day', 'count', { min: 1, max: 7, integer: true }), {
    least: 1,
    most: 7,
  }),
  start: text('Start', { like: '07:00' }),
  minutes: optional(number('Minutes', 'minutes', { min: 1, max: 10_080, integer: true })),
  end: optional(
    text('End', { like: '21:30', hint: 'In place of the minutes; at or before the start it is the next day' }),
  ),
  mode: optional(text('Mode')),
})
const periods: Field = list('Periods', period, { most: 50 })
const index = (title: string) => number(title, 'count', { hint: 'Counted from 0' })

const week = (given: readonly Period[]): WeekPicture => {
  const spans = weekSpans(given)
  return {
    kind: 'week',
    rows: given.slice(0, 20).map(({ mode }, i) => ({
      title: mode ?? `period ${i + 1}`,
      spans: spans.filter((span) => span.period === i).map(({ from, to }) => [from, to] as const),
    })),
  }
}

const workdays = { days: [1, 2, 3, 4, 5], start: '06:00', minutes: 120, mode: 'comfort' }

export const scheduleNextEntry = defineCalculation<ScheduleInput>({
  id: 'schedule.next',
  title: 'When a schedule switches next',
  find: 'timer week programme daylight saving clock change next event time zone calendar',
  inputs: {
    zone: text('Time zone', { like: 'Europe/Oslo' }),
    from: text('From', { like: '2026-03-28T12:00:00+01:00', hint: 'Without an offset it is wall time in the zone' }),
    periods,
    count: optional(number('How many', 'count', { min: 1, max: 1000, integer: true })),
    to: optional(text('Or up to', { like: '2026-04-04T12:00:00+02:00' })),
  },
  outputs: {
    onNow: yes('On now'),
    events: list(
      'Events',
      object('Event', { at: text('At'), on: yes('On'), mode: optional(text('Mode')), period: index('Period') }),
    ),
  },
  formula:
    'on exactly when the wall clock reads within a period; a period past midnight belongs to the day it starts; overlapping and touching periods are one; from and to excluded',
  source: 'definition; clock changes by the time zone database',
  examples: [
    {
      given: { zone: 'Europe/Oslo', from: '2026-11-25T12:00:00+01:00', periods: [workdays], count: 2 },
      gives: {
        onNow: false,
        events: [
          { at: '2026-11-26T06:00:00+01:00', on: true, mode: 'comfort', period: 0 },
          { at: '2026-11-26T08:00:00+01:00', on: false, mode: 'comfort', period: 0 },
        ],
      },
      source: 'by hand: 25 November 2026 is a Wednesday',
    },
    {
      given: {
        zone: 'Europe/Oslo',
        from: '2026-03-28T23:00:00+01:00',
        periods: [{ days: [7], start: '01:30', minutes: 60 }],
        count: 2,
      },
      gives: {
        onNow: false,
        events: [
          { at: '2026-03-29T01:30:00+01:00', on: true, period: 0 },
          { at: '2026-03-29T03:00:00+02:00', on: false, period: 0 },
        ],
      },
      source: 'by hand: at 02:00 the clock jumps to 03:00, which is outside 01:30 to 02:30',
    },
    {
      given: {
        zone: 'Europe/Oslo',
        from: '2026-10-24T23:00:00+02:00',
        periods: [{ days: [7], start: '02:15', minutes: 30 }],
        count: 4,
      },
      gives: {
        events: [
          { at: '2026-10-25T02:15:00+02:00', on: true, period: 0 },
          { at: '2026-10-25T02:45:00+02:00', on: false, period: 0 },
          { at: '2026-10-25T02:15:00+01:00', on: true, period: 0 },
          { at: '2026-10-25T02:45:00+01:00', on: false, period: 0 },
        ],
      },
      source: 'by hand: the hour from 02:00 comes twice',
    },
    {
      given: {
        zone: 'Europe/Oslo',
        from: '2026-11-25T12:00:00+01:00',
        periods: [
          { days: [3], start: '22:00', end: '02:00' },
          { days: [4], start: '02:00', minutes: 60 },
        ],
        count: 2,
      },
      gives: {
        events: [
          { at: '2026-11-25T22:00:00+01:00', on: true, period: 0 },
          { at: '2026-11-26T03:00:00+01:00', on: false, period: 1 },
        ],
      },
      source: 'by hand: past midnight, then touching',
    },
  ],
  run: scheduleNext,
  picture: ({ periods: given }) => week(given),
})

export const scheduleOverlapsEntry = defineCalculation<{ periods: Period[] }>({
  id: 'schedule.overlaps',
  title: 'Periods that overlap',
  find: 'timer programme periods overlap conflict two at once week',
  inputs: { periods },
  outputs: {
    overlaps: list(
      'Overlaps',
      object('Overlap', {
        first: index('First'),
        second: index('Second'),
        minutesPerWeek: number('A week', 'minutes'),
      }),
    ),
  },
  formula: 'wall minutes of the week in which both are on; touching is no overlap',
  source: 'definition',
  examples: [
    {
      given: { periods: [workdays, { days: [1, 6], start: '07:00', minutes: 90 }] },
      gives: { overlaps: [{ first: 0, second: 1, minutesPerWeek: 60 }] },
      source: 'by hand: Monday 07:00 to 08:00',
    },
    {
      given: { periods: [workdays, { days: [1], start: '08:00', minutes: 60 }] },
      gives: { overlaps: [] },
      source: 'by hand: they touch',
    },
    {
      given: {
        periods: [
          { days: [7], start: '23:00', minutes: 120 },
          { days: [1], start: '00:30', minutes: 60 },
        ],
      },
      gives: { overlaps: [{ first: 0, second: 1, minutesPerWeek: 30 }] },
      source: 'by hand: Sunday night reaches into Monday',
    },
  ],
  run: ({ periods: given }) => ({ overlaps: scheduleOverlaps(given) }),
  picture: ({ periods: given }) => week(given),
})

export const groupAverageEntry = defineCalculation<{ readingsC: (number | null)[] }>({
  id: 'group.average',
  title: 'Average of a group',
  find: 'average several probes group mean spread one out',
  inputs: {
    readingsC: list('Readings', nullable(temperature('Reading', { hint: 'Null where a probe is out' })), {
      most: 1000,
    }),
  },
  outputs: {
    averageC: nullable(temperature('Average')),
    used: number('Probes used', 'count'),
    spreadK: nullable(difference('Spread')),
    reason: optional(choice('Reason', ['none-in'], { says: { 'none-in': 'no probe is in' } })),
  },
  formula: 'mean of the probes that are in; spread = highest − lowest',
  source: 'definition',
  examples: [
    { given: { readingsC: [20, 21, 22] }, gives: { averageC: 21, used: 3, spreadK: 2 }, source: 'by hand' },
    {
      given: { readingsC: [20, null, 23] },
      gives: { averageC: 21.5, used: 2, spreadK: 3 },
      source: 'by hand: one is out',
    },
    {
      given: { readingsC: [null, null] },
      gives: { averageC: null, used: 0, spreadK: null, reason: 'none-in' },
      source: 'by hand',
    },
  ],
  run: ({ readingsC }) => groupAverage(readingsC),
  picture: ({ readingsC }, { averageC }) =>
    typeof averageC !== 'number'
      ? null
      : {
          kind: 'scale',
          axis: { title: 'Temperature', quantity: 'temperature' },
          marks: [
            ...readingsC
              .flatMap((reading, i) =>
                reading === null ? [] : [{ title: String(i + 1), at: reading, look: 'plain' as const }],
              )
              .slice(0, 20),
            { title: 'average', at: averageC, look: 'set' },
          ],
          bands: [],
        },
})

const codes = ['address-twice', 'no-leader', 'two-leaders', 'name-too-long', 'name-twice', 'name-empty'] as const

export const netCheckEntry = defineCalculation<{ units: NetUnit[]; nameLimit: number }>({
  id: 'net.check',
  title: 'Controllers on one pair',
  find: 'network bus address conflict leader follower group names duplicate controllers',
  inputs: {
    units: list(
      'Controllers',
      object('Controller', {
        name: text('Name', { mayBeEmpty: true }),
        role: choice('Role', netRoles),
        group: optional({
          type: 'either',
          title: 'Group',
          number: number('Group', 'count', { min: 0, max: 1e9, integer: true }),
        }),
        instance: optional(number('Address', 'count', { min: 0, max: 1e9, integer: true })),
      }),
      { most: 500 },
    ),
    nameLimit: number('Letters that a name may have', 'count', { min: 1, max: 200, integer: true }),
  },
  outputs: {
    findings: list(
      'Findings',
      object('Finding', {
        code: choice('What', codes, {
          says: {
            'address-twice': 'the same address: give one another',
            'no-leader': 'a group without a leader: make one the leader',
            'two-leaders': 'two leaders in a group: keep one',
            'name-too-long': 'the name does not fit the display',
            'name-twice': 'the same name: nobody can tell them apart',
            'name-empty': 'no name',
          },
        }),
        units: list('Controllers', text('Name')),
        positions: list('Their places', index('Place')),
      }),
    ),
  },
  formula: 'addresses and names once each on the pair; one leader to a group; names within the display',
  source: 'definition',
  examples: [
    {
      given: {
        units: [
          { name: 'Pool', role: 'leader', group: 1, instance: 1 },
          { name: 'Hall', role: 'follower', group: 1, instance: 1 },
        ],
        nameLimit: 8,
      },
      gives: { findings: [{ code: 'address-twice', units: ['Pool', 'Hall'], positions: [0, 1] }] },
      source: 'by hand',
    },
    {
      given: {
        units: [
          { name: 'A', role: 'follower', group: 1, instance: 1 },
          { name: 'B', role: 'follower', group: 1, instance: 2 },
        ],
        nameLimit: 8,
      },
      gives: { findings: [{ code: 'no-leader', units: ['A', 'B'], positions: [0, 1] }] },
      source: 'by hand',
    },
    {
      given: {
        units: [
          { name: 'Quarantine room', role: 'single' },
          { name: '', role: 'single' },
        ],
        nameLimit: 8,
      },
      gives: {
        findings: [
          { code: 'name-too-long', units: ['Quarantine room'], positions: [0] },
          { code: 'name-empty', units: [''], positions: [1] },
        ],
      },
      source: 'by hand: 15 letters',
    },
  ],
  run: ({ units, nameLimit }) => ({ findings: netCheck(units, nameLimit) }),
})
