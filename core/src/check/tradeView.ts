import { answersOf } from '../kinds/answersOf'
import type { LoopContext } from '../loop/context'
import type { PlanOf } from '../settings/behaviour'
import { dayTitle } from '../simulate/loop/runWeather'
import type { Consequence } from '../settings/consequences'
import { settingOf } from '../simulate/loop/sweep'
import type { Quantity } from '../units/quantity'
import {
  sayTrade,
  sayWish,
  sayRanges,
  tradeQuantity,
  type TradeRange,
  type TradeSetting,
  tradeTitle,
  type TradeWish,
  tradeWishes,
} from '../words/tradeWords'
import { capital } from '../words/terms'
import { readTrade, tradeAxis, type TradeDay, type TradeOff, type TradePoint } from './tradeOff'

type Spot = readonly [value: number, figure: number]

/** One lane of the picture: a figure over the setting, what binds it, and what it is here. */
export interface TradeLane {
  readonly id: TradeWish | 'energy'
  readonly title: string
  /** What binds it, in words, and the figure. */
  readonly boundTitle?: string
  readonly bound?: number
  readonly quantity: Quantity
  readonly decimals: number
  /** `main` is judged, on the chosen day; `other` is the other day; `counted` is what a run counted beside what was worked out. */
  readonly lines: readonly { readonly look: 'main' | 'other' | 'counted'; readonly spots: readonly Spot[] }[]
  readonly here: number
  readonly hereText: string
  /** Left out where nothing binds it. */
  readonly keeps?: boolean
}

/** The picture of what a setting costs, and what it says. */
export interface TradeView {
  readonly title: string
  readonly quantity: Quantity
  readonly low: number
  readonly high: number
  readonly step: number
  readonly now: number
  readonly lanes: readonly TradeLane[]
  /** Where each wish is kept, with its name and in words. */
  readonly bars: readonly {
    readonly id: TradeWish
    readonly title: string
    readonly text: string
    readonly ranges: readonly TradeRange[]
  }[]
  readonly all: readonly TradeRange[]
  readonly verdict: 'fits' | 'look'
  readonly head: string
  readonly reason: string
  /** Between what the place moves on the design day as it was run here, in words; left out between values that were run. */
  readonly holds?: string
  /** What the other day breaks where the chosen one keeps it. */
  readonly otherDay?: string
  /** What may be planned in its place, and what it does there. */
  readonly offer?: { readonly value: number; readonly text: string; readonly says: string }
}

/** A figure between the values that were run, along a straight line. */
function between(spots: readonly Spot[], value: number): number {
  const after = spots.findIndex(([at]) => at >= value - 1e-9)
  if (after <= 0) return (spots[0] ?? [0, 0])[1]
  if (after < 0) return spots.at(-1)![1]
  const [[x0, y0], [x1, y1]] = [spots[after - 1]!, spots[after]!]
  return Math.abs(x1 - value) < 1e-9 ? y1 : y0 + ((y1 - y0) * (value - x0)) / (x1 - x0)
}

/** Whether a wish is kept at a value on one day; starts of the worst half load are of no day. */
const keptOn = (point: TradePoint, wish: TradeWish, day: TradeDay) =>
  wish === 'starts' ? point.keeps.starts : point.days[day].keeps[wish]

const barTitles: Readonly<Record<TradeWish, string>> = { starts: 'starts', stray: 'strays', battery: 'battery' }

/**
 * What a setting costs as it is drawn: lanes for starts, how far it strays, and energy or ampere-hours, where each wish is kept, and what
 * it says at the value that is held now.
 * @param plan as a hand holds it
 */
export function tradeView(
  context: LoopContext,
  plan: PlanOf,
  setting: TradeSetting,
  points: readonly TradePoint[],
  bounds: TradeOff['bounds'],
  day: TradeDay,
): TradeView {
  const { words, survey } = context
  const { say } = words
  const axis = tradeAxis(context, plan, setting)
  const now = settingOf(plan, setting)
  const trade = readTrade(setting, bounds, points, { step: axis.step, now })
  const quantity = tradeQuantity(setting)
  const sorted = trade.points
  const other: TradeDay = day === 'design' ? 'mild' : 'design'
  const spotsOf = (figure: (point: TradePoint) => number | undefined): readonly Spot[] =>
    sorted.flatMap((point) => {
      const found = figure(point)
      return found === undefined ? [] : [[point.value, found] as const]
    })
  const here = sorted.find(({ value }) => Math.abs(value - now) < 1e-9)
  const lane = (
    id: TradeLane['id'],
    title: string,
    laneQuantity: Quantity,
    decimals: number,
    lines: TradeLane['lines'],
    boundTitle?: string,
  ): TradeLane => {
    const [main] = lines
    const value = between(main?.spots ?? [], now)
    const bound = id === 'energy' ? undefined : bounds[id]
    // Between values that were run the line alone judges.
    const keeps =
      id === 'energy' ? undefined : here ? keptOn(here, id, day) : bound === undefined || value <= bound + 0.05
    return {
      ...{ id, title, quantity: laneQuantity, decimals, lines, here: value },
      hereText: `${here ? '' : 'about '}${say(value, laneQuantity, decimals)}`,
      ...(bound === undefined || boundTitle === undefined ? {} : { bound, boundTitle, keeps: keeps === true }),
    }
  }
  const of = (figure: (run: TradePoint['days']['design']) => number | undefined): TradeLane['lines'] => [
    { look: 'main', spots: spotsOf(({ days }) => figure(days[day])) },
    { look: 'other', spots: spotsOf(({ days }) => figure(days[other])) },
  ]
  const halves = spotsOf(({ halfLoad }) => halfLoad)
  const starts = of((run) => run.starts)
  const target = survey && !survey.boiler ? say(survey.seen.targetC, 'temperature') : 'its line'
  const hours = answersOf(context.loop)['hoursWanted']
  const lanes: TradeLane[] = [
    halves.length > 0
      ? lane(
          'starts',
          'Starts an hour, worst half load',
          'perHour',
          1,
          [{ look: 'main', spots: halves }, ...starts.map(({ spots }) => ({ look: 'counted' as const, spots }))],
          bounds.starts === undefined ? undefined : `allowed ${say(bounds.starts, 'perHour', 0)}`,
        )
      : lane(
          'starts',
          'Starts in the worst hour',
          'count',
          0,
          starts,
          bounds.starts === undefined ? undefined : `allowed ${say(bounds.starts, 'perHour', 0)}`,
        ),
    lane(
      'stray',
      `Furthest from ${target}`,
      'difference',
      1,
      of((run) => run.strayK),
      bounds.stray === undefined ? undefined : `may stray ${say(bounds.stray, 'difference')}`,
    ),
    bounds.battery === undefined
      ? lane(
          'energy',
          plan.action === 'heating' ? 'Heat given in a day' : 'Heat removed in a day',
          'energy',
          1,
          of((run) => run.energyKwh),
        )
      : lane(
          'battery',
          `Battery, in ${say(Number(hours), 'hours', 0)}`,
          'ampereHours',
          0,
          of((run) => run.ampereHours),
          `gives ${say(bounds.battery, 'ampereHours')}`,
        ),
  ]
  const said = sayTrade(trade, words)
  const { best } = trade
  const better =
    best !== undefined && Math.abs(best - now) > 1e-9 ? sorted.find(({ value }) => value === best) : undefined
  return {
    ...{
      title: capital(tradeTitle(setting, words)),
      quantity,
      now,
      lanes,
      all: trade.ranges.all,
    },
    ...{ low: Math.min(axis.low, trade.span.low), high: Math.max(axis.high, trade.span.high), step: axis.step },
    bars: tradeWishes.flatMap((id) =>
      bounds[id] === undefined
        ? []
        : [
            {
              ...{ id, title: barTitles[id], ranges: trade.ranges[id] ?? [] },
              text: `${sayWish(id, bounds[id], words)}: ${sayRanges(trade.ranges[id] ?? [], trade.span, quantity, words)}`,
            },
          ],
    ),
    verdict:
      trade.ranges.all.length > 0 && best !== undefined && better === undefined
        ? 'fits'
        : trade.ranges.all.length > 0 || Object.keys(bounds).length > 0
          ? 'look'
          : 'fits',
    ...said,
    ...(here
      ? {
          holds: `${say(here.days.design.lowestC, 'temperature')} to ${say(here.days.design.highestC, 'temperature')}`,
        }
      : {}),
    ...(here && !here.days[other].keeps.stray && here.days[day].keeps.stray
      ? {
          otherDay: `${dayTitle(context.loop, other)}: ${say(here.days[other].strayK, 'difference')} astray at this value.`,
        }
      : {}),
    ...(better
      ? {
          offer: {
            value: better.value,
            text: say(better.value, quantity),
            says: sayPoint(better, day, context),
          },
        }
      : {}),
  }
}

/** What follows from a plan, with where it was run what the run says in place of what was estimated. */
export const asRun = (lines: readonly Consequence[], view: TradeView | undefined): readonly Consequence[] =>
  view?.holds === undefined
    ? lines
    : lines.map((line) => (line.id === 'settles' && line.estimated ? { ...line, text: view.holds! } : line))

/** What one value does: starts, how far, and what it takes. */
function sayPoint({ days, halfLoad }: TradePoint, day: TradeDay, { words: { say } }: LoopContext): string {
  const run = days[day]
  return [
    `starts ${say(halfLoad ?? run.starts, 'perHour', 1)} at worst`,
    `${say(run.strayK, 'difference')} astray at most`,
    run.ampereHours === undefined ? say(run.energyKwh, 'energy') : say(run.ampereHours, 'ampereHours'),
  ].join(', ')
}

/** Settings of a plan that move with one of them. */
const movesWith: Readonly<Record<TradeSetting, readonly string[]>> = {
  swingK: ['swingK', 'aboveK', 'belowK', 'onC', 'offC'],
  bandK: ['bandK'],
  minimumOffS: ['minimumOffS'],
}

/** What a trade-off was made for: while this stays the same, so does every point of it. What a hand moves along the picture makes no new one. */
export function tradeKey({ job, loop }: LoopContext, plan: PlanOf, setting: TradeSetting): string {
  const { survey, chain, settings, trial } = loop
  const planned = Object.entries(settings.planned).map(([id, each]) =>
    each.output.device === plan.output.device
      ? [id, Object.fromEntries(Object.entries(each).filter(([name]) => !movesWith[setting].includes(name)))]
      : [id, each],
  )
  return JSON.stringify([
    ...[plan.id, setting, survey.answers, chain, planned, settings.controllers, trial],
    ...[job.devices, job.temperatureUnit],
  ])
}
