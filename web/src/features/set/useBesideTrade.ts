import { hasTrade } from '@nachtigal/core/check/tradeOff'
import type { PlanOf } from '@nachtigal/core/settings/behaviour'
import { useMedia } from '../../lib/useMedia'
import { type TradeBoardState, useTradeBoard } from '../../loop/useTradeBoard'
import { useSetting } from './setting'

/** Where a scale, a picture and what it means stand side by side. */
const ROOMY = '(min-width: 1200px)'

/** What a setting costs, to stand beside the instrument where there is room for both. */
export function useBesideTrade(plan: PlanOf | undefined): TradeBoardState | undefined {
  const { context, hold } = useSetting()
  const roomy = useMedia(ROOMY)
  return useTradeBoard(roomy && plan && hasTrade(context, plan) ? plan : undefined, context, hold)
}
