import { writtenSeconds } from '../time/writtenSeconds'

/** Most hours that a weather file may hold: two years. */
export const MOST_HOURS = 2 * 8784
/** Temperatures outdoors that anybody has ever read, °C, with something to spare. */
const [LEAST_C, MOST_C] = [-90, 60]
/** Longest gap that is bridged by a straight line, hours. */
const MOST_GAP = 6
const EPW_COLUMNS = 35
const EPW_HEADS = [
  'LOCATION',
  'DESIGN CONDITIONS',
  'TYPICAL/EXTREME PERIODS',
  'GROUND TEMPERATURES',
  'HOLIDAYS/DAYLIGHT SAVINGS',
  'COMMENTS 1',
  'COMMENTS 2',
  'DATA PERIODS',
]
/** How that format writes a missing temperature. */
const EPW_MISSING = 99.9

interface WeatherRows {
  readonly hourlyC: readonly number[]
  /** Hours that were missing and bridged. */
  readonly bridged: number
  readonly format: 'epw' | 'table'
  readonly title: string
}

const checked = (value: number, where: string) => {
  if (!(value >= LEAST_C && value <= MOST_C))
    throw new RangeError(`${where}: ${value} °C is no outdoor temperature; ${LEAST_C} to ${MOST_C} are taken`)
  return value
}

/** Bridges short gaps by straight lines. @throws RangeError where a gap is long, or at either end */
function bridge(
  values: readonly (number | null)[],
  where: (i: number) => string,
): { hourlyC: number[]; bridged: number } {
  const hourlyC: number[] = []
  let bridged = 0
  for (let i = 0; i < values.length; i++) {
    const value = values[i]!
    if (value !== null) {
      hourlyC.push(value)
      continue
    }
    let end = i
    while (end < values.length && values[end] === null) end++
    if (i === 0 || end === values.length)
      throw new RangeError(`${where(i)}: no temperature at the ${i === 0 ? 'beginning' : 'end'}`)
    if (end - i > MOST_GAP)
      throw new RangeError(
        `${where(i)}: ${end - i} hours have no temperature; up to ${MOST_GAP} are bridged, fill in what is missing`,
      )
    const [from, to] = [hourlyC[i - 1]!, values[end]!]
    for (let k = i; k < end; k++) hourlyC.push(from + ((to - from) * (k - i + 1)) / (end - i + 1))
    bridged += end - i
    i = end - 1
  }
  return { hourlyC, bridged }
}

/** Hour count of a written time, for gaps between rows; null where it is none. */
function hoursOf(text: string): number | null {
  const seconds = writtenSeconds(text)
  return seconds === undefined ? null : seconds / 3600
}

function fromEpw(rows: readonly (readonly string[])[]): WeatherRows {
  const first = rows.findIndex((row) => /^\d{4}$/.test(row[0]?.trim() ?? ''))
  if (first < 0) throw new RangeError('the file has the head of an EPW file, but no hour in it')
  const body = rows.slice(first)
  const values = body.map((row, i) => {
    const line = first + i + 1
    if (row.length < EPW_COLUMNS)
      throw new RangeError(`line ${line} has ${row.length} columns: an EPW hour has ${EPW_COLUMNS}`)
    const celsius = Number(row[6])
    if (row[6]!.trim() === '' || !Number.isFinite(celsius))
      throw new RangeError(
        `line ${line}, column 7 is ${JSON.stringify(row[6]!.slice(0, 20))}: the dry-bulb temperature in °C stands there`,
      )
    return celsius >= EPW_MISSING ? null : checked(celsius, `line ${line}`)
  })
  const { hourlyC, bridged } = bridge(values, (i) => `line ${first + i + 1}`)
  return { hourlyC, bridged, format: 'epw', title: (rows[0]![1] ?? 'weather').trim().slice(0, 60) }
}

/** A number as it is written in a table: a decimal comma is taken where there is no point. */
function numberOf(text: string): number {
  const plain = text.trim()
  return plain === '' ? NaN : Number(plain.includes('.') ? plain : plain.replace(',', '.'))
}

/** Reads hours out of a table: one column of temperatures, or a time and a temperature; a head is allowed. */
function fromTable(rows: readonly (readonly string[])[]): WeatherRows {
  const named = rows[0]!.findIndex((name) => /temp|°c|outdoor|dry.?bulb/i.test(name))
  const isWord = (cell: string) => /[a-z°]/i.test(cell) && hoursOf(cell) === null
  const hasHead = rows[0]!.some(isWord) && rows[0]!.every((cell) => !Number.isFinite(numberOf(cell)))
  const body = hasHead ? rows.slice(1) : rows
  const width = Math.max(...rows.map((row) => row.length))
  const column = hasHead && named >= 0 ? named : width - 1
  const times = column === 0 ? undefined : body.map((row) => hoursOf(row[0] ?? ''))
  const values: (number | null)[] = []
  const lines: number[] = []
  let last: number | undefined
  body.forEach((row, i) => {
    const line = i + (hasHead ? 2 : 1)
    const text = row[column] ?? ''
    const celsius = numberOf(text)
    if (text.trim() !== '' && !Number.isFinite(celsius))
      throw new RangeError(
        `line ${line}, column ${column + 1} is ${JSON.stringify(text.slice(0, 20))}: a temperature in °C is wanted`,
      )
    const at = times?.[i]
    if (at !== null && at !== undefined) {
      if (last !== undefined) {
        const step = at - last
        if (!(step > 0)) throw new RangeError(`line ${line}: its time is not after the one before`)
        if (step < 0.99)
          throw new RangeError(
            `line ${line} comes ${Math.round(step * 60)} minutes after the one before: one row an hour is wanted`,
          )
        for (let k = 1; k < Math.round(step); k++) {
          if (values.length >= MOST_HOURS) break
          values.push(null)
          lines.push(line)
        }
      }
      last = at
    }
    values.push(text.trim() === '' ? null : checked(celsius, `line ${line}`))
    lines.push(line)
  })
  const { hourlyC, bridged } = bridge(values, (i) => `line ${lines[i]}`)
  return { hourlyC, bridged, format: 'table', title: 'own weather' }
}

/**
 * Outdoor temperatures hour by hour from the rows of a file: an EPW file (the open format of building simulation), or a table with one row an
 * hour. Gaps up to six hours are bridged, and it is said how many.
 * @throws RangeError naming the line and what is wanted
 */
export function weatherRows(given: readonly (readonly string[])[]): WeatherRows {
  const rows = given.filter((row) => row.some((cell) => cell.trim() !== ''))
  if (rows.length === 0) throw new RangeError('the file is empty: one row an hour is wanted')
  if (rows.length > MOST_HOURS + EPW_HEADS.length)
    throw new RangeError(`the file has ${rows.length} rows: ${MOST_HOURS} hours are the most`)
  const made = rows[0]![0]?.trim() === EPW_HEADS[0] ? fromEpw(rows) : fromTable(rows)
  if (made.hourlyC.length < 24) throw new RangeError(`the file has ${made.hourlyC.length} hours: 24 at least`)
  if (made.hourlyC.length > MOST_HOURS)
    throw new RangeError(`the file covers ${made.hourlyC.length} hours: ${MOST_HOURS} are the most`)
  return made
}
