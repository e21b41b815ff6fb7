import { spell } from '../../time/spell'
import { type ResolvedDevice } from '../../document/chain'
import { ordered } from '../../schema/ordered'
import type { WeekPeriod, WeekPlan } from './fields'
import { dayNumber, weekdayOf } from '../../time/civilDay'
import { clockChanges, isoInZone, offsetMs, parseIso } from '../../time/wallClock'
import { type Period, scheduleNext, scheduleOverlaps, weekSpans } from '../../time/weekSchedule'
import { bindsAny } from '../../device/bound'
import { controllerPlanOf } from '../../survey/controllerPlanOf'
import type { LoopContext } from '../../loop/context'
import type { Consequence } from '../consequences'

/** One bar of the week strip: minutes from Monday 00:00; what reaches past Sunday comes in again on Monday. */
interface WeekBar {
  readonly id: string
  readonly fromMin: number
  readonly toMin: number
}

interface WeekOverlap {
  readonly first: string
  readonly second: string
  readonly minutes: number
}

interface WeekView {
  readonly plan: WeekPlan
  readonly periods: readonly (WeekPeriod & { readonly id: string })[]
  readonly bars: readonly WeekBar[]
  readonly overlaps: readonly WeekOverlap[]
  /** How many the controller takes. */
  readonly most: number
  readonly lines: readonly Consequence[]
}

const WEEK_MIN = 7 * 1440

/** A period of the plan as the schedule's arithmetic takes it. */
const scheduled = ({ days, start, minutes, mode }: WeekPeriod): Period => ({
  days: [...days].map(Number),
  start,
  minutes,
  mode,
})

/** How many periods a controller takes, by its parameters. */
const mostPeriods = (device: ResolvedDevice): number =>
  [1, 2, 3].filter((n) => device.facts.controller && bindsAny(device.facts.controller, `period${n}.`)).length

const dayNames = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun']
const usual: Readonly<Record<string, string>> = {
  '1234567': 'every day',
  '12345': 'working days',
  '67': 'weekend',
  '': 'no day',
}
/** Days in words: every day, working days, or their names. */
export const daysSay = (days: string): string =>
  usual[days] ?? [...days].map((day) => dayNames[Number(day) - 1] ?? day).join(', ')

/** An instant with its offset as it is read on site: "Mon 06:30, 30 Nov". */
export function momentSays(iso: string): string {
  const [date = '', time = ''] = iso.split('T')
  const [year, month, day] = date.split('-').map(Number)
  const weekday = dayNames[weekdayOf(dayNumber(year!, month!, day!))]!
  return `${weekday} ${time.slice(0, 5)}, ${day} ${monthNames[month! - 1]!}`
}
const monthNames = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec']

/**
 * The week of a controller as a strip, its overlaps, what comes next and what the clock does.
 * @param now ISO instant with offset; nothing is said of what comes next without one
 */
export function weekView(context: LoopContext, device: ResolvedDevice, now?: string): WeekView | undefined {
  const plan = controllerPlanOf(context, device).week
  if (!plan) return undefined
  const { zone } = context.job
  const periods = ordered(plan.periods)
  const list = periods.map(scheduled)
  const bars = weekSpans(list).flatMap(({ period, from, to }): WeekBar[] => {
    const { id } = periods[period]!
    return to <= WEEK_MIN
      ? [{ id, fromMin: from, toMin: to }]
      : [
          { id, fromMin: from, toMin: WEEK_MIN },
          { id, fromMin: 0, toMin: Math.min(WEEK_MIN, to - WEEK_MIN) },
        ]
  })
  const overlaps = scheduleOverlaps(list).map(({ first, second, minutesPerWeek }) => ({
    first: periods[first]!.id,
    second: periods[second]!.id,
    minutes: minutesPerWeek,
  }))
  const line = (id: string, label: string, text: string): Consequence => ({
    id,
    label,
    value: null,
    quantity: 'hours',
    text,
  })
  const covered = coveredMinutes(bars)
  const { onNow, events } =
    now === undefined ? { onNow: false, events: [] } : scheduleNext({ zone, from: now, periods: list, count: 4 })
  const change = now === undefined ? undefined : nextClockChange(zone, now)
  return {
    plan,
    periods,
    bars,
    overlaps,
    most: mostPeriods(device),
    lines: [
      { id: 'covered', label: 'Runs a week', value: covered / 60, quantity: 'hours' },
      ...(now === undefined
        ? []
        : [
            line('now', 'Now', periods.length === 0 ? 'no period' : onNow ? 'in a period' : 'outside of every period'),
            ...events.map(({ at, on }, i) =>
              line(`next${i}`, i === 0 ? 'Next' : 'then', `${on ? 'on' : 'off'} ${momentSays(at)}`),
            ),
          ]),
      ...(change
        ? [
            line(
              'clock',
              'Clock changes',
              `${momentSays(change.at)}, ${change.forward ? 'an hour on' : 'an hour back'}: set the controller\u2019s clock that day`,
            ),
          ]
        : []),
      ...(plan.onceMin
        ? [line('once', 'Run once', `runs ${spell(plan.onceMin * 60)} from the key, whatever the week says`)]
        : []),
    ],
  }
}

/** Minutes of the week in which at least one period is on. */
function coveredMinutes(bars: readonly WeekBar[]): number {
  let [sum, reached] = [0, 0]
  for (const { fromMin, toMin } of [...bars].sort((a, b) => a.fromMin - b.fromMin)) {
    sum += Math.max(0, toMin - Math.max(reached, fromMin))
    reached = Math.max(reached, toMin)
  }
  return sum
}

/** When the clocks of a zone change next, and which way; nothing where they never do within a year. */
export function nextClockChange(
  zone: string,
  nowIso: string,
): { readonly at: string; readonly forward: boolean } | undefined {
  const from = parseIso('now', nowIso, zone)
  const [next] = clockChanges(zone, from, from + 366 * 86_400_000)
  if (next === undefined) return undefined
  return { at: isoInZone(zone, next), forward: offsetMs(zone, next) > offsetMs(zone, next - 1000) }
}
