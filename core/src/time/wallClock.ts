import { Refused } from '../units/refused'
import { civilDay, dayNumber } from './civilDay'

const DAY_MS = 86_400_000

const formatters = new Map<string, Intl.DateTimeFormat>()

function formatter(zone: string): Intl.DateTimeFormat {
  const known = formatters.get(zone)
  if (known) return known
  let made: Intl.DateTimeFormat
  try {
    made = new Intl.DateTimeFormat('en-US-u-ca-iso8601-nu-latn', {
      timeZone: zone,
      hourCycle: 'h23',
      year: 'numeric',
      month: 'numeric',
      day: 'numeric',
      hour: 'numeric',
      minute: 'numeric',
      second: 'numeric',
    })
  } catch {
    throw new Refused('zone', {
      must: 'other',
      says: `"${zone.slice(0, 40)}" is not known: a name like Europe/Oslo is needed`,
    })
  }
  formatters.set(zone, made)
  return made
}

/** A wall time in ms since 1970, as if the wall showed UTC: what two wall times are compared by. */
const wallMsOf = (year: number, month: number, day: number, hour: number, minute: number, second: number) =>
  dayNumber(year, month, day) * DAY_MS + ((hour * 60 + minute) * 60 + second) * 1000

/** How far the wall clock of a zone is ahead of UTC at a moment, ms. @throws RangeError when the zone is not known */
export function offsetMs(zone: string, utcMs: number): number {
  const parts: Record<string, number> = {}
  for (const { type, value } of formatter(zone).formatToParts(utcMs))
    if (type !== 'literal') parts[type] = Number(value)
  const wall = wallMsOf(
    parts['year']!,
    parts['month']!,
    parts['day']!,
    parts['hour']!,
    parts['minute']!,
    parts['second']!,
  )
  return wall - Math.floor(utcMs / 1000) * 1000
}

/** The moments at which the wall shows a time: none in the hour that a clock change leaves out, two in the one it repeats. */
export function momentsOf(zone: string, wallMs: number): number[] {
  const offsets = new Set([-1, 1].map((days) => offsetMs(zone, wallMs + days * DAY_MS)))
  return [...offsets]
    .map((offset) => wallMs - offset)
    .filter((utcMs) => utcMs + offsetMs(zone, utcMs) === wallMs)
    .sort((a, b) => a - b)
}

/** Moments between two others at which a zone changes its clock, to the second. Changes less than twelve hours apart are not looked for. */
export function clockChanges(zone: string, fromMs: number, toMs: number): number[] {
  const found: number[] = []
  const step = 43_200_000
  for (let at = fromMs; at < toMs; at += step) {
    const before = offsetMs(zone, at)
    let [low, high] = [at, Math.min(at + step, toMs)]
    if (offsetMs(zone, high) === before) continue
    while (high - low > 1000) {
      const middle = low + Math.floor((high - low) / 2000) * 1000
      if (offsetMs(zone, middle) === before) low = middle
      else high = middle
    }
    found.push(high)
  }
  return found
}

const two = (n: number) => String(n).padStart(2, '0')

/** A moment as ISO text with the offset of its zone: 2026-03-29T03:00:00+02:00. */
export function isoInZone(zone: string, utcMs: number): string {
  const offset = offsetMs(zone, utcMs)
  const minutes = Math.abs(Math.round(offset / 60_000))
  const wallMs = Math.floor((utcMs + offset) / 1000) * 1000
  const days = Math.floor(wallMs / DAY_MS)
  const second = (wallMs - days * DAY_MS) / 1000
  const { year, month, day } = civilDay(days)
  const time = [Math.floor(second / 3600), Math.floor(second / 60) % 60, second % 60].map(two).join(':')
  return `${year}-${two(month)}-${two(day)}T${time}${offset < 0 ? '-' : '+'}${two(Math.floor(minutes / 60))}:${two(minutes % 60)}`
}

const ISO = /^(\d{4})-(\d{2})-(\d{2})(?:T(\d{2}):(\d{2})(?::(\d{2})(?:\.\d{1,9})?)?)?(Z|[+-]\d{2}:?\d{2})?$/

/**
 * Reads ISO text. Without an offset it is wall time in the zone: the first moment that shows it, or the change itself when none does.
 * @throws RangeError naming the field when it is no moment
 */
export function parseIso(field: string, text: string, zone: string): number {
  const parts = ISO.exec(text)
  const refuse = () =>
    new Refused(field, {
      must: 'other',
      says: `"${text.slice(0, 40)}" must be a moment like 2026-03-29T06:30:00+02:00`,
    })
  if (!parts) throw refuse()
  const [year, month, day, hour, minute, second] = parts.slice(1, 7).map((part) => Number(part ?? 0)) as [
    number,
    number,
    number,
    number,
    number,
    number,
  ]
  const wallMs = wallMsOf(year, month, day, hour, minute, second)
  const shown = civilDay(dayNumber(year, month, day))
  if (year < 1971 || year > 2200 || shown.month !== month || shown.day !== day) throw refuse()
  if (hour > 23 || minute > 59 || second > 59) throw refuse()
  const offset = parts[7]
  if (offset === undefined) {
    const before = wallMs - offsetMs(zone, wallMs - DAY_MS)
    return momentsOf(zone, wallMs)[0] ?? before
  }
  if (offset === 'Z') return wallMs
  const [hours, minutes] = [Number(offset.slice(1, 3)), Number(offset.slice(-2))]
  if (hours > 14 || minutes > 59) throw refuse()
  return wallMs - (offset.startsWith('-') ? -1 : 1) * (hours * 60 + minutes) * 60_000
}
