import type { ReactNode } from 'react'
import type { LoopDocument } from '@nachtigal/core/document/documents'
import type { LoopContext } from '@nachtigal/core/loop/context'
import type { PlanOf } from '@nachtigal/core/settings/behaviour'
import { TradeBoard } from './TradeBoard'
import { TradeSays } from './TradeSays'
import { useTradeBoard } from './useTradeBoard'

interface Props {
  readonly plan: PlanOf
  /** The loop with what a hand holds now. */
  readonly context: LoopContext
  /** Shows what a hand holds without keeping it; null lets go. */
  readonly hold: (loop: LoopDocument | null) => void
  /** What else the panel beside the picture tells, and the way on. */
  readonly children: ReactNode
}

/** What a setting costs as a part of its own: the picture large, what it says in the panel beside it. */
export function TradeOff({ plan, context, hold, children }: Props) {
  const board = useTradeBoard(plan, context, hold)
  if (!board) return null
  return (
    <div className="work">
      <TradeBoard board={board} />
      <aside className="panel gap-2" aria-label="What it means">
        <h2 className="h2">What it means</h2>
        <TradeSays board={board} />
        {children}
      </aside>
    </div>
  )
}
