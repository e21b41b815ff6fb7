import './trade.css'
import type { ReactNode } from 'react'
import { tradeDays } from '@nachtigal/core/check/tradeOff'
import type { TradeView } from '@nachtigal/core/check/tradeView'
import { dayTitle } from '@nachtigal/core/simulate/loop/runWeather'
import { quantityView } from '@nachtigal/core/units/quantity'
import { capital } from '@nachtigal/core/words/terms'
import { tradeTitle } from '@nachtigal/core/words/tradeWords'
import { type TradeDrawing, TradeOffPicture } from '../drawing/TradeOffPicture'
import { PHONE, useMedia } from '../lib/useMedia'
import { useLoop } from './loopContext'
import type { TradeBoardState } from './useTradeBoard'

interface Props {
  readonly board: TradeBoardState
  /** Beside another drawing there is room for what is across first, and not for the choice of it. */
  readonly beside?: boolean
  /** What stands below the picture. */
  readonly children?: ReactNode
}

/** What a setting costs, as a picture: dragging its thumb is dragging the setting. */
export function TradeBoard({ board, beside, children }: Props) {
  const { loop, words } = useLoop()
  const phone = useMedia(PHONE)
  const { settings, setting, choose, day, chooseDay, trade, view, put, problem } = board
  const name = tradeTitle(setting, words)
  return (
    <section className="trade" aria-labelledby="trade-title">
      <div className="trade-head">
        <h2 id="trade-title" className="h2">
          What {/^[aeiou]/.test(name) ? 'an' : 'a'} {name} costs
        </h2>
        {settings.length > 1 && !beside ? (
          <div role="group" aria-label="Across" className="choices">
            {settings.map((each) => (
              <button key={each} type="button" aria-pressed={each === setting} onClick={() => choose(each)}>
                {capital(tradeTitle(each, words))}
              </button>
            ))}
          </div>
        ) : null}
        <div role="group" aria-label="Day" className="choices">
          {tradeDays.map((each) => (
            <button key={each} type="button" aria-pressed={each === day} onClick={() => chooseDay(each)}>
              <svg width="22" height="8" aria-hidden="true">
                <path
                  d="M0 4H22"
                  stroke="currentColor"
                  strokeWidth={each === day ? 2.25 : 1.25}
                  strokeDasharray={each === day ? undefined : '5 3'}
                />
              </svg>
              {dayTitle(loop, each)}
            </button>
          ))}
        </div>
      </div>
      <div className="trade-picture">
        {view ? (
          <Picture view={beside ? withoutCounted(view) : view} phone={phone} onMove={put} />
        ) : (
          <p className="text-ink2">The picture comes as it is tried.</p>
        )}
      </div>
      {!beside && view?.lanes.some(({ lines }) => lines.some(({ look }) => look === 'counted')) ? (
        <p className="small text-ink2 px-4 pb-2">Dotted: starts as they were counted in the two runs.</p>
      ) : null}
      {trade.share !== undefined ? (
        <div className="trade-progress" role="status">
          <span>Trying it across on both days</span>
          <progress max={1} value={trade.share} aria-label="Trying it across" />
          <button type="button" className="third min-h-8 max-md:min-h-12" onClick={trade.stop}>
            Stop it
          </button>
        </div>
      ) : null}
      {trade.stopped ? (
        <p role="status" className="px-4 pb-2">
          Stopped.{' '}
          <button type="button" className="third min-h-8 max-md:min-h-12" onClick={trade.again}>
            Try it across
          </button>
        </p>
      ) : null}
      {problem ? (
        <p role="alert" className="error">
          {problem}
        </p>
      ) : null}
      {children}
    </section>
  )
}

/** What a run counted beside what was worked out is told only where there is room to say which is which. */
const withoutCounted = (view: TradeView): TradeView => ({
  ...view,
  lanes: view.lanes.map((lane) => ({ ...lane, lines: lane.lines.filter(({ look }) => look !== 'counted') })),
})

/** The picture in the units that are looked at. */
function Picture({
  view,
  phone,
  onMove,
}: {
  readonly view: TradeView
  readonly phone: boolean
  readonly onMove: (si: number, done: boolean) => void
}) {
  const { preferences } = useLoop()
  const across = quantityView(view.quantity, preferences)
  // Free of the dust that a change of unit leaves behind.
  const x = (si: number) => Number(across.toShown(si).toFixed(4))
  const spans = (ranges: TradeView['all']) => ranges.map(({ low, high }) => [x(low), x(high)] as const)
  const values: TradeDrawing = {
    ...{
      title: view.title,
      unit: across.label,
      low: x(view.low),
      high: x(view.high),
      step: x(view.step),
      now: x(view.now),
    },
    decimals: x(view.step) < 1 ? 1 : 0,
    offer: view.offer && x(view.offer.value),
    all: spans(view.all),
    bars: view.bars.map(({ id, title, ranges }) => ({ id, title, ranges: spans(ranges) })),
    lanes: view.lanes.map(({ quantity, lines, bound, here, ...rest }) => {
      const y = quantityView(quantity, preferences)
      return {
        ...rest,
        here: y.toShown(here),
        bound: bound === undefined ? undefined : y.toShown(bound),
        lines: lines.map(({ look, spots }) => ({
          look,
          spots: spots.map(([at, figure]) => [x(at), y.toShown(figure)] as const),
        })),
      }
    }),
  }
  return (
    <TradeOffPicture
      values={values}
      label={`${view.title} across, what it costs`}
      compact={phone}
      onMove={(shown, done) => onMove(across.toSi(shown), done)}
    />
  )
}
