import { writtenSeconds } from '../time/writtenSeconds'
import { parseNumber } from '../units/parseNumber'

interface LoggerPoint {
  /** Seconds from the first row that was read. */
  readonly atS: number
  readonly value: number
}

type LoggerRead =
  | { readonly ok: true; readonly points: readonly LoggerPoint[]; readonly left: number }
  | { readonly ok: false; readonly message: string }

const MOST_ROWS = 200_000
/** Seconds in a column of plain numbers, by what its head says. */
const unitOfHead: readonly (readonly [RegExp, number])[] = [
  [/\b(min|minute)/i, 60],
  [/\b(h|hr|hour)/i, 3600],
  [/\b(d|day)/i, 86400],
]

/** Seconds of a time as loggers write it: an ISO day and time, a clock time, or a plain number. */
function secondsOf(text: string, scale: number): number | undefined {
  const written = writtenSeconds(text)
  if (written !== undefined) return written
  const clock = /^(\d\d?):(\d\d)(?::(\d\d(?:\.\d+)?))?$/.exec(text)
  if (clock) return Number(clock[1]) * 3600 + Number(clock[2]) * 60 + Number(clock[3] ?? 0)
  const plain = parseNumber(text)
  return plain.ok ? plain.value * scale : undefined
}

/**
 * The first two columns of a logger's table as times and figures. Rows that hold neither are left out and counted; a clock that goes past
 * midnight goes on. Text from outside is never trusted: too many rows are refused.
 */
export function loggerReadings(rows: readonly (readonly string[])[]): LoggerRead {
  if (rows.length > MOST_ROWS)
    return { ok: false, message: `the file has ${rows.length} rows: at most ${MOST_ROWS} are read` }
  const head = rows.find((row) => row.some((cell) => /[a-z]/i.test(cell) && !/\d/.test(cell)))?.[0] ?? ''
  const scale = unitOfHead.find(([unit]) => unit.test(head))?.[1] ?? 1
  const points: LoggerPoint[] = []
  let left = 0
  let first: number | undefined
  let last = -Infinity
  let midnights = 0
  for (const row of rows) {
    const [time = '', figure = ''] = row.map((cell) => cell.trim())
    const at = secondsOf(time, scale)
    const value = parseNumber(figure)
    if (at === undefined || !value.ok) {
      if (time !== '' || figure !== '') left++
      continue
    }
    // A bare clock starts again at midnight.
    if (at + midnights * 86400 < last && /^\d\d?:\d\d/.test(time)) midnights++
    const s = at + midnights * 86400
    if (s < last) {
      left++
      continue
    }
    last = s
    first ??= s
    points.push({ atS: s - first, value: value.value })
  }
  return points.length >= 2
    ? { ok: true, points, left }
    : { ok: false, message: 'the file holds no two rows of a time and a figure in its first two columns' }
}

/** The figure at a time, straight between the two rows about it; nothing outside of what was logged. */
export function loggedAt(points: readonly LoggerPoint[], atS: number): number | undefined {
  const after = points.findIndex((point) => point.atS >= atS)
  if (after < 0) return undefined
  const b = points[after]!
  const a = points[after - 1]
  if (!a || b.atS === atS) return b.atS === atS || after === 0 ? b.value : undefined
  return a.value + ((b.value - a.value) * (atS - a.atS)) / (b.atS - a.atS)
}
