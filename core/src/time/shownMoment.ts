import { isoInZone, parseIso } from './wallClock'

/** Longest text that is shown of what is no moment. */
const MOST = 40

/** Wall time of a moment in a zone as ISO text; in UTC where the zone is not known, nothing where it is no moment. */
function wallOf(iso: string, zone: string): { readonly wall: string; readonly utc: boolean } | undefined {
  let atMs: number
  try {
    atMs = parseIso('at', String(iso), 'UTC')
  } catch {
    return undefined
  }
  try {
    return { wall: isoInZone(zone, atMs), utc: false }
  } catch {
    return { wall: isoInZone('UTC', atMs), utc: true }
  }
}

/**
 * A moment as the clock on the wall of a job shows it, on every screen and sheet: `2026-03-29 06:30`. Where the zone is not known it is in UTC and
 * says so; what is no moment stays as it was written.
 * @param iso ISO text with its offset
 * @param zone IANA name, such as Europe/Oslo
 * @example shownMoment('2026-07-01T10:00:00Z', 'Europe/Oslo') // "2026-07-01 12:00"
 */
export function shownMoment(iso: string, zone: string): string {
  const made = wallOf(iso, zone)
  if (!made) return String(iso).slice(0, MOST)
  return `${made.wall.slice(0, 16).replace('T', ' ')}${made.utc ? ' UTC' : ''}`
}

/**
 * The day of a moment by the calendar on the wall of a job: late in the evening it is another than in UTC.
 * @param iso ISO text with its offset
 * @param zone IANA name
 * @example shownDay('2026-03-01T23:30:00Z', 'Europe/Oslo') // "2026-03-02"
 */
export const shownDay = (iso: string, zone: string): string => shownMoment(iso, zone).slice(0, 10)

/**
 * The time of day of a moment by the clock on the wall of a job.
 * @param iso ISO text with its offset
 * @param zone IANA name
 * @example shownClock('2026-07-01T10:05:00Z', 'Europe/Oslo') // '12:05'
 */
export const shownClock = (iso: string, zone: string): string => shownMoment(iso, zone).slice(11)

/** The same as ISO text with the offset of the zone, for tables that are worked on: `2026-03-29T06:30:00+02:00`. */
export const zonedIso = (iso: string, zone: string): string => wallOf(iso, zone)?.wall ?? String(iso).slice(0, MOST)
