import ICAL from 'ical.js'
import type { WeekPeriod } from '@nachtigal/core/settings/week/fields'
import { clockText } from '@nachtigal/core/time/clockText'
import { civilDay, dayNumber } from '@nachtigal/core/time/civilDay'
import { isoInZone } from '@nachtigal/core/time/wallClock'

type Period = Omit<WeekPeriod, 'order'>

const dayCodes = ['MO', 'TU', 'WE', 'TH', 'FR', 'SA', 'SU'] as const
/** Larger than any week of a controller, and still read in a moment. */
const MOST_BYTES = 500_000
const MOST_EVENTS = 60
const DAY = 1440

const two = (n: number) => String(n).padStart(2, '0')

/** First day from a date on which a period starts, as an iCalendar date. */
function firstDate(days: string, today: string): string {
  const [year, month, day] = today.slice(0, 10).split('-').map(Number)
  const from = dayNumber(year!, month!, day!)
  const weekday = (n: number) => ((((n + 3) % 7) + 7) % 7) + 1
  const at = [0, 1, 2, 3, 4, 5, 6].map((i) => from + i).find((n) => days.includes(String(weekday(n)))) ?? from
  const date = civilDay(at)
  return `${date.year}-${two(date.month)}-${two(date.day)}`
}

/**
 * The periods of a week as an iCalendar file: one weekly event each, in the wall time of wherever it is read, as controllers keep it.
 * @param today ISO date from which the first events are laid
 * @param once days that come once, such as the next test
 */
export function weekToCalendar(
  periods: readonly (Period & { readonly id: string })[],
  {
    name,
    zone,
    today,
    stamp,
  }: { readonly name: string; readonly zone: string; readonly today: string; readonly stamp: string },
  once: readonly { readonly title: string; readonly day: string }[] = [],
): string {
  const calendar = new ICAL.Component('vcalendar')
  calendar.addPropertyWithValue('version', '2.0')
  calendar.addPropertyWithValue('prodid', '-//Nachtigal//week//EN')
  calendar.addPropertyWithValue('x-wr-calname', name)
  calendar.addPropertyWithValue('x-wr-timezone', zone)
  for (const { id, days, start, minutes, mode } of periods) {
    if (days === '') continue
    const event = new ICAL.Component('vevent')
    event.addPropertyWithValue('uid', `${id}@nachtigal`)
    event.addPropertyWithValue('dtstamp', ICAL.Time.fromDateTimeString(`${stamp.slice(0, 19)}Z`))
    event.addPropertyWithValue('summary', `${name}: ${mode}`)
    event.addPropertyWithValue('categories', mode)
    event.addPropertyWithValue('dtstart', ICAL.Time.fromDateTimeString(`${firstDate(days, today)}T${start}:00`))
    event.addPropertyWithValue('duration', ICAL.Duration.fromSeconds(minutes * 60))
    event.addPropertyWithValue(
      'rrule',
      ICAL.Recur.fromData({ freq: 'WEEKLY', byday: [...days].map((day) => dayCodes[Number(day) - 1]!) }),
    )
    calendar.addSubcomponent(event)
  }
  for (const { title, day } of once) {
    const event = new ICAL.Component('vevent')
    event.addPropertyWithValue('uid', `${day}-${title.replace(/\W+/g, '-')}@nachtigal`)
    event.addPropertyWithValue('dtstamp', ICAL.Time.fromDateTimeString(`${stamp.slice(0, 19)}Z`))
    event.addPropertyWithValue('summary', title)
    event.addPropertyWithValue('dtstart', ICAL.Time.fromDateString(day))
    calendar.addSubcomponent(event)
  }
  return calendar.toString()
}

type CalendarRead =
  | { readonly ok: true; readonly periods: readonly Period[]; readonly left: readonly string[] }
  | { readonly ok: false; readonly message: string }

/** Parts of a recurrence that a controller's week cannot keep. */
const unkept = ['count', 'until'] as const

/**
 * The weekly events of an iCalendar file as periods. What a week cannot keep (every other week, monthly, all-day) is left out and said
 * so by its name; text from outside is never trusted.
 * @param zone of the job: times in UTC are told in it
 */
export function weekFromCalendar(text: string, zone: string): CalendarRead {
  if (text.length > MOST_BYTES)
    return { ok: false, message: `The file holds more than ${MOST_BYTES / 1000} kB: it is no week.` }
  let root: ICAL.Component
  try {
    root = new ICAL.Component(ICAL.parse(text) as never)
  } catch {
    return { ok: false, message: 'This is no calendar file: it does not begin with BEGIN:VCALENDAR.' }
  }
  if (root.name !== 'vcalendar') return { ok: false, message: 'This is no calendar file: it holds no VCALENDAR.' }
  const events = root.getAllSubcomponents('vevent')
  if (events.length === 0) return { ok: false, message: 'The calendar holds no events.' }
  if (events.length > MOST_EVENTS)
    return { ok: false, message: `The calendar holds ${events.length} events: ${MOST_EVENTS} at most.` }
  const periods: Period[] = []
  const left: string[] = []
  for (const event of events) {
    const name = String(event.getFirstPropertyValue('summary') ?? 'an event').slice(0, 60)
    const read = periodOf(event, zone)
    if (typeof read === 'string') left.push(`${name}: ${read}`)
    else periods.push(read)
  }
  return periods.length === 0
    ? { ok: false, message: `Nothing in it can be kept. ${left.join(' ')}`.trim() }
    : { ok: true, periods, left }
}

function periodOf(event: ICAL.Component, zone: string): Period | string {
  const start = event.getFirstPropertyValue('dtstart')
  if (!(start instanceof ICAL.Time)) return 'it has no start.'
  if (start.isDate) return 'it lasts all day; a time is needed.'
  const wall = start.zone === ICAL.Timezone.utcTimezone ? isoInZone(zone, start.toUnixTime() * 1000) : start.toString()
  const [date = '', time = ''] = wall.split('T')
  const [year, month, day] = date.split('-').map(Number)
  const first = ((((dayNumber(year!, month!, day!) + 3) % 7) + 7) % 7) + 1
  const end = event.getFirstPropertyValue('dtend')
  const duration = event.getFirstPropertyValue('duration')
  const seconds =
    duration instanceof ICAL.Duration
      ? duration.toSeconds()
      : end instanceof ICAL.Time
        ? end.toUnixTime() - start.toUnixTime()
        : 0
  const minutes = Math.round(seconds / 60)
  if (!(minutes > 0)) return 'it has no length.'
  if (minutes > 7 * DAY) return 'it is longer than a week.'
  const rule = event.getFirstPropertyValue('rrule')
  let days = String(first)
  if (rule instanceof ICAL.Recur) {
    if (rule.interval > 1) return 'it does not come every time; a controller knows every week only.'
    if (unkept.some((part) => rule[part])) return 'it ends some day; a controller goes on.'
    const byday = rule.getComponent('BYDAY') as string[]
    const named = byday.map((code) => dayCodes.indexOf(code as (typeof dayCodes)[number]) + 1)
    if (named.includes(0)) return 'its days are not plain days of the week.'
    if (rule.freq === 'DAILY') days = '1234567'
    else if (rule.freq !== 'WEEKLY') return 'it does not repeat by the week.'
    else if (named.length > 0) days = [...new Set(named)].sort().join('')
  }
  const category = event.getFirstPropertyValue('categories')
  const mode = typeof category === 'string' && category.trim() !== '' ? category.trim().slice(0, 20) : 'runs'
  const [hour = 0, minute = 0] = time.split(':').map(Number)
  return { mode, days, start: clockText(hour + minute / 60), minutes }
}
