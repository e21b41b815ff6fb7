import { useEffect, useRef, useState } from 'react'
import { readTrade, tradeAxis, tradeBounds, type TradePoint, type Trial } from '@nachtigal/core/check/tradeOff'
import { tradeKey } from '@nachtigal/core/check/tradeView'
import type { LoopContext } from '@nachtigal/core/loop/context'
import type { PlanOf } from '@nachtigal/core/settings/behaviour'
import { settingOf } from '@nachtigal/core/simulate/loop/sweep'
import type { WayOut } from '@nachtigal/core/words/adviceWords'
import type { TradeSetting } from '@nachtigal/core/words/tradeWords'
import { startTrader, type Trader } from '../workers/trader'
import { useLoop } from './loopContext'

export interface Trade {
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

interface Asked {
  readonly trial: Trial
  readonly context: LoopContext
  readonly plan: PlanOf
  readonly setting: TradeSetting
  readonly now: number
}

interface Found {
  readonly key: string
  readonly points: readonly TradePoint[]
  readonly ways?: readonly WayOut[]
}

const NONE: readonly TradePoint[] = []
const same = (a: number, b: number) => Math.abs(a - b) < 1e-9

/** What was tried to its end lately, so that looking elsewhere and coming back tries nothing twice. */
const lately = new Map<string, Found>()
const MOST_KEPT = 12
function keep(found: Found) {
  lately.delete(found.key)
  lately.set(found.key, found)
  const [oldest] = lately.keys()
  if (lately.size > MOST_KEPT && oldest !== undefined) lately.delete(oldest)
}

/** Somebody who only passes by starts nothing, ms. */
const PASSING_MS = 250

/**
 * What a setting of a planned output costs, tried across in a worker: anew when anything but that setting changes, and one value more when
 * the setting is put to one that was not run yet. Where no value keeps everything the ways out are tried as well.
 * @param plan left out where nothing is to be tried
 */
export function useTrade(plan: PlanOf | undefined, setting: TradeSetting | undefined): Trade {
  const context = useLoop()
  const { job, loop, data } = context
  const key = plan && setting ? tradeKey(context, plan, setting) : undefined
  const [found, setFound] = useState<Found | undefined>(() => (key === undefined ? undefined : lately.get(key)))
  const [share, setShare] = useState<number>()
  const [tryingWays, setTryingWays] = useState(false)
  const [problem, setProblem] = useState<string>()
  const [stopped, setStopped] = useState(false)
  const [turn, setTurn] = useState(0)
  const trader = useRef<Trader>(undefined)
  const quit = useRef<() => void>(undefined)
  const here = found?.key === key ? found : undefined
  const now = plan && setting ? settingOf(plan, setting) : 0
  const asked = useRef<Asked>(undefined)
  asked.current =
    plan && setting
      ? { trial: { edited: { job, loop }, data, plan: plan.id, setting }, context, plan, setting, now }
      : undefined
  useEffect(() => {
    const given = asked.current
    setProblem(undefined)
    setStopped(false)
    setTryingWays(false)
    setShare(undefined)
    if (!given || key === undefined) return
    const before = lately.get(key)
    if (before) {
      setFound(before)
      return
    }
    let mounted = true
    // What is told as it comes goes another way than the end of it, and may come later.
    let ended = false
    setShare(0)
    const failed = (error: unknown) => {
      if (!mounted) return
      setProblem(error instanceof Error ? error.message : String(error))
      setShare(undefined)
      setTryingWays(false)
    }
    const whole = async () => {
      const own = startTrader()
      trader.current = own
      const points = await own.trade(given.trial, (part, done) => {
        if (!mounted || ended) return
        setFound({ key, points: part })
        setShare(done)
      })
      ended = true
      if (!mounted) return
      setFound({ key, points })
      setShare(undefined)
      const { step } = tradeAxis(given.context, given.plan, given.setting)
      const trade = readTrade(given.setting, tradeBounds(given.context, given.plan), points, { step, now: given.now })
      if (trade.ranges.all.length > 0) {
        keep({ key, points })
        return
      }
      setTryingWays(true)
      const ways = await own.ways(given.trial, trade)
      if (!mounted) return
      keep({ key, points, ways })
      setFound((soFar) => (soFar?.key === key ? { ...soFar, ways } : soFar))
      setTryingWays(false)
    }
    const begin = setTimeout(() => void whole().catch(failed), PASSING_MS)
    const end = () => {
      mounted = false
      clearTimeout(begin)
      trader.current?.end()
      trader.current = undefined
    }
    quit.current = end
    return end
    // The key stands for the loop and its plan; the setting that is moved makes nothing new.
  }, [key, turn])
  const points = here?.points ?? NONE
  const lacks = share === undefined && !tryingWays && points.length > 0 && !points.some(({ value }) => same(value, now))
  useEffect(() => {
    const given = asked.current
    if (!lacks || !given || key === undefined) return
    let mounted = true
    const own = (trader.current ??= startTrader())
    own.point(given.trial, now).then(
      (point) => {
        if (!mounted) return
        setFound((before) => {
          if (before?.key !== key) return before
          const next = { ...before, points: [...before.points, point] }
          if (lately.has(key)) keep(next)
          return next
        })
      },
      (error: unknown) => mounted && setProblem(error instanceof Error ? error.message : String(error)),
    )
    return () => {
      mounted = false
    }
  }, [lacks, key, now])
  return {
    ...{ points, share, tryingWays, problem, stopped },
    ways: here?.ways,
    stop: () => {
      quit.current?.()
      setShare(undefined)
      setTryingWays(false)
      setStopped(true)
    },
    again: () => setTurn(turn + 1),
  }
}
