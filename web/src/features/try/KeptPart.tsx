import { useTap } from '../../loop/useTap'
import { removeRun } from '@nachtigal/core/actions/removeRun'
import { Download, X } from 'lucide-react'
import { useEffect, useMemo, useState } from 'react'
import { runFigures } from '@nachtigal/core/simulate/runFigures'
import { keptLoop, keptChoice } from '@nachtigal/core/simulate/loop/keptRun'
import { ordered } from '@nachtigal/core/schema/ordered'
import { shownMoment } from '@nachtigal/core/time/shownMoment'
import { download } from '../../lib/download'
import { simulators } from '../../workers/simulator'
import { useLoop } from '../../loop/loopContext'
import { Button } from '../../design/Button'
import { DataTable, type TableColumn } from '../../design/table/DataTable'
import { KeepButton } from './KeepButton'
import { RunStrip } from './RunStrip'
import { POINTS, useTrial } from './trial'
import { useRun } from './useRun'
import { Compared } from './WaysPart'

/** File name without what a file system minds. */
const fileName = (text: string) =>
  text
    .replace(/[^\p{L}\p{N} _-]+/gu, ' ')
    .trim()
    .slice(0, 60) || 'run'

/** Runs that were kept with the loop: one laid over the present run, exports, taking out. */
export function KeptPart() {
  const { job, loop, words, chain, survey } = useLoop()
  const tap = useTap()
  const { state, run, scenario, scenarioOf, choose, climates } = useTrial()
  const runs = ordered(loop.trial?.runs ?? {})
  const [over, setOver] = useState<string>()
  const kept = over === undefined ? undefined : loop.trial?.runs?.[over]
  const other = useMemo(() => {
    if (!kept) return undefined
    try {
      return scenarioOf(keptLoop(loop, kept))
    } catch {
      // What it was planned with is not there any more.
      return undefined
    }
  }, [kept, loop, scenarioOf])
  const b = useRun(simulators.b, other?.scenario, POINTS)
  const lost = kept && keptChoice(kept) && !climates.some(({ id }) => id === keptChoice(kept)!.climate)
  useEffect(() => () => simulators.b.stop(), [])
  const names = {
    ...Object.fromEntries(Object.entries(run!.nodes).map(([id, name]) => [id, `${name}, °C`])),
    ...Object.fromEntries(run!.scenario.probes.map(({ id }) => [id, `reads: ${id}`])),
    ...Object.fromEntries(chain.devices.map(({ id, tag, name }) => [id, `${tag} ${name}, share`])),
  }
  const csv = () =>
    void simulators.a
      .ask((remote, slot) => remote.csv(slot, names))
      .then((text) => {
        if (text !== null) download(`${fileName(loop.name)} run.csv`, text, 'text/csv')
      })
  const takeOut = (id: string) => {
    tap(removeRun, { run: id }, { tell: 'Run removed' })
    if (over === id) setOver(undefined)
  }
  const actuators = (of: typeof run) => of!.outputs.map(({ actuator }) => actuator)
  const figures =
    kept && other && b.report && b.of === other.scenario && state.report
      ? ([
          runFigures(state.report.result, run!.controlled, actuators(run), scenario!.durationS),
          runFigures(b.report.result, other.run.controlled, actuators(other.run), other.scenario.durationS),
        ] as const)
      : undefined
  const columns: TableColumn<(typeof runs)[number]>[] = [
    { id: 'kept', title: 'Kept', stays: true, value: ({ title }) => title, className: () => 'font-bold' },
    {
      id: 'when',
      title: 'When, by',
      value: ({ at, by }) => `${at} ${by}`,
      text: ({ at, by }) => `${shownMoment(at, job.zone)}, ${by}`,
    },
    { id: 'starts', title: 'Starts', value: ({ starts }) => starts },
    {
      id: 'energy',
      title: 'Energy',
      value: ({ energyKwh }) => energyKwh,
      text: ({ energyKwh }) => words.say(energyKwh, 'energy'),
    },
    {
      id: 'range',
      title: 'Low to high',
      value: ({ lowestC }) => lowestC,
      text: ({ lowestC, highestC }) =>
        `${words.say(lowestC, 'temperature').replace(/\u00a0.*$/, '')} to ${words.say(highestC, 'temperature')}`,
    },
    {
      id: 'do',
      title: 'Do',
      quiet: true,
      className: 'whitespace-nowrap',
      cell: ({ id, title }) => (
        <>
          <button
            type="button"
            className="third min-h-8"
            aria-pressed={over === id}
            onClick={() => {
              const choice = keptChoice(runs.find((each) => each.id === id)!)
              if (choice) choose(choice)
              setOver(over === id ? undefined : id)
            }}
          >
            {over === id ? 'Take off' : 'Lay over'}
          </button>{' '}
          <button type="button" className="tool" aria-label={`Remove: ${title}`} onClick={() => takeOut(id)}>
            <X size={18} strokeWidth={1.5} aria-hidden />
          </button>
        </>
      ),
    },
  ]
  return (
    <div className="work">
      <div className="try-main">
        <RunStrip
          state={state}
          run={run!}
          overlay={kept && other ? { state: b, title: `kept: ${kept.title}` } : undefined}
          title={kept ? 'Now, and as it was kept' : 'The present run'}
        />
        {lost ? <p role="status">Its weather file is not here any more: both are run under another climate.</p> : null}
        {runs.length === 0 ? <p className="text-ink2">No run is kept yet.</p> : null}
        <div className="kept-holder">
          {runs.length > 0 ? (
            <DataTable
              label="Kept runs"
              className="kept"
              rows={runs}
              columns={columns}
              idOf={({ id }) => id}
              rowProps={({ id }) => ({ 'data-kept': id })}
            />
          ) : null}
        </div>
      </div>
      <aside className="panel gap-2" aria-label="What differs">
        <h2 className="h2">{figures ? 'What differs' : 'This run'}</h2>
        {figures ? (
          <Compared
            titles={['Now', 'Kept']}
            figures={figures}
            targetC={survey?.boiler ? undefined : survey?.seen.targetC}
          />
        ) : (
          <p className="text-ink2">Lay a kept run over it to see what differs.</p>
        )}
        <div className="mt-auto action-bar grid gap-2">
          <KeepButton />
          <Button
            second
            end={<Download size={18} strokeWidth={1.5} />}
            disabled={state.status !== 'done'}
            onClick={csv}
          >
            Table of this run
          </Button>
          <Button
            second
            end={<Download size={18} strokeWidth={1.5} />}
            onClick={() => download(`${fileName(loop.name)} scenario.json`, JSON.stringify(scenario, null, 1))}
          >
            Scenario of this run
          </Button>
        </div>
      </aside>
    </div>
  )
}
