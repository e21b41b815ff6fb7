import { dayNumber } from './civilDay'

/** Seconds of a day and time as tables write them, `2026-03-01 10:30` or with seconds, counted from 1970 by the calendar; undefined where it is none. */
export function writtenSeconds(text: string): number | undefined {
  const parts = /^(\d{4})[-./](\d\d)[-./](\d\d)[T ](\d\d?):(\d\d)(?::(\d\d(?:\.\d+)?))?/.exec(text.trim())
  if (!parts) return undefined
  const [year, month, day, hour, minute] = parts.slice(1, 6).map(Number) as [number, number, number, number, number]
  return dayNumber(year, month, day) * 86_400 + hour * 3600 + minute * 60 + Number(parts[6] ?? 0)
}
