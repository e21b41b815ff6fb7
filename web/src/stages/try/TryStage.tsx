import { useMemo, useState } from 'react'
import { dayOutcome } from '@nachtigal/core/check/dayOutcome'
import { replan } from '@nachtigal/core/job/replan'
import { coldestOf, winterDay, type WinterDayId, winterDays } from '@nachtigal/core/plant/winterDay'
import { decimate } from '@nachtigal/core/series/decimate'
import { onSpans } from '@nachtigal/core/series/onSpans'
import { loopScenario } from '@nachtigal/core/simulate/loopScenario'
import type { SimulationResult } from '@nachtigal/core/simulate/scenario'
import { hours } from '@nachtigal/core/units/hours'
import { formatQuantity, quantityView } from '@nachtigal/core/units/quantity'
import { Strip } from '../../instruments/Strip'
import { useAppSelector } from '../../lib/store'
import { Cautions } from '../../loop/Cautions'
import { type PlannedOutput, useLoop } from '../../loop/loopContext'
import { Button } from '../../ui/Button'
import { ChoiceField } from '../../ui/ChoiceField'
import { NumberField } from '../../ui/NumberField'
import { Shape } from '../../ui/Shape'
import { useRun } from './useRun'

const HOURS = 24
const POINTS = 1500

/** Stage 5: a winter day of this loop, simulated off the page's thread, drawn as a strip. */
export function TryStage() {
  const { loop, plan, behaviour, chain, survey, preferences, change, job, missing, words } = useLoop()
  const theme = useAppSelector((state) => state.view.theme)
  const [day, setDay] = useState<WinterDayId>('cold')
  const scenario = useMemo(() => {
    if (!survey?.floor || !plan) return undefined
    const made = loopScenario(loop, chain, survey.floor, {
      hourlyC: winterDay(coldestOf(day, survey.floor.facts.designOutdoorC)),
      days: 1,
    })
    return made.controls.length > 0 ? made : undefined
  }, [loop, chain, survey, plan, day])
  const { run, result, stop, again } = useRun(scenario)
  const view = quantityView('temperature', preferences)
  const drawn = useMemo(() => {
    if (!result) return undefined
    const { trace } = result
    const timeH = trace.timeS.map(hours)
    const names: Record<string, string> = { slab: 'floor', room: 'room' }
    return {
      traces: Object.entries(names)
        .filter(([node]) => trace.nodes[node])
        .map(([node, name]) => ({
          name,
          dashed: node === 'room',
          points: decimate({ timeS: timeH, value: trace.nodes[node]!.map(view.toShown) }, POINTS),
        })),
      relays: Object.entries(trace.drives).map(([id, on]) => ({
        name: chain.devices.find((d) => d.id === id)?.tag ?? id,
        action: scenario?.controls.find(({ drives }) => drives === id)?.action ?? ('heating' as const),
        spans: onSpans(timeH, on),
      })),
    }
  }, [result, scenario, chain, view])
  const band = useMemo(
    () => (plan ? ([view.toShown(plan.onC), view.toShown(plan.offC)] as const) : undefined),
    [plan, view],
  )
  if (survey && !survey.floor)
    return (
      <div className="p-6 bg-paper flex-1 grid gap-3 content-start">
        <h2 className="h2">Not simulated yet</h2>
        <p>Only warm floors are run here so far. What the plan will do stands beside the ladder in Set.</p>
        <div className="max-w-xs">
          <Button to={`/jobs/${job.id}/loops/${loop.id}/set`}>To Set</Button>
        </div>
      </div>
    )
  if (!survey?.floor || !plan || !scenario)
    return (
      <div className="p-6 bg-paper flex-1 grid gap-3 content-start">
        <h2 className="h2">Not enough to run</h2>
        <p>
          {!survey
            ? `Survey lacks ${missing.map((title) => title.toLowerCase()).join(', ')}.`
            : behaviour && !plan
              ? 'An output that gives more or less is not run here yet.'
              : 'The chain lacks a controller, a load, or the joint between them.'}
        </p>
        <div className="max-w-xs">
          <Button to={`/jobs/${job.id}/loops/${loop.id}/${survey ? 'match' : 'survey'}`}>
            {survey ? 'Match the chain' : 'Finish the survey'}
          </Button>
        </div>
      </div>
    )
  const { id, ...stored } = plan
  const reswing = (swingK: number) =>
    change({
      loop: {
        ...loop,
        settings: { ...loop.settings, planned: { ...loop.settings.planned, [id]: replan(stored, { swingK }) } },
      },
    })
  return (
    <div className="work">
      <section className="flex flex-col min-h-0 min-w-0 p-4 gap-3" aria-labelledby="strip-title">
        <div className="flex items-baseline flex-wrap gap-x-4">
          <h2 id="strip-title" className="h2">
            A winter day
          </h2>
          <span className="text-ink2">
            made-up weather, coldest {words.say(coldestOf(day, survey.floor.facts.designOutdoorC), 'temperature')} at
            seven
          </span>
        </div>
        <div className="flex-1 min-h-[320px] relative" data-run={run.status}>
          {run.status === 'failed' ? <p role="alert">The run stopped: {run.message}</p> : null}
          {run.status === 'running' && run.slow ? (
            <div className="grid gap-2 max-w-sm">
              <progress max={1} value={run.share} className="w-full" aria-label="Simulating" />
              <button className="third min-h-8" type="button" onClick={stop}>
                Stop it
              </button>
            </div>
          ) : null}
          {run.status === 'stopped' || run.status === 'failed' ? (
            <button className="third min-h-8" type="button" onClick={again}>
              Run the day again
            </button>
          ) : null}
          {drawn && band ? (
            <Strip
              traces={drawn.traces}
              relays={drawn.relays}
              band={band}
              bandAction={plan.action}
              hours={HOURS}
              unit={view.label}
              theme={theme}
              label={`Floor and room temperature over a day, ${Object.values(result?.summary.starts ?? {})[0] ?? 0} starts`}
            />
          ) : null}
        </div>
        <div className="grid grid-cols-2 md:grid-cols-4 gap-4 border-t border-line pt-2">
          <ChoiceField
            label="Weather"
            value={day}
            onChoose={(value) => setDay(value as WinterDayId)}
            choices={Object.entries(winterDays).map(([value, { title }]) => ({ value, title }))}
          />
          <NumberField
            label="Swing"
            draftKey={`${loop.id}/${id}/try-swing`}
            value={plan.swingK}
            quantity="difference"
            preferences={preferences}
            over={0}
            high={500}
            required
            stepSi={quantityView('difference', preferences).toSi(0.1)}
            onCommit={(v) => (v === undefined ? undefined : reswing(v))}
          />
        </div>
      </section>
      <aside className="panel" aria-label="What it means">
        <h2 className="h2">What it did</h2>
        {result ? (
          <Outcome result={result} plan={plan} />
        ) : (
          <p className="text-ink2" role="status">
            Simulating
          </p>
        )}
        <Cautions stage="try" />
        <div className="mt-auto action-bar">
          <Button to={`/jobs/${job.id}/loops/${loop.id}/prove`}>Prove it</Button>
        </div>
      </aside>
    </div>
  )
}

function Outcome({ result, plan }: { result: SimulationResult; plan: PlannedOutput }) {
  const inHand = useLoop()
  const { chain, preferences, words } = inHand
  const { summary } = result
  const { verdict, head, reason, next } = useMemo(() => dayOutcome(inHand, plan, result), [inHand, plan, result])
  const say = (value: number | undefined, quantity: Parameters<typeof formatQuantity>[1]) =>
    value === undefined ? 'none' : words.say(value, quantity)
  return (
    <>
      {Object.keys(summary.starts).map((id) => (
        <dl key={id} className="facts">
          <dt className="!text-ink font-bold">
            {chain.devices.find((d) => d.id === id)?.tag} {chain.devices.find((d) => d.id === id)?.name}
          </dt>
          <dd />
          <dt>Starts</dt>
          <dd data-result="starts">{summary.starts[id]}</dd>
          <dt>Runs</dt>
          <dd>{say(hours(summary.onS[id]!), 'hours')}</dd>
          <dt>Heat given</dt>
          <dd>{say(summary.energyKwh[id], 'energy')}</dd>
        </dl>
      ))}
      <dl className="facts">
        {(['slab', 'room'] as const).map((node) => (
          <div key={node} className="contents">
            <dt>{node === 'slab' ? 'Floor' : 'Room'}, low to high</dt>
            <dd>
              {formatQuantity(summary.minimumC[node]!, 'temperature', preferences).split('\u00a0')[0]} to{' '}
              {say(summary.maximumC[node], 'temperature')}
            </dd>
          </div>
        ))}
      </dl>
      <div className={`finding ${verdict}`} role="status" aria-label="Verdict of the day" data-day={verdict}>
        <Shape kind={verdict} />
        <p>
          <b>{head}</b> {reason} {next ? <span className="underline underline-offset-2">{next}</span> : null}
        </p>
      </div>
    </>
  )
}
