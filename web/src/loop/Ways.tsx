import './trade.css'
import type { TradeView } from '@nachtigal/core/check/tradeView'
import type { LoopContext } from '@nachtigal/core/loop/context'
import { helps, sayTried, sayWay, type WayOut } from '@nachtigal/core/words/adviceWords'

/** What else there is, each with the figure that it was tried with and what came of it. */
export function Ways({
  ways,
  quantity,
  words,
}: {
  readonly ways: readonly WayOut[]
  readonly quantity: TradeView['quantity']
  readonly words: LoopContext['words']
}) {
  if (ways.length === 0) return null
  return (
    <div data-ways={ways.filter(helps).length}>
      <div className="flex items-baseline gap-2 justify-between">
        <b>Ways out</b>
        <span className="small text-ink2">tried on both days</span>
      </div>
      <dl className="ways">
        {ways.map((way) => (
          <div key={sayWay(way, words)} className={helps(way) ? '' : 'text-ink2'}>
            <dt>{sayWay(way, words)}</dt>
            <dd>{sayTried(way, words, quantity)}</dd>
          </div>
        ))}
      </dl>
    </div>
  )
}
