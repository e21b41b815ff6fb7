import { expose } from 'comlink'
import { findingOfConnection, openIn, triedRemedy } from '@nachtigal/core/actions/triedRemedy'
import { findingKey } from '@nachtigal/core/check/finding'
import { tradeOff, type TradeOff, tradePoint, type TradePoint, type Trial } from '@nachtigal/core/check/tradeOff'
import { triedAdvice, type TriedAdvice } from '@nachtigal/core/check/triedAdvice'
import { waysOut } from '@nachtigal/core/check/waysOut'
import type { DeviceProfile } from '@nachtigal/core/device/deviceProfile'
import type { LoopDocument } from '@nachtigal/core/document/documents'
import type { FieldData } from '@nachtigal/core/plant/fieldValue'
import type { RunWeather } from '@nachtigal/core/simulate/loop/runWeather'
import type { Edited } from '@nachtigal/core/wiring/edited'
import type { WayOut } from '@nachtigal/core/words/adviceWords'

let shop: { readonly data: FieldData; readonly shelf: readonly DeviceProfile[] } | undefined

/** What is tried on a copy before it is said, off the page's thread. One program for all of it, so that it is at hand without a server. */
const worker = {
  /** What would help a loop under a day. */
  advise: (edited: Edited, data: FieldData, weather: RunWeather): TriedAdvice | undefined =>
    triedAdvice(edited, data, weather),
  /** Both days at every value of a setting, told as they come. */
  trade(trial: Trial, onPart: (points: readonly TradePoint[], share: number) => void): readonly TradePoint[] {
    return tradeOff(trial, ({ points }, share) => onPart(points, share))?.points ?? []
  },
  /** Both days at one value. */
  point: (trial: Trial, value: number): TradePoint => tradePoint(trial, value),
  /** What else there is where no value keeps everything, each tried. */
  ways: (trial: Trial, trade: TradeOff): readonly WayOut[] => waysOut(trial, trade),
  /** What stays the same from one remedy to the next. */
  know(data: FieldData, shelf: readonly DeviceProfile[]): void {
    shop = { data, shelf }
  },
  /** What the button of a remedy says, where it was tried and helps; null where it does not. */
  say(
    edited: Edited,
    loops: readonly LoopDocument[],
    of: { readonly finding: string } | { readonly connection: string },
  ): string | null {
    if (!shop) throw new Error('it was asked before it knew the shelf')
    let made = 0
    const hand = { ...shop, loops, by: '', at: '1970-01-01T00:00:00Z', newId: () => `tried-${++made}` }
    const open = openIn(edited, hand)
    const found =
      'finding' in of ? open.find((each) => findingKey(each) === of.finding) : findingOfConnection(open, of.connection)
    return (found && triedRemedy(edited, found, hand)?.say) ?? null
  },
}

export type AdviceWorker = typeof worker

expose(worker)
