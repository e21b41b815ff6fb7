import { useEffect, useRef, useState } from 'react'
import { readTrade, tradeAxis, tradeBounds, type TradePoint } from '@nachtigal/core/check/tradeOff'
import { tradeKey } from '@nachtigal/core/check/tradeView'
import type { PlanOf } from '@nachtigal/core/settings/behaviour'
import { settingOf } from '@nachtigal/core/simulate/loop/sweep'
import type { WayOut } from '@nachtigal/core/words/adviceWords'
import type { TradeSetting } from '@nachtigal/core/words/tradeWords'
import { startTrader, type Trader } from '../workers/trader'
import { useLoop } from './loopContext'

interface Trade {
  readonly points: readonly TradePoint[]
  /** What else there is where no value keeps everything; left out while it is being tried, or where it is not wanted. */
  readonly ways: readonly WayOut[] | undefined
  readonly tryingWays: boolean
  /** How much of it is done; left out when nothing is under way. */
  readonly share: number | undefined
  readonly problem: string | undefined
  readonly stopped: boolean
  readonly stop: () => void
  readonly again: () => void
}

interface Found {
  readonly key: string
  readonly points: readonly TradePoint[]
  readonly ways?: readonly WayOut[]
}

const NONE: readonly TradePoint[] = []
const same = (a: number, b: number) => Math.abs(a - b) < 1e-9

/**
 * What a setting of a planned output costs, tried across in a worker: anew when anything but that setting changes, and one value more when
 * the setting is put to one that was not run yet. Where no value keeps everything the ways out are tried as well.
 */
export function useTrade(plan: PlanOf, setting: TradeSetting): Trade {
  const context = useLoop()
  const { job, loop, data } = context
  const [found, setFound] = useState<Found>()
  const [share, setShare] = useState<number>()
  const [tryingWays, setTryingWays] = useState(false)
  const [problem, setProblem] = useState<string>()
  const [stopped, setStopped] = useState(false)
  const [turn, setTurn] = useState(0)
  const trader = useRef<Trader>(undefined)
  const key = tradeKey(context, plan, setting)
  const now = settingOf(plan, setting)
  const asked = useRef({ trial: { edited: { job, loop }, data, plan: plan.id, setting }, context, plan, now })
  asked.current = { trial: { edited: { job, loop }, data, plan: plan.id, setting }, context, plan, now }
  useEffect(() => {
    const given = asked.current
    let here = true
    // What is told as it comes goes another way than the end of it, and may come later.
    let ended = false
    const own = startTrader()
    trader.current = own
    setShare(0)
    setStopped(false)
    setProblem(undefined)
    setTryingWays(false)
    const failed = (error: unknown) => {
      if (!here) return
      setProblem(error instanceof Error ? error.message : String(error))
      setShare(undefined)
      setTryingWays(false)
    }
    const whole = async () => {
      const points = await own.trade(given.trial, (part, done) => {
        if (!here || ended) return
        setFound({ key, points: part })
        setShare(done)
      })
      ended = true
      if (!here) return
      setFound({ key, points })
      setShare(undefined)
      const { step } = tradeAxis(given.context, given.plan, setting)
      const trade = readTrade(setting, tradeBounds(given.context, given.plan), points, { step, now: given.now })
      if (trade.ranges.all.length > 0) return
      setTryingWays(true)
      const ways = await own.ways(given.trial, trade)
      if (!here) return
      setFound((before) => (before?.key === key ? { ...before, ways } : before))
      setTryingWays(false)
    }
    whole().catch(failed)
    return () => {
      here = false
      own.end()
    }
    // The key stands for the loop and its plan; the setting that is moved makes nothing new.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [key, turn])
  const points = found?.key === key ? found.points : NONE
  const lacks = share === undefined && !tryingWays && points.length > 0 && !points.some(({ value }) => same(value, now))
  useEffect(() => {
    const { trial } = asked.current
    if (!lacks) return
    let here = true
    trader.current?.point(trial, now).then(
      (point) =>
        here && setFound((before) => (before?.key === key ? { ...before, points: [...before.points, point] } : before)),
      (error: unknown) => here && setProblem(error instanceof Error ? error.message : String(error)),
    )
    return () => {
      here = false
    }
  }, [lacks, key, now])
  return {
    ...{ points, share, tryingWays, problem, stopped },
    ways: found?.key === key ? found.ways : undefined,
    stop: () => {
      trader.current?.end()
      setShare(undefined)
      setTryingWays(false)
      setStopped(true)
    },
    again: () => setTurn(turn + 1),
  }
}
