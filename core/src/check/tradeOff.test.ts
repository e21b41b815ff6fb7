import { describe, expect, it } from '@jest/globals'
import { type LoopKind, loopKinds } from '../kinds/kinds'
import { loopContext } from '../loop/context'
import { plansOf } from '../settings/behaviour'
import { startsOf } from '../settings/starts'
import { loopScenario } from '../simulate/loop/loopScenario'
import { dayWeather } from '../simulate/loop/runWeather'
import { settingOf, withLoopSetting } from '../simulate/loop/sweep'
import { simulate } from '../simulate/simulate'
import { chained } from '../testing/chains'
import { fieldData } from '../testing/fieldData'
import { wordsFor } from '../words/words'
import { sayRanges, sayTrade, tradeWishes } from '../words/tradeWords'
import { checkLoop } from './checkLoop'
import { runOutcome } from './runOutcome'
import { hasTrade, readTrade, tradeOff, type TradePoint, tradePoint, tradeSettingsOf } from './tradeOff'

const words = wordsFor({ temperatureUnit: 'C', system: 'metric' })

/** The first planned output of a sound loop of a kind, with its trade-off. */
function traded(kind: LoopKind) {
  const edited = chained(kind)
  const context = loopContext(edited.job, edited.loop, fieldData)
  const plan = plansOf(edited.loop.settings.planned)[0]!
  const [setting] = tradeSettingsOf(context, plan)
  const trial = { edited, data: fieldData, plan: plan.id, setting }
  return { edited, context, plan, setting, trial }
}

describe.each(loopKinds.filter((kind) => kind !== 'fan'))('what a setting costs: %s', (kind) => {
  const { edited, context, plan, setting, trial } = traded(kind)
  const trade = tradeOff(trial)!

  it('says of today what a run of today says, and what the rules say', () => {
    const here = trade.points.find(({ value }) => Math.abs(value - settingOf(plan, setting!)) < 1e-9)!
    const weather = dayWeather(edited.loop, 'design')
    const run = loopScenario(context, context.survey!, weather)
    const outcome = runOutcome(context, run, simulate(run.scenario), weather.extremeC)
    expect(here.days.design.starts).toBe(outcome.figures.worstHour)
    expect(here.days.design.energyKwh).toBe(outcome.figures.energyKwh)
    if (outcome.underK !== undefined) expect(here.days.design.strayK).toBe(Math.max(outcome.underK, outcome.overK!))
    if (plan.kind === 'on-off') expect(here.halfLoad).toBe(startsOf(context, plan)?.worst.perHour)
    const tooMany = checkLoop(context).open.some(
      ({ code, about }) => code === 'C093_STARTS_TOO_MANY' && about === plan.id,
    )
    if (tooMany) expect(here.keeps.starts).toBe(false)
  })
  it('both ends of every stretch were run, and keep what is said', () => {
    for (const wish of tradeWishes)
      for (const { low, high } of trade.ranges[wish] ?? [])
        for (const point of trade.points)
          if (point.value >= low && point.value <= high)
            expect([wish, point.value, point.keeps[wish]]).toEqual([wish, point.value, true])
    for (const { low, high } of trade.ranges.all)
      expect(trade.points.filter(({ value }) => value === low || value === high).length).toBeGreaterThan(0)
  })
  it('what is offered meets everything once it is set', () => {
    if (trade.best === undefined) {
      expect(trade.ranges.all).toEqual([])
      return
    }
    const { keeps } = tradePoint({
      ...trial,
      edited: { ...edited, loop: withLoopSetting(edited.loop, plan.id, setting!, trade.best) },
    })
    for (const wish of tradeWishes)
      if (trade.bounds[wish] !== undefined) expect([wish, keeps[wish]]).toEqual([wish, true])
  })
  it('is told as it comes, and its share only grows', () => {
    const shares: number[] = []
    tradeOff({ ...trial, rough: true }, ({ points }, share) => {
      expect(points.length).toBeGreaterThan(0)
      shares.push(share)
    })
    expect(shares).toEqual([...shares].sort((a, b) => a - b))
    expect(shares.at(-1)).toBeLessThanOrEqual(1)
  })
})

describe('a plant that is tried as another one', () => {
  it('more mass starts less often, more power more often', () => {
    const { trial, plan } = traded('boiler')
    const here = tradePoint(trial)
    expect(tradePoint({ ...trial, change: { massTimes: 3 } }).halfLoad!).toBeLessThan(here.halfLoad!)
    expect(tradePoint({ ...trial, change: { powerTimes: 2 } }).halfLoad!).toBeGreaterThan(here.halfLoad!)
    expect(plan.kind).toBe('on-off')
  })
  it('a quicker probe strays less', () => {
    const { trial } = traded('floor')
    expect(tradePoint({ ...trial, change: { lagS: 5 } }).days.design.strayK).toBeLessThan(
      tradePoint(trial).days.design.strayK,
    )
  })
})

describe('a loop without what it takes', () => {
  it('has no trade-off: a fan, no plan, a setting that its controller does not keep', () => {
    const { context } = traded('fan')
    expect(hasTrade(context, plansOf(context.loop.settings.planned)[0])).toBe(false)
    expect(hasTrade(context, undefined)).toBe(false)
    const { trial } = traded('pool')
    expect(tradeOff({ ...trial, setting: 'minimumOffS' })).toBeUndefined()
    expect(tradeOff({ ...trial, plan: 'nothing' })).toBeUndefined()
    expect(() => tradePoint({ ...trial, plan: 'nothing' })).toThrow(RangeError)
  })
})

/** A point that keeps these wishes. */
const point = (value: number, starts: boolean, stray: boolean): TradePoint => {
  const keeps = { starts, stray, battery: true }
  const day = { starts: 1, strayK: 1, lowestC: 19, highestC: 21, energyKwh: 1, keeps }
  return { value, keeps, days: { design: day, mild: day } }
}

describe('points read as stretches', () => {
  const bounds = { starts: 4, stray: 1 }
  const at = (points: readonly TradePoint[], now: number) => readTrade('swingK', bounds, points, { step: 0.1, now })
  it('keeps today where it meets everything, else offers the middle that was tried', () => {
    const points = [
      point(0.5, false, true),
      point(1, true, true),
      point(2, true, true),
      point(3, true, true),
      point(5, true, false),
    ]
    expect(at(points, 1).best).toBe(1)
    expect(at(points, 0.5).best).toBe(2)
    expect(at(points, 0.5).ranges).toEqual({
      starts: [{ low: 1, high: 5 }],
      stray: [{ low: 0.5, high: 3 }],
      all: [{ low: 1, high: 3 }],
    })
    expect(sayTrade(at(points, 0.5), words)).toEqual({
      head: '1.0\u00a0K to 3.0\u00a0K meets both.',
      reason: '4 starts an hour, ±1.0\u00a0K.',
    })
  })
  it('where wishes fight each says what it wants', () => {
    const points = [point(0.5, false, true), point(1, false, true), point(2, true, false), point(3, true, false)]
    expect(at(points, 1).best).toBeUndefined()
    expect(sayTrade(at(points, 1), words)).toEqual({
      head: 'No swing meets both: the wishes fight.',
      reason: '4 starts an hour: 2.0\u00a0K or more. ±1.0\u00a0K: 1.0\u00a0K or less.',
    })
  })
  it('one that nothing keeps is named', () => {
    const points = [point(0.5, true, false), point(1, true, false)]
    expect(sayTrade(at(points, 1), words).head).toBe('No swing meets both: none keeps ±1.0\u00a0K.')
  })
  it.each([
    [[], 'none'],
    [[{ low: 1, high: 8 }], 'any'],
    [[{ low: 2, high: 3 }], '2.0\u00a0K to 3.0\u00a0K'],
    [[{ low: 2, high: 2 }], '2.0\u00a0K'],
    [
      [
        { low: 1, high: 2 },
        { low: 4, high: 8 },
      ],
      '2.0\u00a0K or less, 4.0\u00a0K or more',
    ],
  ])('%j is said %s', (ranges, said) => {
    expect(sayRanges(ranges, { low: 1, high: 8 }, 'difference', words)).toBe(said)
  })
})
