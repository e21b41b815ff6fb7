import type { ReactNode } from 'react'
import { TradeBoard } from '../../loop/TradeBoard'
import { TradeFoot } from '../../loop/TradeSays'
import type { TradeBoardState } from '../../loop/useTradeBoard'

interface Props {
  readonly board: TradeBoardState | undefined
  readonly titleId: string
  readonly title: string
  /** In what steps it moves. */
  readonly hint: string
  readonly children: ReactNode
}

/** An instrument, and what its setting costs beside it where there is room. */
export function BesideTrade({ board, titleId, title, hint, children }: Props) {
  return (
    <div className={`instrument${board ? ' beside' : ''}`}>
      <div className="flex flex-col min-h-0 min-w-0">
        <div className="flex items-baseline gap-x-4 px-4 pt-2 flex-none">
          <h2 id={titleId} className="h2">
            {title}
          </h2>
          <span className="text-ink2 min-w-0 not-phone" hidden={board !== undefined}>
            {hint}
          </span>
        </div>
        <div className="flex-1 min-h-0 min-w-0 px-2 flex items-stretch">{children}</div>
      </div>
      {board ? (
        <TradeBoard board={board} beside>
          <TradeFoot board={board} />
        </TradeBoard>
      ) : null}
    </div>
  )
}
