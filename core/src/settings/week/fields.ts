import { clock, filled, map, maybe, number, record, weekdays } from '../../schema/field'
import { order } from '../../schema/places'
import { minutes } from '../fieldParts'
import type { Value } from '../../schema/value'

/** One period of a week. */
export const weekPeriodRecord = record('period', {
  order: order(),
  /** What it does: runs, or a mode of the controller. */
  mode: filled('mode', 20),
  /** Days on which it starts, 1 Monday to 7 Sunday, each as a digit: "12345". */
  days: weekdays('days'),
  start: clock('start'),
  minutes: number('length', 'minutes', { over: 0, max: 10080 }),
})

export const weekPlanRecord = record('week', {
  periods: map('periods', weekPeriodRecord),
  /** Run time of the timer that runs once. */
  onceMin: maybe(minutes('runs once for')),
})

/** One period of a week. */
export interface WeekPeriod extends Value<typeof weekPeriodRecord> {}
export interface WeekPlan extends Value<typeof weekPlanRecord> {}
