import './trade.css'
import { type ReactNode, useMemo, useState } from 'react'
import { changeSettings, settingsChange } from '@nachtigal/core/actions/changeSettings'
import { tradeBounds, type TradeDay, tradeDays, tradeSettingsOf } from '@nachtigal/core/check/tradeOff'
import { tradeView, type TradeView } from '@nachtigal/core/check/tradeView'
import type { LoopDocument } from '@nachtigal/core/document/documents'
import type { LoopContext } from '@nachtigal/core/loop/context'
import { planOf, type PlanOf } from '@nachtigal/core/settings/behaviour'
import { withLoopSetting } from '@nachtigal/core/simulate/loop/sweep'
import { dayTitle } from '@nachtigal/core/simulate/loop/runWeather'
import { quantityView } from '@nachtigal/core/units/quantity'
import { helps, sayTried, sayWay, type WayOut } from '@nachtigal/core/words/adviceWords'
import { capital } from '@nachtigal/core/words/terms'
import { tradeTitle, type TradeSetting } from '@nachtigal/core/words/tradeWords'
import { Button } from '../design/Button'
import { Shape } from '../design/Shape'
import { type TradeDrawing, TradeOffPicture } from '../drawing/TradeOffPicture'
import { PHONE, useMedia } from '../lib/useMedia'
import { useAct } from './useAct'
import { useLoop } from './loopContext'
import { useTrade } from './useTrade'

interface Props {
  readonly plan: PlanOf
  /** The loop with what a hand holds now. */
  readonly context: LoopContext
  /** Shows what a hand holds without keeping it; null lets go. */
  readonly hold: (loop: LoopDocument | null) => void
  /** The panel beside the picture, with what the picture says in it. */
  readonly panel: (says: ReactNode) => ReactNode
}

/** What a setting costs, as a picture: dragging its thumb is dragging the setting. */
export function TradeOff({ plan, context, hold, panel }: Props) {
  const { chain, loop, words } = useLoop()
  const act = useAct()
  const phone = useMedia(PHONE)
  const settings = tradeSettingsOf({ chain }, plan)
  const [chosen, setChosen] = useState<TradeSetting>()
  const setting = settings.find((each) => each === chosen) ?? settings[0]!
  const [day, setDay] = useState<TradeDay>('design')
  const trade = useTrade(plan, setting)
  const [problem, setProblem] = useState<string>()
  const held = context.loop.settings.planned[plan.id]
  const view = useMemo(() => {
    if (trade.points.length === 0) return undefined
    const inHand = planOf(plan.id, held ?? plan)
    return tradeView(context, inHand, setting, trade.points, tradeBounds(context, inHand), day)
  }, [context, plan, held, setting, trade.points, day])
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
  const name = tradeTitle(setting, words)
  return (
    <div className="work">
      <section className="trade" aria-labelledby="trade-title">
        <div className="trade-head">
          <h2 id="trade-title" className="h2">
            What {/^[aeiou]/.test(name) ? 'an' : 'a'} {name} costs
          </h2>
          {settings.length > 1 ? (
            <div role="group" aria-label="Across" className="choices">
              {settings.map((each) => (
                <button key={each} type="button" aria-pressed={each === setting} onClick={() => setChosen(each)}>
                  {capital(tradeTitle(each, words))}
                </button>
              ))}
            </div>
          ) : null}
          <div role="group" aria-label="Day" className="choices">
            {tradeDays.map((each) => (
              <button key={each} type="button" aria-pressed={each === day} onClick={() => setDay(each)}>
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
            <Picture view={view} phone={phone} onMove={put} />
          ) : (
            <p className="text-ink2">The picture comes as it is tried.</p>
          )}
        </div>
        {view?.lanes.some(({ lines }) => lines.some(({ look }) => look === 'counted')) ? (
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
          <p role="status">
            Stopped.{' '}
            <button type="button" className="third min-h-8 max-md:min-h-12" onClick={trade.again}>
              Try it across
            </button>
          </p>
        ) : null}
        {(problem ?? trade.problem) ? (
          <p role="alert" className="error">
            {problem ?? trade.problem}
          </p>
        ) : null}
      </section>
      {panel(
        view && trade.share === undefined && !trade.stopped ? (
          <Says
            view={view}
            ways={trade.ways}
            trying={trade.tryingWays}
            onStop={trade.stop}
            onPlan={(value) => put(value, true)}
          />
        ) : null,
      )}
    </div>
  )
}

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

/** What the picture says: what keeps everything and what may be planned, or what fights and what else there is. */
function Says({
  view,
  ways,
  trying,
  onStop,
  onPlan,
}: {
  readonly view: TradeView
  readonly ways: readonly WayOut[] | undefined
  readonly trying: boolean
  readonly onStop: () => void
  readonly onPlan: (si: number) => void
}) {
  const { words } = useLoop()
  return (
    <div className="grid gap-2" data-trade={view.all.length > 0 ? 'meets' : 'fights'} aria-live="polite">
      <div className={`finding ${view.verdict}`}>
        <Shape kind={view.verdict} labelled />
        <p>
          <b>{view.head}</b> {view.reason}
        </p>
      </div>
      {view.otherDay ? <p className="small">{view.otherDay}</p> : null}
      {view.bars.length > 1 && view.all.length > 0 ? (
        <ul className="small grid">
          {view.bars.map(({ id, text }) => (
            <li key={id}>{text}</li>
          ))}
        </ul>
      ) : null}
      {view.offer ? (
        <>
          <p className="small">
            {view.offer.text}: {view.offer.says}.
          </p>
          <Button second end="+" onClick={() => onPlan(view.offer!.value)}>
            Plan {view.offer.text}
          </Button>
        </>
      ) : null}
      {trying ? (
        <div className="grid gap-1">
          <p className="small" role="status">
            Trying on a copy what else there is.
          </p>
          <progress className="w-full" aria-label="Trying what else there is" />
          <button type="button" className="third min-h-8 max-md:min-h-12 text-left" onClick={onStop}>
            Stop trying
          </button>
        </div>
      ) : null}
      {ways ? <Ways ways={ways} quantity={view.quantity} words={words} /> : null}
    </div>
  )
}

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
