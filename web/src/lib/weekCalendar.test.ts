import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { weekFromCalendar, weekToCalendar } from './weekCalendar'

const about = {
  name: 'Rescue van, Ptarmigan',
  zone: 'Europe/Oslo',
  today: '2026-11-26T07:00:00Z',
  stamp: '2026-11-26T07:00:00Z',
}
const calendar = (...events: readonly string[]) =>
  [
    'BEGIN:VCALENDAR',
    'VERSION:2.0',
    ...events.flatMap((event) => ['BEGIN:VEVENT', ...event.split('\n'), 'END:VEVENT']),
    'END:VCALENDAR',
  ].join('\r\n')
const read = (text: string) => weekFromCalendar(text, 'Europe/Oslo')

describe('a week as a calendar file', () => {
  it('has an event for each period, weekly on its days', () => {
    const text = weekToCalendar([{ id: 'p1', mode: 'runs', days: '135', start: '06:30', minutes: 90 }], about)
    expect(text).toContain('BEGIN:VCALENDAR')
    expect(text).toMatch(/RRULE:FREQ=WEEKLY;BYDAY=MO,WE,FR/)
    // The first of its days from a Thursday on.
    expect(text).toContain('DTSTART:20261127T063000')
    expect(text).toContain('DURATION:PT1H30M')
  })
  it('comes back as it was, whatever the periods', () => {
    const days = fc.subarray(['1', '2', '3', '4', '5', '6', '7'], { minLength: 1 }).map((each) => each.join(''))
    const period = fc.record({
      mode: fc.stringMatching(/^[a-z][a-z ]{0,10}[a-z]$/),
      days,
      start: fc
        .integer({ min: 0, max: 1439 })
        .map((m) => `${String(Math.floor(m / 60)).padStart(2, '0')}:${String(m % 60).padStart(2, '0')}`),
      minutes: fc.integer({ min: 1, max: 10_080 }),
    })
    fc.assert(
      fc.property(fc.array(period, { minLength: 1, maxLength: 6 }), (periods) => {
        const back = read(
          weekToCalendar(
            periods.map((each, i) => ({ ...each, id: `p${i}` })),
            about,
          ),
        )
        expect(back).toEqual({ ok: true, periods, left: [] })
      }),
    )
  })
})

describe('a calendar file from elsewhere', () => {
  it.each([
    [
      'a daily event',
      'SUMMARY:Heat\nDTSTART:20261123T060000\nDTEND:20261123T073000\nRRULE:FREQ=DAILY',
      '1234567',
      '06:00',
      90,
    ],
    ['one day', 'SUMMARY:Once\nDTSTART:20261125T220000\nDURATION:PT45M', '3', '22:00', 45],
    [
      'a time in UTC, told in the zone of the job',
      'SUMMARY:Z\nDTSTART:20261123T050000Z\nDURATION:PT1H\nRRULE:FREQ=WEEKLY',
      '1',
      '06:00',
      60,
    ],
  ])('%s', (_, event, days, start, minutes) =>
    expect(read(calendar(event))).toMatchObject({ ok: true, periods: [{ days, start, minutes }] }),
  )
  it.each([
    [
      'every other week',
      'SUMMARY:X\nDTSTART:20261123T060000\nDURATION:PT1H\nRRULE:FREQ=WEEKLY;INTERVAL=2',
      /every week only/,
    ],
    ['ending', 'SUMMARY:X\nDTSTART:20261123T060000\nDURATION:PT1H\nRRULE:FREQ=WEEKLY;COUNT=5', /goes on/],
    ['monthly', 'SUMMARY:X\nDTSTART:20261123T060000\nDURATION:PT1H\nRRULE:FREQ=MONTHLY', /by the week/],
    ['all day', 'SUMMARY:X\nDTSTART;VALUE=DATE:20261123\nRRULE:FREQ=WEEKLY', /all day/],
    ['no length', 'SUMMARY:X\nDTSTART:20261123T060000\nRRULE:FREQ=WEEKLY', /no length/],
  ])('what is %s is left out, by its name', (_, event, why) => {
    const whole = read(calendar(event, 'SUMMARY:Kept\nDTSTART:20261123T060000\nDURATION:PT1H'))
    expect(whole).toMatchObject({ ok: true, left: [expect.stringMatching(why)] })
    expect(read(calendar(event))).toMatchObject({ ok: false })
  })
  it.each([
    ['no calendar', 'hello', /no calendar file/],
    ['an empty one', 'BEGIN:VCALENDAR\r\nEND:VCALENDAR', /no events/],
    [
      'too many',
      calendar(...Array.from({ length: 61 }, () => 'SUMMARY:a\nDTSTART:20261123T060000\nDURATION:PT1H')),
      /60 at most/,
    ],
    ['too large', `BEGIN:VCALENDAR${' '.repeat(600_000)}`, /more than 500 kB/],
  ])('%s is refused, and says why', (_, text, why) => {
    const made = read(text)
    expect(made.ok ? '' : made.message).toMatch(why)
  })
  it('never throws, whatever it is given', () => {
    fc.assert(
      fc.property(fc.string({ maxLength: 300 }), (text) => {
        read(text)
        read(calendar(text.replace(/\n/g, ' ')))
      }),
    )
  })
})
