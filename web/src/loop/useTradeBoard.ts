import { useMemo, useState } from 'react'
import { changeSettings, settingsChange } from '@nachtigal/core/actions/changeSettings'
import { tradeBounds, type TradeDay, tradeSettingsOf } from '@nachtigal/core/check/tradeOff'
import { tradeView, type TradeView } from '@nachtigal/core/check/tradeView'
import type { LoopDocument } from '@nachtigal/core/document/documents'
import type { LoopContext } from '@nachtigal/core/loop/context'
import { planOf, type PlanOf } from '@nachtigal/core/settings/behaviour'
import { withLoopSetting } from '@nachtigal/core/simulate/loop/sweep'
import type { TradeSetting } from '@nachtigal/core/words/tradeWords'
import { useLoop } from './loopContext'
import { useAct } from './useAct'
import { type Trade, useTrade } from './useTrade'

/** What a setting costs: what is across, on which day, what was tried of it, and the way to move it. */
export interface TradeBoardState {
  readonly settings: readonly TradeSetting[]
  readonly setting: TradeSetting
  readonly choose: (setting: TradeSetting) => void
  readonly day: TradeDay
  readonly chooseDay: (day: TradeDay) => void
  readonly trade: Trade
  /** Left out until the first values were tried. */
  readonly view: TradeView | undefined
  /** All of it was tried: it may be read. */
  readonly ready: boolean
  /** Moves the setting while a hand holds it; keeps it when `done`. */
  readonly put: (value: number, done: boolean) => void
  readonly problem: string | undefined
}

/**
 * The trade-off of a planned output, as it is looked at and moved.
 * @param plan left out where none is to be drawn: then nothing is tried either
 * @param context the loop with what a hand holds now
 * @param hold shows what a hand holds without keeping it; null lets go
 */
export function useTradeBoard(
  plan: PlanOf | undefined,
  context: LoopContext,
  hold: (loop: LoopDocument | null) => void,
): TradeBoardState | undefined {
  const { chain, loop } = useLoop()
  const act = useAct()
  const [chosen, choose] = useState<TradeSetting>()
  const [day, chooseDay] = useState<TradeDay>('design')
  const [problem, setProblem] = useState<string>()
  const settings = plan ? tradeSettingsOf({ chain }, plan) : []
  const setting = settings.find((each) => each === chosen) ?? settings[0]
  const trade = useTrade(plan, setting)
  const { points } = trade
  const held = plan && context.loop.settings.planned[plan.id]
  const view = useMemo(() => {
    if (!plan || !setting || points.length === 0) return undefined
    const inHand = planOf(plan.id, held ?? plan)
    return tradeView(context, inHand, setting, points, tradeBounds(context, inHand), day)
  }, [context, plan, held, setting, points, day])
  if (!plan || !setting) return undefined
  const put = (value: number, done: boolean) => {
    try {
      const next = withLoopSetting(loop, plan.id, setting, value)
      if (!done) {
        hold(next)
        return
      }
      hold(null)
      setProblem(act(changeSettings, settingsChange(loop.settings, next.settings)))
    } catch (error) {
      hold(null)
      setProblem((error as Error).message)
    }
  }
  return {
    ...{ settings, setting, choose, day, chooseDay, trade, view, put },
    ready: view !== undefined && trade.share === undefined && !trade.stopped,
    problem: problem ?? trade.problem,
  }
}
