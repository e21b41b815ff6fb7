import './try.css'
import type { ComponentType } from 'react'
import { useParams } from 'react-router'
import { useLoop } from '../../loop/loopContext'
import { Button } from '../../design/Button'
import { PartsNav } from '../../design/PartsNav'
import { FaultsPart } from './FaultsPart'
import { KeptPart } from './KeptPart'
import { PlantPart } from './PlantPart'
import { RunPart } from './RunPart'
import { SweepPart } from './SweepPart'
import { TradePart } from './TradePart'
import { TrialProvider, useTrial } from './trial'
import { WaysPart } from './WaysPart'
import { loopAt } from '../../lib/addresses'

const parts = ['run', 'faults', 'trade', 'ways', 'sweep', 'plant', 'kept'] as const
type Part = (typeof parts)[number]

const titles: Readonly<Record<Part, string>> = {
  run: 'The run',
  faults: 'Faults',
  trade: 'Trade-off',
  ways: 'Compare',
  sweep: 'Sweep',
  plant: 'The plant',
  kept: 'Kept runs',
}

const screens: Readonly<Record<Part, ComponentType>> = {
  run: RunPart,
  faults: FaultsPart,
  trade: TradePart,
  ways: WaysPart,
  sweep: SweepPart,
  plant: PlantPart,
  kept: KeptPart,
}

/** Step 5: the loop simulated with its plant, weather and faults. */
export function TryStep() {
  const { loop } = useLoop()
  return (
    <TrialProvider key={loop.id}>
      <TryParts />
    </TrialProvider>
  )
}

function TryParts() {
  const { loop, job, survey, missing } = useLoop()
  const { run, problem } = useTrial()
  const { part: asked } = useParams()
  const part = parts.find((each) => each === asked) ?? 'run'
  const base = loopAt(job.id, loop.id)
  if (!survey || !run)
    return (
      <div className="p-6 bg-paper flex-1 grid gap-3 content-start">
        <h2 className="h2">Not enough to run</h2>
        <p role={problem ? 'alert' : undefined}>
          {!survey
            ? `Survey lacks ${missing.map((title) => title.toLowerCase()).join(', ')}.`
            : (problem ?? 'The chain lacks a controller, a load, or the connection between them.')}
        </p>
        <div className="max-w-xs">
          <Button to={`${base}/${survey ? 'match' : 'survey'}`}>
            {survey ? 'Match the chain' : 'Finish the survey'}
          </Button>
        </div>
      </div>
    )
  const Screen = screens[part]
  return (
    <div className="fills flex-1 min-h-0 flex flex-col bg-paper">
      <PartsNav
        label="Parts of trying"
        parts={parts.map((id) => ({ to: id === 'run' ? `${base}/try` : `${base}/try/${id}`, title: titles[id] }))}
        here={titles[part]}
      />
      <Screen key={part} />
    </div>
  )
}
