import { answersOf } from '@nachtigal/core/kinds/answersOf'
import { changeSettings, settingsChange } from '@nachtigal/core/actions/changeSettings'
import { useTap } from '../../loop/useTap'
import { useEffect, useMemo, useRef, useState } from 'react'
import { allowedStarts } from '@nachtigal/core/settings/allowedStarts'
import { startsTitles } from '@nachtigal/core/settings/starts'
import { meetsTarget, nearestAt, shadesOf } from '@nachtigal/core/simulate/loop/readSweep'
import { settingSpan, spanValues } from '@nachtigal/core/simulate/loop/settingSpan'
import {
  settingOf,
  settingsKept,
  type SweepMap as Swept,
  type SweepSetting,
  withLoopSetting,
} from '@nachtigal/core/simulate/loop/sweep'
import { LONG_RUN_MS } from '@nachtigal/core/simulate/longRun'
import { aboutTime } from '@nachtigal/core/units/aboutTime'
import { formatQuantity, type Quantity } from '@nachtigal/core/units/quantity'
import { SweepMap } from '../../drawing/SweepMap'
import { runSweep, SweepTakesLong } from '../../workers/simulator'
import { Cautions } from '../../loop/Cautions'
import { useLoop } from '../../loop/loopContext'
import { Button } from '../../design/Button'
import { ChoiceField } from '../../design/ChoiceField'
import { settingTitles } from './SettingSliders'
import { useTrial } from './trial'

const measures = {
  cyclesPerHour: { title: 'Cycles an hour', quantity: 'perHour' },
  worstHour: { title: 'Starts in the worst hour', quantity: 'count' },
  excursionK: { title: 'Furthest off the target', quantity: 'difference' },
  energyKwh: { title: 'Energy', quantity: 'energy' },
} as const satisfies Readonly<Record<string, { readonly title: string; readonly quantity: Quantity }>>
type Measure = keyof typeof measures

/** Columns and rows: a map that can be read, and tapped with a thumb. */
const [COLUMNS, ROWS] = [8, 7]
const DAYS = 3

/** Two settings against each other: what every pair would do, those that meet the target marked, a tap to take one. */
export function SweepPart() {
  const { loop, chain, data, survey, words, preferences, behaviour } = useLoop()
  const tap = useTap()
  const { weather, run } = useTrial()
  const plan = behaviour ?? run?.outputs[0]?.plan
  const settings = plan ? settingsKept(chain, plan) : []
  const [xSetting, setX] = useState<SweepSetting>()
  const [ySetting, setY] = useState<SweepSetting>()
  const x = settings.find((each) => each === xSetting) ?? settings[0]
  const y = settings.find((each) => each === ySetting && each !== x) ?? settings.find((each) => each !== x)
  const [measure, setMeasure] = useState<Measure>('cyclesPerHour')
  const [map, setMap] = useState<Swept>()
  const [share, setShare] = useState<number>()
  const [problem, setProblem] = useState<string>()
  const [takesMs, setTakesMs] = useState<number>()
  const cancel = useRef<() => void>(undefined)
  useEffect(() => () => cancel.current?.(), [])
  const most = useMemo(
    () => (plan ? allowedStarts({ chain, loop, data }, plan.output) : undefined),
    [chain, loop, data, plan],
  )
  if (!plan || !survey || !weather || !x || !y) return <p className="p-4">There is nothing to sweep.</p>
  const spans = { x: settingSpan(loop, plan, x, data), y: settingSpan(loop, plan, y, data) }
  const go = (mayTakeMs = LONG_RUN_MS) => {
    cancel.current?.()
    setProblem(undefined)
    setTakesMs(undefined)
    setShare(0)
    const asked = runSweep(
      {
        given: { loop, chain, data },
        survey,
        run: {
          hourlyC: weather.hourlyC.slice(0, DAYS * 24),
          days: Math.min(DAYS, Math.max(1, weather.days * 3)),
          start: weather.start,
        },
        output: plan.id,
        x: { setting: x, values: spanValues(spans.x, COLUMNS) },
        y: { setting: y, values: spanValues(spans.y, ROWS) },
      },
      mayTakeMs,
      (filled, done) => {
        if (!live) return
        setMap(filled)
        setShare(done)
      },
    )
    let live = true
    cancel.current = () => {
      live = false
      asked.cancel()
      setShare(undefined)
    }
    asked.result.then(
      (made) => {
        if (!live) return
        setMap(made)
        setShare(undefined)
      },
      (error: unknown) => {
        if (!live) return
        if (error instanceof SweepTakesLong) setTakesMs(error.ms)
        else setProblem(error instanceof Error ? error.message : String(error))
        setShare(undefined)
      },
    )
  }
  const { tolerance } = answersOf(loop)
  // What the rooms may stray is not what the water may stray from its line.
  const mayK = typeof tolerance === 'number' && !survey.boiler ? tolerance : undefined
  const values = map ? Array.from(map[measure]) : []
  const meets = map ? meetsTarget(map, { mostStarts: most?.perHour, mayK }) : []
  const say = (value: number, quantity: Quantity) => formatQuantity(value, quantity, preferences).split('\u00a0')[0]!
  const say2 = (setting: SweepSetting, value: number) =>
    formatQuantity(value, settingSpan(loop, plan, setting, data).quantity, preferences)
  const stale = map !== undefined && (map.x.setting !== x || map.y.setting !== y)
  const count = meets.filter(Boolean).length
  return (
    <div className="work">
      <div className="try-main">
        <div className="run-controls thirds">
          <ChoiceField
            label="Along"
            value={x}
            onChoose={(value) => setX(value as SweepSetting)}
            choices={settings.map((value) => ({ value, title: settingTitles[value] }))}
          />
          <ChoiceField
            label="Down"
            value={y}
            onChoose={(value) => setY(value as SweepSetting)}
            choices={settings.filter((each) => each !== x).map((value) => ({ value, title: settingTitles[value] }))}
          />
          <ChoiceField
            label="Shows"
            value={measure}
            onChoose={(value) => setMeasure(value as Measure)}
            choices={Object.entries(measures).map(([value, { title }]) => ({ value, title }))}
          />
        </div>
        {share !== undefined ? (
          <div className="grid gap-2 max-w-sm" role="status">
            <p>
              Simulating {COLUMNS * ROWS} pairs, {Math.round(share * 100)} %
            </p>
            <progress max={1} value={share} className="w-full" aria-label="Sweeping" />
            <button className="third min-h-8 justify-self-start" type="button" onClick={() => cancel.current?.()}>
              Stop it
            </button>
          </div>
        ) : null}
        {takesMs !== undefined ? (
          <div className="grid gap-2 max-w-sm" role="status">
            <p>
              {COLUMNS * ROWS} pairs would take {aboutTime(takesMs)} here.
            </p>
            <div className="flex flex-wrap gap-4">
              <button className="third min-h-8" type="button" onClick={() => go(Infinity)}>
                Run them
              </button>
              <button className="third min-h-8" type="button" onClick={() => setTakesMs(undefined)}>
                Leave it
              </button>
            </div>
          </div>
        ) : null}
        {problem ? (
          <p role="alert" className="error">
            {problem}
          </p>
        ) : null}
        {map && !stale ? (
          <div className="sweep-holder">
            <SweepMap
              label={`${measures[measure].title} for ${settingTitles[map.x.setting].toLowerCase()} and ${settingTitles[map.y.setting].toLowerCase()}`}
              xTitle={settingTitles[map.x.setting]}
              yTitle={settingTitles[map.y.setting]}
              xTexts={map.x.values.map((value) => say2(map.x.setting, value))}
              yTexts={map.y.values.map((value) => say2(map.y.setting, value))}
              shade={shadesOf(values)}
              texts={values.map((value) => (Number.isNaN(value) ? '…' : say(value, measures[measure].quantity)))}
              known={values.map((value) => !Number.isNaN(value))}
              meets={meets}
              here={[
                nearestAt(map.x.values, settingOf(plan, map.x.setting)),
                nearestAt(map.y.values, settingOf(plan, map.y.setting)),
              ]}
              onTake={(column, row) => {
                const [xValue, yValue] = [map.x.values[column]!, map.y.values[row]!]
                const next = withLoopSetting(
                  withLoopSetting(loop, plan.id, map.y.setting, yValue),
                  plan.id,
                  map.x.setting,
                  xValue,
                )
                tap(changeSettings, settingsChange(loop.settings, next.settings), {
                  tell: `${settingTitles[map.x.setting]} ${say2(map.x.setting, xValue)}, ${settingTitles[map.y.setting].toLowerCase()} ${say2(map.y.setting, yValue)}`,
                })
              }}
            />
          </div>
        ) : share === undefined ? (
          <p className="text-ink2">
            {COLUMNS * ROWS} pairs over three days of the weather that is chosen for the run. The map shows what each
            would do.
          </p>
        ) : null}
      </div>
      <aside className="panel gap-2" aria-label="What it means">
        <h2 className="h2">The target</h2>
        <dl className="facts dense">
          <dt>{startsTitles.allowed}</dt>
          <dd>{most ? words.say(most.perHour, 'perHour', 0) : 'not bound'}</dd>
          <dt>{survey.boiler ? 'Off its line' : `Off ${words.say(survey.seen.targetC, 'temperature')}`}, at most</dt>
          <dd>{mayK === undefined ? 'not bound' : words.say(mayK, 'difference')}</dd>
        </dl>
        {map && !stale ? (
          <p role="status" data-meeting={count}>
            {values.some(Number.isNaN)
              ? `${count} of the pairs that were run meet it.`
              : count === 0
                ? 'No pair meets it: look at power, probe and place first.'
                : `${count} of ${meets.length} pairs meet it: ticked and ringed. A tap takes one; it can be undone.`}
          </p>
        ) : null}
        <Cautions step="try" brief />
        <div className="mt-auto action-bar">
          <Button onClick={() => go()} disabled={share !== undefined}>
            {map ? 'Sweep again' : 'Sweep'}
          </Button>
        </div>
      </aside>
    </div>
  )
}
