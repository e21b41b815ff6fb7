import { useEffect, useState } from 'react'
import type { ProofTest } from '@nachtigal/core/commissioning/proofTest'
import { PHONE, useMedia } from '../../lib/useMedia'
import { useLoop } from '../../loop/loopContext'
import { Button } from '../../design/Button'
import { Shape } from '../../design/Shape'
import { WorkSheet } from '../../design/WorkSheet'
import { stepShape } from './shapes'
import { StepSheet } from './StepSheet'
import { TestHead, TestResults } from './TestResults'
import { testsPath } from './paths'

/** The step that waits first, or the last one where none does. */
const firstOpen = ({ steps }: ProofTest) =>
  steps.find(({ verdict, spare }) => verdict === 'waiting' && !spare) ?? steps.at(-1)!

/** One test: its steps as a column of results, the step in hand large. */
export function TestPart({ test }: { test: ProofTest }) {
  const { job, loop, takeOutput } = useLoop()
  // The chain above shows the output that is tested.
  const { plan } = test
  useEffect(() => {
    if (plan !== undefined) takeOutput(plan)
  }, [plan, takeOutput])
  // The step in hand stays while it is answered: an answer may take several taps.
  const [chosen, setChosen] = useState(() => firstOpen(test).id)
  /** Shown on a phone before the first step: what the test is for, what to have at hand, what can hurt. */
  const [before, setBefore] = useState(() => test.steps.every(({ verdict }) => verdict === 'waiting'))
  const phone = useMedia(PHONE)
  const step = test.steps.find(({ id }) => id === chosen) ?? firstOpen(test)
  const choose = (id: string) => {
    setBefore(false)
    setChosen(id)
  }
  const at = test.steps.indexOf(step)
  const next = () =>
    choose(
      test.steps[at + 1]?.id ??
        test.steps.find(({ verdict, id }) => verdict === 'waiting' && id !== step.id)?.id ??
        step.id,
    )
  const asking = phone && before
  return (
    <div className="fills test-part">
      {phone ? (
        <nav className="steps-strip" aria-label="Steps">
          <button type="button" aria-current={asking} aria-label="Before the test" onClick={() => setBefore(true)}>
            <span className="cond">before</span>
            <Shape kind="note" />
          </button>
          {test.steps.map((each, i) => (
            <button
              key={each.id}
              type="button"
              aria-current={!asking && each.id === step.id}
              aria-label={`Step ${i + 1}, ${each.title}`}
              onClick={() => choose(each.id)}
            >
              <span>{i + 1}</span>
              <Shape kind={stepShape[each.verdict]} labelled />
            </button>
          ))}
        </nav>
      ) : (
        <TestResults test={test} step={step} onChoose={choose} />
      )}
      {asking ? (
        <WorkSheet
          labelledBy="before-title"
          actions={
            <>
              <Button second end="" to={testsPath(job.id, loop.id)}>
                All tests
              </Button>
              <Button onClick={() => choose(test.steps[0]!.id)}>First step</Button>
            </>
          }
        >
          <TestHead test={test} />
        </WorkSheet>
      ) : (
        <StepSheet key={`${step.id} ${test.attempt}`} test={test} step={step} onNext={next} />
      )}
    </div>
  )
}
