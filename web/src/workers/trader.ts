import { proxy } from 'comlink'
import type { TradeOff, TradePoint, Trial } from '@nachtigal/core/check/tradeOff'
import type { WayOut } from '@nachtigal/core/words/adviceWords'
import { startAdviser } from './adviser'

/** A worker that tries a setting across. */
export interface Trader {
  readonly trade: (
    trial: Trial,
    onPart: (points: readonly TradePoint[], share: number) => void,
  ) => Promise<readonly TradePoint[]>
  readonly point: (trial: Trial, value: number) => Promise<TradePoint>
  readonly ways: (trial: Trial, trade: TradeOff) => Promise<readonly WayOut[]>
  /** Ends the worker; what was asked never settles then. */
  readonly end: () => void
}

/** Starts a worker of its own. */
export function startTrader(): Trader {
  const { remote, asked, end } = startAdviser()
  return {
    trade: (trial, onPart) => asked(remote.trade(trial, proxy(onPart))),
    point: (trial, value) => asked(remote.point(trial, value)),
    ways: (trial, trade) => asked(remote.ways(trial, trade)),
    end,
  }
}
