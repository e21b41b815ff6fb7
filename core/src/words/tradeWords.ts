import type { Quantity } from '../units/quantity'
import { capital } from './terms'
import type { Words } from './words'

/** A stretch of values of a setting, both ends tried. */
export interface TradeRange {
  readonly low: number
  readonly high: number
}

/** Settings that trade starts for closeness. */
export const tradeSettings = ['swingK', 'bandK', 'minimumOffS'] as const
export type TradeSetting = (typeof tradeSettings)[number]

/** What may be wished for, and not all at once. */
export const tradeWishes = ['starts', 'stray', 'battery'] as const
export type TradeWish = (typeof tradeWishes)[number]

/** What is wished for in figures; a wish that is left out binds nothing. */
export type TradeBounds = Readonly<Partial<Record<TradeWish, number>>>

/** A setting as far as it was tried, what was wished for, and where each wish is kept. */
export interface TradeFacts {
  readonly setting?: TradeSetting | undefined
  /** Both ends of what was tried. */
  readonly span: TradeRange
  readonly bounds: TradeBounds
  readonly ranges: Readonly<Partial<Record<TradeWish, readonly TradeRange[]>>> & {
    readonly all: readonly TradeRange[]
  }
}

/** What a setting is a number of. */
export const tradeQuantity = (setting: TradeSetting | undefined): Quantity =>
  setting === 'minimumOffS' ? 'seconds' : 'difference'

/** What a setting is called in this practice. */
export const tradeTitle = (setting: TradeSetting, { term }: Pick<Words, 'term'>): string =>
  setting === 'swingK' ? term('differential') : setting === 'bandK' ? 'band' : term('minimumOffTime')

/** What is wished for, short: "±1.0 K", "4 starts an hour". */
export function sayWish(wish: TradeWish, bound: number, { say }: Pick<Words, 'say'>): string {
  if (wish === 'stray') return `±${say(bound, 'difference')}`
  return wish === 'battery' ? `${say(bound, 'ampereHours')} of battery` : `${say(bound, 'count', 0)} starts an hour`
}

/** Where a wish is kept, in words: "0.5 K or less", "1.5 to 2.2 K", "none". */
export function sayRanges(ranges: readonly TradeRange[], span: TradeRange, quantity: Quantity, { say }: Words): string {
  if (ranges.length === 0) return 'none'
  return ranges
    .map(({ low, high }) => {
      if (low <= span.low && high >= span.high) return 'any'
      if (low <= span.low) return `${say(high, quantity)} or less`
      if (high >= span.high) return `${say(low, quantity)} or more`
      return low === high ? say(low, quantity) : `${say(low, quantity)} to ${say(high, quantity)}`
    })
    .join(', ')
}

const meeting = (name: string, said: string) => (said === 'any' ? `Any ${name} that was tried` : capital(said))

const counts = ['none', 'it', 'both', 'all three']

/** What a setting can keep: the stretch that meets everything, or which wishes fight and what each of them wants. */
export function sayTrade(
  { setting, span, bounds, ranges }: TradeFacts,
  words: Words,
): { head: string; reason: string } {
  const bound = tradeWishes.filter((wish) => bounds[wish] !== undefined)
  const quantity = tradeQuantity(setting)
  const name = setting === undefined ? 'setting' : tradeTitle(setting, words)
  if (bound.length === 0)
    return { head: 'Nothing binds it.', reason: 'No tolerance and no most of starts is known for it.' }
  const wants = bound.map((wish) => [sayWish(wish, bounds[wish]!, words), ranges[wish] ?? []] as const)
  if (ranges.all.length > 0)
    return {
      head: `${meeting(name, sayRanges(ranges.all, span, quantity, words))} meets ${counts[bound.length]}.`,
      reason: `${wants.map(([wish]) => wish).join(', ')}.`,
    }
  const alone = wants.filter(([, found]) => found.length === 0).map(([wish]) => wish)
  if (setting === undefined || bound.length === 1)
    return {
      head: `No ${name} keeps ${alone.join(' and ') || wants.map(([wish]) => wish).join(' and ')}.`,
      reason: 'It is the plant that is to be looked at.',
    }
  return {
    head: `No ${name} meets ${counts[bound.length]}: ${alone.length > 0 ? `none keeps ${alone.join(' or ')}` : 'the wishes fight'}.`,
    reason: wants
      .filter(([, found]) => found.length > 0)
      .map(([wish, found]) => `${capital(wish)}: ${sayRanges(found, span, quantity, words)}.`)
      .join(' '),
  }
}
