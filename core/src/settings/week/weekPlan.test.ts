import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { scheduleOverlaps } from '../../time/weekSchedule'
import type { WeekPlan } from './fields'
import { addPeriod, endOverlap, startAt, toggleDay, withoutPeriod } from './weekPlan'

const week = (...periods: readonly (readonly [days: string, start: string, minutes: number])[]): WeekPlan =>
  periods.reduce<WeekPlan>(
    (all, [days, start, minutes], i) => addPeriod(all, `p${i}`, { mode: 'runs', days, start, minutes }),
    { periods: {} },
  )
const list = ({ periods }: WeekPlan) =>
  Object.values(periods).map(({ days, start, minutes }) => ({ days: [...days].map(Number), start, minutes }))

describe('periods of a week', () => {
  it('stand in the order they were added', () =>
    expect(Object.values(week(['1', '06:00', 60], ['2', '07:00', 60]).periods).map(({ order }) => order)).toEqual([
      1, 2,
    ]))
  it.each([
    [390, '06:30'],
    [1440, '00:00'],
    [-15, '23:45'],
  ])('start %d minutes after midnight is %s', (minutes, text) =>
    expect(startAt(week(['1', '06:00', 60]), 'p0', minutes).periods['p0']!.start).toBe(text),
  )
  it('take a day and give it back, always in order', () => {
    const more = toggleDay(week(['15', '06:00', 60]), 'p0', 3)
    expect(more.periods['p0']!.days).toBe('135')
    expect(toggleDay(more, 'p0', 1).periods['p0']!.days).toBe('35')
  })
  it('one is taken out', () => expect(Object.keys(withoutPeriod(week(['1', '06:00', 60]), 'p0').periods)).toEqual([]))
})

describe('an overlap ended on purpose', () => {
  const both = week(['12345', '06:00', 120], ['12345', '07:00', 120])
  it('cut: the first ends where the second starts', () =>
    expect(endOverlap(both, 'p0', 'p1', 'cut')!.periods['p0']!.minutes).toBe(60))
  it('the order in which they are named does not matter', () =>
    expect(endOverlap(both, 'p1', 'p0', 'cut')!.periods['p0']!.minutes).toBe(60))
  it('join: one period from the first start to the last end', () => {
    const joined = endOverlap(both, 'p0', 'p1', 'join')!
    expect(Object.keys(joined.periods)).toEqual(['p0'])
    expect(joined.periods['p0']!.minutes).toBe(180)
  })
  it('past midnight, on the days after', () => {
    const night = week(['5', '22:00', 480], ['6', '05:00', 60])
    expect(endOverlap(night, 'p0', 'p1', 'cut')!.periods['p0']!.minutes).toBe(420)
  })
  it('is not joined where the days differ, nor cut where both start at once', () => {
    expect(endOverlap(week(['1', '06:00', 60], ['12', '06:30', 60]), 'p0', 'p1', 'join')).toBeUndefined()
    expect(endOverlap(week(['1', '06:00', 60], ['1', '06:00', 90]), 'p0', 'p1', 'cut')).toBeUndefined()
  })
  it('whatever overlaps, a cut only ever shortens', () => {
    const days = fc.subarray(['1', '2', '3', '4', '5', '6', '7'], { minLength: 1 }).map((each) => each.join(''))
    const period = fc.tuple(days, fc.integer({ min: 0, max: 95 }), fc.integer({ min: 1, max: 90 }))
    fc.assert(
      fc.property(period, period, (a, b) => {
        const start = (quarter: number) =>
          `${String(Math.floor(quarter / 4)).padStart(2, '0')}:${String((quarter % 4) * 15).padStart(2, '0')}`
        const made = week([a[0], start(a[1]), a[2] * 15], [b[0], start(b[1]), b[2] * 15])
        if (scheduleOverlaps(list(made)).length === 0) return
        const cut = endOverlap(made, 'p0', 'p1', 'cut')
        if (cut) {
          const before = list(made).reduce((sum, { minutes }) => sum + minutes, 0)
          expect(list(cut).reduce((sum, { minutes }) => sum + minutes, 0)).toBeLessThan(before)
        }
      }),
    )
  })
})
