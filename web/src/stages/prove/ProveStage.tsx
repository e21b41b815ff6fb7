import { useState } from 'react'
import { riseAndFall } from '@nachtigal/core/proof/riseAndFall'
import { PHONE, useMedia } from '../../lib/useMedia'
import { Cautions } from '../../loop/Cautions'
import { type PlannedOutput, useLoop } from '../../loop/loopContext'
import { Button } from '../../ui/Button'
import { Shape } from '../../ui/Shape'
import { WorkSheet } from '../../ui/WorkSheet'
import { stepShape } from './stepShape'
import { BeforeTest } from './BeforeTest'
import { TestResults } from './TestResults'
import { StepSheet } from './StepSheet'

/** Stage 6: the rise-and-fall test, one step at a time, a verdict at once. */
export function ProveStage() {
  const context = useLoop()
  const { plan } = context
  return plan ? <Test key={plan.id} plan={plan} /> : <NothingToProve />
}

function NothingToProve() {
  const { job, loop, behaviour } = useLoop()
  return (
    <div className="p-6 bg-paper flex-1">
      <h2 className="h2">Nothing to prove yet</h2>
      <p className="my-2">
        {behaviour
          ? 'An output that gives more or less is proved by a sweep, which is not made here yet.'
          : 'Tests are made from the plan.'}
      </p>
      <div className="max-w-xs">
        <Button to={`/jobs/${job.id}/loops/${loop.id}/match`}>Match the chain</Button>
      </div>
    </div>
  )
}

/** Chosen on a phone before the first step: the two questions that come before any test. */
const BEFORE = 'before'

function Test({ plan }: { plan: PlannedOutput }) {
  const context = useLoop()
  const { answers } = context.loop.proof
  const [chosen, setChosen] = useState<string | undefined>(() =>
    answers['commanded'] && answers['answered'] ? undefined : BEFORE,
  )
  const phone = useMedia(PHONE)
  const test = riseAndFall(context, plan)
  const step =
    test.steps.find(({ id }) => id === chosen) ??
    test.steps.find(({ verdict }) => verdict === 'waiting') ??
    test.steps.at(-1)!
  const next = () =>
    setChosen(
      test.steps[test.steps.indexOf(step) + 1]?.id ??
        test.steps.find(({ verdict, id }) => verdict === 'waiting' && id !== step.id)?.id ??
        test.steps[0]!.id,
    )
  const asking = phone && chosen === BEFORE
  const said = Object.values(answers)
  return (
    <div className="fills grid grid-cols-[minmax(0,1fr)] max-lg:grid-rows-[auto_minmax(360px,1fr)] lg:grid-cols-[480px_minmax(0,1fr)] flex-1 min-h-0 bg-paper overflow-auto lg:overflow-hidden">
      {phone ? (
        <nav className="grid grid-cols-5 border-b border-line" aria-label="Steps">
          <button
            type="button"
            aria-current={asking}
            aria-label="Before the test"
            className={`h-[52px] grid place-items-center border-r border-line ${asking ? 'chosen' : ''}`}
            onClick={() => setChosen(BEFORE)}
          >
            <span className="leading-4 cond">before</span>
            <Shape kind={said.includes('no') ? 'look' : said.length > 1 ? 'fits' : 'waiting'} labelled />
          </button>
          {test.steps.map((each, i) => (
            <button
              key={each.id}
              type="button"
              aria-current={!asking && each.id === step.id}
              aria-label={`Step ${i + 1}, ${each.title}`}
              className={`h-[52px] grid place-items-center border-r border-line ${!asking && each.id === step.id ? 'chosen' : ''}`}
              onClick={() => setChosen(each.id)}
            >
              <span className="leading-4">{i + 1}</span>
              <Shape kind={stepShape[each.verdict]} labelled />
            </button>
          ))}
        </nav>
      ) : (
        <TestResults test={test} step={step} onChoose={setChosen} />
      )}
      {asking ? (
        <WorkSheet
          labelledBy="before-title"
          actions={<Button onClick={() => setChosen(test.steps[0]!.id)}>First step</Button>}
        >
          <h2 id="before-title" className="h2">
            {test.title}
          </h2>
          <p className="text-[16px] leading-6">{test.purpose}</p>
          <Cautions stage="prove" brief />
          <BeforeTest />
        </WorkSheet>
      ) : (
        <StepSheet key={step.id} plan={plan} test={test} step={step} onNext={next} />
      )}
    </div>
  )
}
