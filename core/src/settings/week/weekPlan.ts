import { wallMinutes } from '../../time/weekSchedule'
import { clockText } from '../../time/clockText'
import { ordered } from '../../schema/ordered'
import type { WeekPeriod, WeekPlan } from './fields'

const DAY = 1440

const timeOf = (minutes: number) => clockText((((minutes % DAY) + DAY) % DAY) / 60)
const startOf = ({ start }: WeekPeriod) => wallMinutes('start', start)

/** A week with one period changed. */
export const withPeriod = (week: WeekPlan, id: string, change: Partial<WeekPeriod>): WeekPlan => {
  const period = week.periods[id]
  return period ? { ...week, periods: { ...week.periods, [id]: { ...period, ...change } } } : week
}

/** A week with a period more, after the others. */
export const addPeriod = (week: WeekPlan, id: string, period: Omit<WeekPeriod, 'order'>): WeekPlan => ({
  ...week,
  periods: {
    ...week.periods,
    [id]: { ...period, order: 1 + Math.max(0, ...ordered(week.periods).map(({ order }) => order)) },
  },
})

/** A week without one of its periods. */
export const withoutPeriod = (week: WeekPlan, id: string): WeekPlan => ({
  ...week,
  periods: Object.fromEntries(Object.entries(week.periods).filter(([each]) => each !== id)),
})

/** A start moved to these minutes after midnight, round the clock. */
export const startAt = (week: WeekPlan, id: string, minutes: number): WeekPlan =>
  withPeriod(week, id, { start: timeOf(minutes) })

/** One day more, or one less, on which a period starts. */
export function toggleDay(week: WeekPlan, id: string, day: number): WeekPlan {
  const days = new Set(week.periods[id]?.days)
  if (days.has(String(day))) days.delete(String(day))
  else days.add(String(day))
  return withPeriod(week, id, { days: [...days].sort().join('') })
}

/** Minutes by which one period starts after another on the days they share or follow one another; 0 up to a week. */
function lead(first: WeekPeriod, second: WeekPeriod): number {
  const gaps = [...first.days].flatMap((a) =>
    [...second.days].map((b) => {
      const gap = (Number(b) - Number(a)) * DAY + startOf(second) - startOf(first)
      return ((gap % (7 * DAY)) + 7 * DAY) % (7 * DAY)
    }),
  )
  return Math.min(...gaps)
}

/**
 * An overlap ended on purpose: `cut` lets the earlier one end where the later one starts; `join` makes one of both where they start on
 * the same days. Nothing where that cannot be.
 */
export function endOverlap(week: WeekPlan, a: string, b: string, how: 'cut' | 'join'): WeekPlan | undefined {
  const [first, second] = [week.periods[a], week.periods[b]]
  if (!first || !second) return undefined
  const [early, late, earlyId, lateId] =
    lead(first, second) <= lead(second, first) ? [first, second, a, b] : [second, first, b, a]
  const gap = lead(early, late)
  if (how === 'cut') return gap > 0 && gap < early.minutes ? withPeriod(week, earlyId, { minutes: gap }) : undefined
  if (early.days !== late.days) return undefined
  return withoutPeriod(withPeriod(week, earlyId, { minutes: Math.max(early.minutes, gap + late.minutes) }), lateId)
}
