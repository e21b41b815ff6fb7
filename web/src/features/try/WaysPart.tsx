import { changeSettings, settingsChange } from '@nachtigal/core/actions/changeSettings'
import { useTap } from '../../loop/useTap'
import { useEffect, useMemo, useState } from 'react'
import { compareFigures } from '@nachtigal/core/check/compareFigures'
import { runFigures, type RunFigures } from '@nachtigal/core/simulate/runFigures'
import { type ComparedSide, comparisons } from '@nachtigal/core/check/comparisons'
import { resetSavingOf, saySaved } from '@nachtigal/core/settings/reset/resetSeason'
import type { Scenario } from '@nachtigal/core/simulate/scenario'
import type { LoopRun } from '@nachtigal/core/simulate/loop/loopScenario'
import { simulators } from '../../workers/simulator'
import { Cautions } from '../../loop/Cautions'
import { useLoop } from '../../loop/loopContext'
import { Button } from '../../design/Button'
import { ChoiceField } from '../../design/ChoiceField'
import { Shape } from '../../design/Shape'
import { bothRuns } from './bothRuns'
import { RunControls } from './RunControls'
import { RunStrip } from './RunStrip'
import { POINTS, useTrial } from './trial'
import { type RunState, useRun } from './useRun'

interface Side {
  readonly run: LoopRun
  readonly scenario: Scenario
}

/** This loop under both schools, laid over each other, and what the difference is. */
export function WaysPart() {
  const inHand = useLoop()
  const { loop, words, survey } = inHand
  const tap = useTap()
  const { scenarioOf } = useTrial()
  const saving = useMemo(() => resetSavingOf(inHand), [inHand])
  const offered = useMemo(() => comparisons(inHand), [inHand])
  const [chosen, setChosen] = useState<string>()
  const school = offered.find(({ id }) => id === chosen) ?? offered[0]
  // scenarioOf changes with weather and faults, the school with the loop.
  const sides = useMemo(() => {
    const make = (side: ComparedSide | undefined): Side | undefined => {
      if (!side) return undefined
      const made = scenarioOf(side.loop)
      return side.change ? { ...made, scenario: side.change(made.scenario) } : made
    }
    return [make(school?.sides[0]), make(school?.sides[1])] as const
  }, [school, scenarioOf])
  const a = useRun(simulators.c, sides[0]?.scenario, POINTS)
  const b = useRun(simulators.b, sides[1]?.scenario, POINTS)
  useEffect(
    () => () => {
      simulators.b.stop()
      simulators.c.stop()
    },
    [],
  )
  if (!school || !sides[0] || !sides[1]) return <p className="p-4">There is nothing to compare for this loop.</p>
  const figures = [figuresOf(a, sides[0]), figuresOf(b, sides[1])] as const
  const take = (side: ComparedSide) =>
    tap(changeSettings, settingsChange(loop.settings, side.loop.settings), { tell: `Taken: ${side.title}` })
  return (
    <div className="work">
      <div className="try-main">
        <ChoiceField
          label="Compare"
          value={school.id}
          onChoose={setChosen}
          choices={offered.map(({ id, title }) => ({ value: id, title }))}
          className="max-w-sm"
        />
        <RunStrip
          slot="c"
          state={a}
          run={sides[0].run}
          overlay={{ state: b, title: school.sides[1].title }}
          title={`${school.sides[0].title}, and ${school.sides[1].title.toLowerCase()}`}
        />
        <RunControls />
      </div>
      <aside className="panel gap-2" aria-label="What differs">
        <h2 className="h2">What differs</h2>
        {school.cautions?.map((text) => (
          <div key={text} className="finding look">
            <Shape kind="look" labelled />
            <p>{text}</p>
          </div>
        ))}
        {figures[0] && figures[1] ? (
          <Compared
            titles={[school.sides[0].title, school.sides[1].title]}
            figures={[figures[0], figures[1]]}
            targetC={survey?.boiler ? undefined : survey?.seen.targetC}
          />
        ) : (
          <p role="status" className="text-ink2">
            {bothRuns(a, b).status === 'running'
              ? 'Simulating both'
              : 'What differs stands here when both have been run.'}
          </p>
        )}
        {school.id === 'reset' && saving ? (
          <p data-fact="saving">The first way saves in a season {saySaved(saving, words)}.</p>
        ) : null}
        <Cautions step="try" brief />
        <div className="mt-auto action-bar grid gap-2">
          {school.sides.map((side) =>
            !side.plannable ? null : (
              <Button key={side.title} second end="" onClick={() => take(side)}>
                Plan it so: {side.title.toLowerCase()}
              </Button>
            ),
          )}
        </div>
      </aside>
    </div>
  )
}

const figuresOf = ({ report, of: ran, status }: RunState, { run, scenario }: Side): RunFigures | undefined =>
  report && ran === scenario && status === 'done'
    ? runFigures(
        report.result,
        run.controlled,
        run.outputs.map(({ actuator }) => actuator),
        run.scenario.durationS,
      )
    : undefined

/** Starts, energy, furthest from the target, side by side, and by how much they differ. */
export function Compared({
  titles,
  figures,
  targetC,
}: {
  titles: readonly [string, string]
  figures: readonly [RunFigures, RunFigures]
  targetC: number | undefined
}) {
  const { words } = useLoop()
  const rows = compareFigures(figures, targetC, words)
  return (
    <table className="run-table compared" aria-label="Both beside each other" data-compared>
      <thead>
        <tr>
          <th scope="col">
            <span className="sr-only">What</span>
          </th>
          <th scope="col">{titles[0]}</th>
          <th scope="col">{titles[1]}</th>
          <th scope="col">Difference</th>
        </tr>
      </thead>
      <tbody>
        {rows.map(({ what, first, second, difference }) => (
          <tr key={what} data-row={what}>
            <th scope="row">{what}</th>
            <td>{first}</td>
            <td>{second}</td>
            <td>{difference}</td>
          </tr>
        ))}
      </tbody>
    </table>
  )
}
