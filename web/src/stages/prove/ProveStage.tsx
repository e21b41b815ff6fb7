import { useState } from 'react'
import type { ProofReading } from '@nachtigal/core/job/documents'
import { nextReadingOrder } from '@nachtigal/core/job/proofReadings'
import {
  riseAndFall,
  type RiseFallResult,
  type RiseFallStep,
  type RiseFallTest,
} from '@nachtigal/core/proof/riseAndFall'
import { formatQuantity, quantityView } from '@nachtigal/core/units/quantity'
import { ProofBar } from '../../instruments/ProofBar'
import { drafted, draftCleared } from '../../lib/draftsSlice'
import { useAppDispatch, useAppSelector } from '../../lib/store'
import { PHONE, useMedia } from '../../lib/useMedia'
import { Cautions } from '../../loop/Cautions'
import { type PlannedOutput, useLoop } from '../../loop/loopContext'
import { Button } from '../../ui/Button'
import { NumberField } from '../../ui/NumberField'
import { NumberPad } from '../../ui/NumberPad'
import { Shape, type ShapeKind } from '../../ui/Shape'
import { WorkSheet } from '../../ui/WorkSheet'

const shapeOf: Record<RiseFallResult['verdict'], ShapeKind> = {
  waiting: 'waiting',
  good: 'fits',
  adjust: 'look',
  rekey: 'look',
  'look-again': 'look',
  replace: 'stop',
}
const stepShape = { waiting: 'waiting', fits: 'fits', look: 'look' } as const
const questions = {
  commanded: 'Commanded? The output lamp or the display says on.',
  answered: 'Answered? The pump runs, the pipe warms.',
} as const

/** Stage 6: the rise-and-fall test, one step at a time, a verdict at once. */
export function ProveStage() {
  const context = useLoop()
  const { plan } = context
  return plan ? <Test key={plan.id} plan={plan} /> : <NothingToProve />
}

function NothingToProve() {
  const { job, loop } = useLoop()
  return (
    <div className="p-6 bg-paper flex-1">
      <h2 className="h2">Nothing to prove yet</h2>
      <p className="my-2">Tests are made from the plan.</p>
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
        <Results test={test} step={step} onChoose={setChosen} />
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
          <Before />
        </WorkSheet>
      ) : (
        <StepSheet key={step.id} plan={plan} test={test} step={step} onNext={next} />
      )}
    </div>
  )
}

/** Half of all control faults are plant faults: asked before any test. */
function Before() {
  const { loop, change } = useLoop()
  const ask = (id: keyof typeof questions, answer: 'yes' | 'no') =>
    change({ loop: { ...loop, proof: { ...loop.proof, answers: { ...loop.proof.answers, [id]: answer } } } })
  return (
    <div className="grid gap-1 max-md:gap-3" role="group" aria-label="Before any test">
      {(Object.keys(questions) as (keyof typeof questions)[]).map((id) => (
        <div key={id} className="flex items-center gap-2">
          <span className="flex-1">{questions[id]}</span>
          {(['yes', 'no'] as const).map((answer) => (
            <button
              key={answer}
              type="button"
              aria-pressed={loop.proof.answers[id] === answer}
              className={`h-8 px-3 max-md:h-12 max-md:px-5 border border-ink ${loop.proof.answers[id] === answer ? 'chosen' : 'bg-blank'}`}
              onClick={() => ask(id, answer)}
            >
              {answer}
            </button>
          ))}
        </div>
      ))}
      {Object.values(loop.proof.answers).includes('no') ? (
        <p className="small">
          <b className="text-look">A plant fault first.</b> Half of all control faults are plant faults: mend it, then
          test.
        </p>
      ) : null}
    </div>
  )
}

function Results({ test, step, onChoose }: { test: RiseFallTest; step: RiseFallStep; onChoose: (id: string) => void }) {
  const { preferences } = useLoop()
  const view = quantityView('temperature', preferences)
  const difference = quantityView('difference', preferences)
  return (
    <section className="lg:border-r border-line flex flex-col min-h-0 overflow-auto" aria-labelledby="test-title">
      <div className="px-4 pt-2.5 pb-1">
        <h2 id="test-title" className="h2">
          {test.title}
        </h2>
        <p className="text-ink2">{test.purpose}</p>
      </div>
      <div className="border-t border-line px-4 py-2">
        <Before />
      </div>
      <table className="w-full border-collapse">
        <thead>
          <tr>
            {['', 'step', 'goes', 'should', 'reads', 'low, high', ''].map((head, i) => (
              <th key={i} className="lab text-left px-1 first:pl-4 py-1.5 border-b border-ink">
                {head}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {test.steps.map((each, i) => (
            <tr
              key={each.id}
              className={`h-12 border-b border-line ${each.id === step.id ? 'chosen' : ''}`}
              aria-current={each.id === step.id}
              onClick={() => onChoose(each.id)}
            >
              <td className="pl-4 pr-1">
                <button type="button" className="font-bold min-h-8" aria-label={`Step ${i + 1}, ${each.title}`}>
                  {i + 1}
                </button>
              </td>
              <td className="px-1 whitespace-nowrap">{each.title}</td>
              <td className="px-1">{each.switches}</td>
              <td className="px-1 whitespace-nowrap">{view.toShown(each.expectedC).toFixed(1)}</td>
              <td className="px-1 font-bold whitespace-nowrap">
                {each.reading?.value === undefined ? (
                  <span className="inline-block w-8 border-b border-edge" />
                ) : (
                  view.toShown(each.reading.value).toFixed(1)
                )}
              </td>
              <td className="px-1">
                <ProofBar
                  size="list"
                  expected={view.toShown(each.expectedC)}
                  tolerance={difference.toShown(each.toleranceK)}
                  reading={each.reading?.value === undefined ? undefined : view.toShown(each.reading.value)}
                  verdict={each.verdict}
                  format={(v) => v.toFixed(1)}
                />
              </td>
              <td className="pr-4 pl-1">
                <Shape kind={stepShape[each.verdict]} labelled />
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      <div className="mt-auto p-3 pl-4 border-t border-line">
        <Cautions stage="prove" />
      </div>
    </section>
  )
}

interface StepProps {
  readonly plan: PlannedOutput
  readonly test: RiseFallTest
  readonly step: RiseFallStep
  readonly onNext: () => void
}

function StepSheet({ plan, test, step, onNext }: StepProps) {
  const { preferences, loop, change, reading, job, words } = useLoop()
  const dispatch = useAppDispatch()
  const phone = useMedia(PHONE)
  const key = `${loop.id}/${test.id}/${step.id}`
  const draft = useAppSelector((state) => state.drafts[key])
  const view = quantityView('temperature', preferences)
  const difference = quantityView('difference', preferences)
  const at = test.steps.indexOf(step)
  const { result } = test
  const keep = (text: string, state: 'value' | 'none' = 'value') => {
    const made: ProofReading = {
      ...reading(text, 'temperature', preferences, state),
      order: nextReadingOrder(loop),
      test: test.id,
      step: step.id,
      ...(step.reading ? { supersedes: step.reading.id } : {}),
    }
    return change({
      loop: { ...loop, proof: { ...loop.proof, readings: { ...loop.proof.readings, [crypto.randomUUID()]: made } } },
    })
  }
  const value = step.reading?.value
  const putOffset = () => {
    const { id, ...stored } = plan
    const next = { ...stored, offsetK: result.offsetK! }
    change(
      { loop: { ...loop, settings: { ...loop.settings, planned: { ...loop.settings.planned, [id]: next } } } },
      { why: result.head },
    )
  }
  return (
    <WorkSheet
      labelledBy="step-title"
      actions={
        <>
          {phone ? (
            <NumberPad
              text={draft ?? ''}
              onText={(text) => dispatch(drafted({ key, text }))}
              onNone={() => {
                dispatch(draftCleared(key))
                keep('', 'none')
                onNext()
              }}
            />
          ) : null}
          {phone ? null : (
            <Button
              second
              end=""
              onClick={() => {
                keep('', 'none')
                onNext()
              }}
            >
              No reading, go on
            </Button>
          )}
          {result.verdict === 'good' ? (
            <Button to={`/jobs/${job.id}/loops/${loop.id}/hand-over`}>Hand over</Button>
          ) : (
            <Button disabled={draft === undefined && step.reading === undefined} onClick={onNext}>
              {draft === undefined && step.reading === undefined
                ? 'Type the reading first'
                : at + 1 < test.steps.length || result.verdict === 'waiting'
                  ? 'Keep, next step'
                  : 'Keep, read step 1 again'}
            </Button>
          )}
        </>
      }
    >
      <div className="flex items-baseline gap-4">
        <h2 id="step-title" className="h2">
          Step {at + 1} of {test.steps.length}
        </h2>
        <span className="text-ink2">
          {step.title.toLowerCase()}, should go {step.switches}
        </span>
      </div>
      {phone ? <Cautions stage="prove" brief className="-my-2" /> : null}
      <p className="text-[17px] leading-[26px] max-md:text-[16px] max-md:leading-6">
        {step.instruction}{' '}
        <span className="not-phone">The thermometer lies on the probe; wait five probe lags between moves.</span>
      </p>
      <NumberField
        label={`Reads when it goes ${step.switches}`}
        draftKey={key}
        value={value}
        shown={
          step.reading && step.reading.unit === view.label
            ? step.reading.text
            : value === undefined
              ? ''
              : view.toShown(value).toFixed(1)
        }
        quantity="temperature"
        preferences={preferences}
        low={-100}
        high={500}
        big
        onCommit={(si, typed) => (si === undefined ? undefined : keep(typed))}
        finding={step.verdict === 'look' ? 'look' : undefined}
      />
      <ProofBar
        size={phone ? 'phone' : 'large'}
        expected={view.toShown(step.expectedC)}
        tolerance={difference.toShown(step.toleranceK)}
        reading={value === undefined ? undefined : view.toShown(value)}
        verdict={step.verdict}
        format={(v) => v.toFixed(1)}
      />
      <div
        className="border-t border-line pt-3 grid gap-1"
        role="status"
        aria-label="Verdict"
        data-verdict={result.verdict}
      >
        <p className="flex items-center gap-3">
          <Shape kind={shapeOf[result.verdict]} size={22} />
          <b className="h2">{result.head}</b>
        </p>
        <p>
          {result.reason}{' '}
          {result.verdict === 'waiting' ? '' : <span className="underline underline-offset-2">{result.next}</span>}
        </p>
        {result.offsetK !== undefined && result.offsetK !== plan.offsetK ? (
          <button type="button" className="third self-start min-h-8 max-md:min-h-12" onClick={putOffset}>
            Put {words.say(result.offsetK, 'difference')} into the plan
          </button>
        ) : null}
        {step.errorK !== undefined ? (
          <p className="text-ink2">
            This step: {formatQuantity(Math.abs(step.errorK), 'difference', preferences)}{' '}
            {step.errorK < 0 ? 'low' : 'high'}, may stray {words.say(step.toleranceK, 'difference')}.
          </p>
        ) : null}
      </div>
    </WorkSheet>
  )
}
