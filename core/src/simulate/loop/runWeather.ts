import { actionOf } from '../../kinds/actionOf'
import { answersOf } from '../../kinds/answersOf'
import type { LoopDocument } from '../../document/documents'
import type { Climate } from '../../plant/climate'
import { winterDay } from '../../plant/winterDay'
import { factsOfKind } from '../../kinds/kinds'

export const spans = ['day', 'week', 'season'] as const
export type Span = (typeof spans)[number]

/** A kind of day: how far from the design day it is. */
export const daySorts = ['design', 'usual', 'mild'] as const
export type DaySort = (typeof daySorts)[number]

const offK: Readonly<Record<DaySort, number>> = { design: 0, usual: 5, mild: 12 }
/** Day over night outdoors, and in a room around a cabinet or a cold room. */
const OUTDOOR_RANGE_K = 6
const INDOOR_RANGE_K = 3
/** Rooms follow the weather outside by about this. */
const INDOOR_SHARE = 0.3
const DAY_H = 24
const TRACE_S: Readonly<Record<Span, number>> = { day: 60, week: 120, season: 300 }
const YEAR_H = 8760
/** First of October, 212 days; middle of April, 184. */
const HEATING_SEASON = { fromDay: 273, days: 212 }
const COOLING_SEASON = { fromDay: 104, days: 184 }

/** Whether a kind of loop stands indoors: its weather is that of the room. */
export const isIndoor = ({ kind }: Pick<LoopDocument, 'kind'>) => factsOfKind(kind).indoor === true
/** Whether a loop cools: its hardest day is the hottest. */
export const isCooling = (loop: Pick<LoopDocument, 'kind' | 'survey'>) => actionOf(loop) === 'cooling'

/** What a day of this sort is called for a loop. */
export function dayTitle(loop: Pick<LoopDocument, 'kind' | 'survey'>, sort: DaySort): string {
  const hot = isCooling(loop)
  return { design: 'Design day', usual: hot ? 'Warm day' : 'Cold day', mild: 'Mild day' }[sort]
}

export interface RunWeather {
  readonly hourlyC: readonly number[]
  readonly days: number
  /** A trace as fine as a strip of that length can show when one looks closer. */
  readonly traceS: number
  /** Coldest, or hottest, hour of it. */
  readonly extremeC: number
  readonly start: string
}

const day = (loop: Pick<LoopDocument, 'kind' | 'survey'>, designC: number, sort: DaySort): readonly number[] => {
  const range = isIndoor(loop) ? INDOOR_RANGE_K : OUTDOOR_RANGE_K
  const off = offK[sort] * (isIndoor(loop) ? 0.5 : 1)
  return winterDay(isCooling(loop) ? designC - off - range : designC + off, range)
}

/** Sum of a stretch of hours, for finding the hardest week. */
function hardestWeek(hourlyC: readonly number[], cooling: boolean): number {
  const length = 7 * DAY_H
  let sum = hourlyC.slice(0, length).reduce((a, b) => a + b, 0)
  let [best, at] = [sum, 0]
  for (let from = DAY_H; from + length <= hourlyC.length; from += DAY_H) {
    for (let h = 0; h < DAY_H; h++) sum += hourlyC[from + length - DAY_H + h]! - hourlyC[from - DAY_H + h]!
    if (cooling ? sum > best : sum < best) [best, at] = [sum, from]
  }
  return at
}

const two = (n: number) => String(n).padStart(2, '0')
/** Start of a day of a year that is no leap year, as it is written: it begins on a Monday at midnight near that date. */
function startOf(dayOfYear: number): string {
  const months = [31, 28, 31, 30, 31, 30, 31, 31, 30, 31, 30, 31]
  // 2029 is the next year that begins on a Monday: the run starts on the Monday before.
  let rest = dayOfYear - (dayOfYear % 7)
  let month = 0
  while (rest >= months[month]!) rest -= months[month++]!
  return `2029-${two(month + 1)}-${two(rest + 1)}T00:00:00`
}

/** The hottest or the coldest of some hours, °C. */
const extremeOf = (cooling: boolean) => (hours: readonly number[]) =>
  hours.reduce((far, c) => (cooling ? Math.max(far, c) : Math.min(far, c)), cooling ? -Infinity : Infinity)

/** A clear day around a loop's plant, at its design temperature or off it. */
export function dayWeather(loop: Pick<LoopDocument, 'kind' | 'survey'>, sort: DaySort): RunWeather {
  const cooling = isCooling(loop)
  const hourlyC = day(loop, Number(answersOf(loop)['designOutdoor']), sort)
  return {
    ...{ hourlyC, days: 1, traceS: TRACE_S.day },
    extremeC: extremeOf(cooling)(hourlyC),
    start: startOf(cooling ? 196 : 21),
  }
}

/**
 * Temperatures around a loop's plant for a run. A day is a clear one at the design temperature or off it; a week is the hardest of a climate, a season the
 * heating or the cooling half of it. A climate that is shipped is laid so that its hardest hour is the loop's design temperature; a file of one's own
 * is taken as it is. Plants that stand in a room feel three tenths of the weather.
 */
export function runWeather(
  loop: Pick<LoopDocument, 'kind' | 'survey'>,
  span: Span,
  sort: DaySort,
  climate: Climate,
  own: boolean,
): RunWeather {
  if (span === 'day') return dayWeather(loop, sort)
  const designC = Number(answersOf(loop)['designOutdoor'])
  const cooling = isCooling(loop)
  const extreme = extremeOf(cooling)
  const indoor = isIndoor(loop)
  const outermost = extreme(climate.hourlyC)
  const laid = own
    ? climate.hourlyC
    : climate.hourlyC.map((c) => designC + (c - outermost) * (indoor ? INDOOR_SHARE : 1))
  if (span === 'week') {
    const from = hardestWeek(laid, cooling)
    const hourlyC = laid.slice(from, from + 7 * DAY_H)
    return {
      hourlyC,
      days: Math.max(1, Math.floor(hourlyC.length / DAY_H)),
      traceS: TRACE_S.week,
      extremeC: extreme(hourlyC),
      start: startOf(from / DAY_H),
    }
  }
  const { fromDay, days } = cooling ? COOLING_SEASON : HEATING_SEASON
  const whole = laid.length >= YEAR_H
  const hourlyC = whole
    ? Array.from({ length: days * DAY_H }, (_, i) => laid[(fromDay * DAY_H + i) % laid.length]!)
    : laid
  return {
    hourlyC,
    days: Math.floor(hourlyC.length / DAY_H),
    traceS: TRACE_S.season,
    extremeC: extreme(hourlyC),
    start: startOf(whole ? fromDay : 0),
  }
}
