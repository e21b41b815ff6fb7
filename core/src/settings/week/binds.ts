import { ordered } from '../../schema/ordered'
import { wallMinutes } from '../../time/weekSchedule'
import { bindsOf, inSeconds } from '../binding'
import type { WeekPlan } from './fields'

const nth = ({ periods }: WeekPlan, n: number) => ordered(periods)[n - 1]

/** What a parameter may bind to in a week, and in the timer that runs once. A period that is not there has no days, and nothing else. */
export const weekBinds = bindsOf<WeekPlan>()({
  'period1.mode': (plan) => nth(plan, 1)?.mode,
  'period1.days': (plan) => nth(plan, 1)?.days || 'none',
  'period1.start': (plan, time) => time(startS(plan, 1)),
  'period1.run': (plan, time) => time(inSeconds(nth(plan, 1)?.minutes, 60)),
  'period2.mode': (plan) => nth(plan, 2)?.mode,
  'period2.days': (plan) => nth(plan, 2)?.days || 'none',
  'period2.start': (plan, time) => time(startS(plan, 2)),
  'period2.run': (plan, time) => time(inSeconds(nth(plan, 2)?.minutes, 60)),
  'period3.mode': (plan) => nth(plan, 3)?.mode,
  'period3.days': (plan) => nth(plan, 3)?.days || 'none',
  'period3.start': (plan, time) => time(startS(plan, 3)),
  'period3.run': (plan, time) => time(inSeconds(nth(plan, 3)?.minutes, 60)),
  'once.run': (plan, time) => time(inSeconds(plan.onceMin, 60)),
})

function startS(plan: WeekPlan, n: number): number | undefined {
  const period = nth(plan, n)
  return period && wallMinutes('start', period.start) * 60
}
