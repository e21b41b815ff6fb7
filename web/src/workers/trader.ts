import { proxy, wrap } from 'comlink'
import type { TradeOff, TradePoint, Trial } from '@nachtigal/core/check/tradeOff'
import type { WayOut } from '@nachtigal/core/words/adviceWords'
import type { TradeWorker } from './tradeWorker'

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
  const worker = new Worker(new URL('./tradeWorker.ts', import.meta.url), { type: 'module' })
  const remote = wrap<TradeWorker>(worker)
  const broken = new Promise<never>((_, reject) => {
    worker.onerror = () => reject(new Error('its program could not be fetched; is the server running?'))
  })
  // Whoever asks hears of it; nobody may be asking.
  broken.catch(() => undefined)
  return {
    trade: (trial, onPart) => Promise.race([remote.trade(trial, proxy(onPart)), broken]),
    point: (trial, value) => Promise.race([remote.point(trial, value), broken]),
    ways: (trial, trade) => Promise.race([remote.ways(trial, trade), broken]),
    end: () => worker.terminate(),
  }
}
