import { Refused } from '../units/refused'
import { clockChanges, isoInZone, momentsOf, offsetMs, parseIso } from './wallClock'

export interface Period {
  /** Days on which it starts, 1 Monday to 7 Sunday. */
  readonly days: readonly number[]
  /** Wall time, "07:00". */
  readonly start: string
  readonly minutes?: number | undefined
  /** Wall time; at or before the start it is the next day's. */
  readonly end?: string | undefined
  readonly mode?: string | undefined
}

const DAY = 1440
const WEEK = 7 * DAY
const MINUTE_MS = 60_000
const DAY_MS = DAY * MINUTE_MS

const TIME = /^([01]?\d|2[0-3]):([0-5]\d)$/

/** Minutes since midnight of a wall time. @throws RangeError naming the field */
export function wallMinutes(field: string, text: string): number {
  if (text === '24:00') return DAY
  const parts = TIME.exec(text)
  if (!parts) throw new Refused(field, { must: 'other', says: `"${text.slice(0, 20)}" must be a time like 07:00` })
  return Number(parts[1]) * 60 + Number(parts[2])
}

interface Span {
  readonly period: number
  readonly mode: string | undefined
  /** Minutes from Monday 00:00 of wall time; the end may lie in the next week. */
  readonly from: number
  readonly to: number
}

/** Every start of every period in one week. @throws RangeError naming the period and what is wrong */
export function weekSpans(periods: readonly Period[]): Span[] {
  return periods.flatMap(({ days, start, minutes, end, mode }, period) => {
    const at = `periods[${period}]`
    const from = wallMinutes(`${at}.start`, start)
    if (from === DAY) throw new Refused(`${at}.start`, { must: 'other', says: '"24:00" must be a time like 07:00' })
    if ((minutes === undefined) === (end === undefined))
      throw minutes === undefined
        ? new Refused(`${at}.minutes`, { must: 'other', says: 'is missing: a period has minutes or an end' })
        : new Refused(`${at}.end`, { must: 'other', says: 'is one too many: a period has minutes or an end, not both' })
    let length = minutes
    if (length === undefined) {
      const to = wallMinutes(`${at}.end`, end!)
      length = to > from ? to - from : to + DAY - from
    }
    return [...new Set(days)].map((day) => ({
      period,
      mode,
      from: (day - 1) * DAY + from,
      to: (day - 1) * DAY + from + length,
    }))
  })
}

interface ScheduleEvent {
  readonly at: string
  readonly on: boolean
  /** Mode and number of the period that begins or, when it switches off, of the one that ends last. */
  readonly mode?: string
  readonly period: number
}

export interface ScheduleInput {
  readonly zone: string
  readonly from: string
  readonly periods: readonly Period[]
  readonly count?: number | undefined
  readonly to?: string | undefined
}

/** Spans that hold a wall minute of the week, those of the week before that reach over included. */
const holding = (spans: readonly Span[], minute: number) =>
  spans.filter(({ from, to }) => (minute >= from && minute < to) || (minute + WEEK >= from && minute + WEEK < to))

/** Whether some span holds every minute of the week. */
function coversWeek(spans: readonly Span[]): boolean {
  let reached = 0
  const laid = spans.flatMap(({ from, to }) => [
    [from, to] as const,
    ...(to > WEEK ? [[from - WEEK, to - WEEK] as const] : []),
  ])
  for (const [from, to] of laid.sort((a, b) => a[0] - b[0])) {
    if (from > reached) return false
    reached = Math.max(reached, to)
  }
  return reached >= WEEK
}

/** Wall minute of the week that a zone shows at a moment; seconds count as parts. */
function weekMinute(zone: string, utcMs: number): number {
  const wall = utcMs + offsetMs(zone, utcMs)
  // 1970-01-01 was a Thursday: three days after a Monday.
  return (((wall / MINUTE_MS + 3 * DAY) % WEEK) + WEEK) % WEEK
}

/** A count stops after this many weeks without enough switchings: a schedule that is always on has none. */
const WEEKS_SPARE = 2
/** Farthest that "to" may lie after "from": a hundred weeks and more. */
const FARTHEST_DAYS = 750
/** More than anyone reads, and still a moment to work out. */
const MOST_EVENTS = 5000

/**
 * When a weekly schedule switches next, in a zone with its clock changes.
 * It is on exactly when the wall clock reads within a period; minutes are wall minutes; a period past midnight belongs to the day it starts;
 * overlapping and touching periods are one; what lies in the hour that a change leaves out does not happen, in the one it repeats it
 * happens twice. `from` and `to` themselves are excluded.
 * @throws RangeError naming zone, from, to, count or the period that is wrong
 */
export function scheduleNext({ zone, from, periods, count, to }: ScheduleInput): {
  readonly onNow: boolean
  readonly events: readonly ScheduleEvent[]
} {
  const fromMs = parseIso('from', from, zone)
  const spans = weekSpans(periods)
  const onNow = holding(spans, weekMinute(zone, fromMs)).length > 0
  if (count === undefined && to === undefined)
    throw new Refused('count', { must: 'other', says: 'is missing: count or to says how far to look' })
  const toMs = to === undefined ? undefined : parseIso('to', to, zone)
  if (toMs !== undefined && toMs <= fromMs)
    throw new Refused('to', { must: 'other', says: `"${to!}" must be after from` })
  if (toMs !== undefined && toMs - fromMs > FARTHEST_DAYS * DAY_MS)
    throw new Refused('to', { must: 'other', says: `"${to!}" must lie within ${FARTHEST_DAYS} days of from` })
  // On or off for the whole week there is nothing to look for.
  if (spans.length === 0 || coversWeek(spans)) return { onNow, events: [] }
  const untilMs = toMs ?? fromMs + (count! + WEEKS_SPARE) * 7 * DAY_MS
  const events: ScheduleEvent[] = []
  let before = holding(spans, weekMinute(zone, fromMs))
  // A week at a time, so that a count ends the search early.
  for (let weekMs = fromMs; weekMs < untilMs; weekMs += 7 * DAY_MS) {
    const end = Math.min(weekMs + 7 * DAY_MS, untilMs)
    for (const at of boundaries(zone, spans, weekMs, end)) {
      const now = holding(spans, weekMinute(zone, at))
      const on = now.length > 0
      if (on !== before.length > 0 && at > fromMs) {
        const told = on ? now[0]! : before[before.length - 1]!
        events.push({
          at: isoInZone(zone, at),
          on,
          ...(told.mode === undefined ? {} : { mode: told.mode }),
          period: told.period,
        })
        if (count !== undefined && events.length >= count) return { onNow, events }
        if (events.length > MOST_EVENTS)
          throw new Refused('to', {
            must: 'other',
            says: `"${to!}" holds more than ${MOST_EVENTS} switchings: a nearer moment is needed`,
          })
      }
      before = now
    }
  }
  return { onNow, events }
}

/** Moments in [from, to) at which a span begins or ends, or the clock changes, in order. */
function boundaries(zone: string, spans: readonly Span[], fromMs: number, toMs: number): number[] {
  const wall = (utcMs: number) => utcMs + offsetMs(zone, utcMs)
  const mondayMs = (() => {
    const day = Math.floor(wall(fromMs) / DAY_MS)
    return (day - ((((day + 3) % 7) + 7) % 7)) * DAY_MS
  })()
  const changes = clockChanges(zone, fromMs - 3 * DAY_MS, toMs + 3 * DAY_MS)
  const steady = changes.length === 0 ? offsetMs(zone, fromMs) : undefined
  const moments = new Set<number>(changes)
  const minutes = new Set(spans.flatMap((span) => [span.from % WEEK, span.to % WEEK]))
  for (let week = -1; week <= 1; week++)
    for (const minute of minutes) {
      const wallMs = mondayMs + week * 7 * DAY_MS + minute * MINUTE_MS
      if (wallMs < fromMs - 2 * DAY_MS || wallMs > toMs + 2 * DAY_MS) continue
      for (const at of steady === undefined ? momentsOf(zone, wallMs) : [wallMs - steady]) moments.add(at)
    }
  return [...moments].filter((at) => at >= fromMs && at < toMs).sort((a, b) => a - b)
}

interface Overlap {
  readonly first: number
  readonly second: number
  readonly minutesPerWeek: number
}

/** Pairs of periods that are on at the same time, in wall minutes a week. Touching is no overlap. @throws RangeError from weekSpans */
export function scheduleOverlaps(periods: readonly Period[]): Overlap[] {
  const minutesOf = periods.map((_, period) => {
    const on = new Uint8Array(WEEK)
    for (const { period: of, from, to } of weekSpans(periods))
      if (of === period) for (let minute = from; minute < Math.min(to, from + WEEK); minute++) on[minute % WEEK] = 1
    return on
  })
  return periods.flatMap((_, first) =>
    periods.slice(first + 1).flatMap((_later, i) => {
      const second = first + 1 + i
      let minutesPerWeek = 0
      for (let minute = 0; minute < WEEK; minute++)
        if (minutesOf[first]![minute] && minutesOf[second]![minute]) minutesPerWeek++
      return minutesPerWeek > 0 ? [{ first, second, minutesPerWeek }] : []
    }),
  )
}
