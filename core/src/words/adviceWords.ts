import { spell } from '../time/spell'
import type { Quantity } from '../units/quantity'
import { sayTrade, type TradeFacts, type TradeRange } from './tradeWords'
import type { Words } from './words'

/** A way out where wishes fight, with the figure that it was tried with, and the values of the setting under which it then keeps them all. */
export type WayOut =
  | { readonly way: 'tolerance'; readonly toK: number; readonly ranges: readonly TradeRange[] }
  | {
      /** More starts than are borne by what is usual, and perhaps a wider tolerance with them: for the maker and the owner to say. */
      readonly way: 'starts'
      readonly perHour: number
      readonly toK?: number
      readonly ranges: readonly TradeRange[]
    }
  | { readonly way: 'setpoint'; readonly setpointC: number; readonly ranges: readonly TradeRange[] }
  | { readonly way: 'power'; readonly toW: number; readonly ranges: readonly TradeRange[] }
  | { readonly way: 'mass'; readonly times: number; readonly ranges: readonly TradeRange[] }
  | { readonly way: 'probe'; readonly lagS: number; readonly ranges: readonly TradeRange[] }
  | {
      readonly way: 'control'
      readonly kind: 'on-off' | 'band' | 'fan'
      readonly keeps: boolean
      readonly elsewhere: boolean
    }

/** Whether a way out keeps everything that is wished for. */
export const helps = (way: WayOut): boolean => (way.way === 'control' ? way.keeps : way.ranges.length > 0)

/** Settings as they would be keyed. */
export type AdvisedSettings = Readonly<
  Partial<Record<'setpointC' | 'swingK' | 'bandK' | 'minimumOffS' | 'integralS' | 'minimumPercent' | 'timerS', number>>
>

/** What was tried, and what came of it. */
export interface AdviceFacts {
  /** Settings that hold; none where no setting helps. */
  readonly settings: AdvisedSettings
  /** Where no setting helps: what was wished for, and where each wish is kept. */
  readonly fight?: TradeFacts
  readonly ways: readonly WayOut[]
}

/** What to set, in words that stand on a button; nothing where nothing is set. */
export function saySettings({ settings }: Pick<AdviceFacts, 'settings'>, words: Words): string | undefined {
  const { say, term } = words
  const { setpointC, swingK, bandK, minimumOffS, timerS } = settings
  const parts = [
    ...(setpointC === undefined ? [] : [`set ${say(setpointC, 'temperature')}`]),
    ...(swingK === undefined ? [] : [`${term('differential')} ${say(swingK, 'difference')}`]),
    ...(bandK === undefined ? [] : [`band ${say(bandK, 'difference')}`]),
    ...(timerS === undefined ? [] : [`timer ${spell(timerS)}`]),
    ...(minimumOffS === undefined ? [] : [`${term('minimumOffTime')} ${say(minimumOffS, 'seconds')}`]),
  ]
  return parts.length === 0 ? undefined : parts.join(', ')
}

/** One way out with its figure. */
export function sayWay(way: WayOut, { say }: Words): string {
  switch (way.way) {
    case 'tolerance':
      return `Let it stray by ${say(way.toK, 'difference')}`
    case 'starts':
      return `${say(way.perHour, 'count', 0)} starts an hour, if its maker allows them${way.toK === undefined ? '' : `, and let it stray by ${say(way.toK, 'difference')}`}`
    case 'setpoint':
      return `Set ${say(way.setpointC, 'temperature')}`
    case 'power':
      return `A power of ${say(way.toW, 'power')}`
    case 'mass':
      return `${way.times.toFixed(1)} times the water or mass`
    case 'probe':
      return `A probe that is late by ${say(way.lagS, 'seconds')}`
    case 'control':
      return `${way.kind === 'band' ? 'A band in place of the swing' : 'A swing in place of the band'}${way.elsewhere ? ', by another controller' : ''}`
  }
}

/** What a way out gave when it was tried. */
export function sayTried(way: WayOut, { say }: Words, quantity: Quantity): string {
  if (!helps(way)) return 'tried: none'
  if (way.way === 'control') return 'tried: holds'
  // The plan as it stands has no stretch.
  const [{ low, high } = { low: 0, high: 0 }] = way.ranges
  if (high === 0 && low === 0) return 'tried: holds'
  return low === high ? say(low, quantity) : `${say(low, quantity)} to ${say(high, quantity)}`
}

/** What was tried and what came of it: that it holds, else what fights. */
export function sayAdvice({ fight }: AdviceFacts, words: Words): string {
  if (!fight) return 'Tried: then it holds.'
  const { head, reason } = sayTrade(fight, words)
  return `Tried: ${head.slice(0, 1).toLowerCase()}${head.slice(1)} ${reason}`.trim()
}
