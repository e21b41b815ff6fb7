import { expose } from 'comlink'
import { tradeOff, type TradeOff, tradePoint, type TradePoint, type Trial } from '@nachtigal/core/check/tradeOff'
import { waysOut } from '@nachtigal/core/check/waysOut'
import type { WayOut } from '@nachtigal/core/words/adviceWords'

const worker = {
  /** Both days at every value of a setting, told as they come, off the page's thread. */
  trade(trial: Trial, onPart: (points: readonly TradePoint[], share: number) => void): readonly TradePoint[] {
    return tradeOff(trial, ({ points }, share) => onPart(points, share))?.points ?? []
  },
  /** Both days at one value. */
  point: (trial: Trial, value: number): TradePoint => tradePoint(trial, value),
  /** What else there is where no value keeps everything, each tried. */
  ways: (trial: Trial, trade: TradeOff): readonly WayOut[] => waysOut(trial, trade),
}

export type TradeWorker = typeof worker

expose(worker)
