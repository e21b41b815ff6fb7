import './trade.css'
import type { TradeView } from '@nachtigal/core/check/tradeView'
import { Button } from '../design/Button'
import { Shape } from '../design/Shape'
import { useLoop } from './loopContext'
import type { TradeBoardState } from './useTradeBoard'
import { Ways } from './Ways'

/** The head of what a picture says, and why. */
function Verdict({ view }: { readonly view: TradeView }) {
  return (
    <div className={`finding ${view.verdict}`}>
      <Shape kind={view.verdict} labelled />
      <p>
        <b>{view.head}</b> {view.reason}
      </p>
    </div>
  )
}

/** Planning what is offered. */
function Offer({ board: { view, put } }: { readonly board: TradeBoardState }) {
  return view?.offer ? (
    <Button second end="+" onClick={() => put(view.offer!.value, true)}>
      Plan {view.offer.text}
    </Button>
  ) : null
}

/** What else there is where wishes fight: being tried, or each with what came of it. */
export function TradeWays({ board: { view, trade } }: { readonly board: TradeBoardState }) {
  const { words } = useLoop()
  if (!view) return null
  return (
    <>
      {trade.tryingWays ? (
        <div className="grid gap-1">
          <p className="small" role="status">
            Trying on a copy what else there is.
          </p>
          <progress className="w-full" aria-label="Trying what else there is" />
          <button type="button" className="third min-h-8 max-md:min-h-12 text-left" onClick={trade.stop}>
            Stop trying
          </button>
        </div>
      ) : null}
      {trade.ways ? <Ways ways={trade.ways} quantity={view.quantity} words={words} /> : null}
    </>
  )
}

const meets = (view: TradeView) => (view.all.length > 0 ? 'meets' : 'fights')

/** What the picture says, in the panel beside it: what keeps everything and what may be planned, or what fights and what else there is. */
export function TradeSays({ board }: { readonly board: TradeBoardState }) {
  const { view, ready } = board
  if (!view || !ready) return null
  return (
    <div className="grid gap-2" data-trade={meets(view)} aria-live="polite">
      <Verdict view={view} />
      {view.otherDay ? <p className="small">{view.otherDay}</p> : null}
      {view.bars.length > 1 && view.all.length > 0 ? (
        <ul className="small grid">
          {view.bars.map(({ id, text }) => (
            <li key={id}>{text}</li>
          ))}
        </ul>
      ) : null}
      {view.offer ? (
        <p className="small">
          {view.offer.text}: {view.offer.says}.
        </p>
      ) : null}
      <Offer board={board} />
      <TradeWays board={board} />
    </div>
  )
}

/** The same in short, below a picture that stands beside another drawing; what else there is stands in the panel. */
export function TradeFoot({ board }: { readonly board: TradeBoardState }) {
  const { view, ready } = board
  if (!view || !ready) return null
  return (
    <div className="trade-foot" data-trade={meets(view)} aria-live="polite">
      <Verdict view={view} />
      <Offer board={board} />
    </div>
  )
}
