import { lazy, Suspense } from 'react'
import type {
  AskState,
  ChoiceAsk,
  NumberAsk,
  ProofStep,
  ProofTest,
  SetAsk,
} from '@nachtigal/core/commissioning/proofTest'
import { isGood, pickedText, readText, shouldText } from '@nachtigal/core/commissioning/judgedTest'
import { duringTest } from '@nachtigal/core/commissioning/temporaryWork'
import { parseQuantity } from '@nachtigal/core/units/parseQuantity'
import { timeIn } from '@nachtigal/core/device/bound'
import { formatValue, quantityView, shownText } from '@nachtigal/core/units/quantity'
import { draftCleared, drafted } from '../../state/draftsSlice'
import { useAppDispatch, useAppSelector } from '../../state/store'
import { PHONE, useMedia } from '../../lib/useMedia'
import { useLoop } from '../../loop/loopContext'
import { AddTemporary } from '../../loop/TemporaryBar'
import { useKeepReading } from '../../loop/useKeepReading'
import { Button } from '../../design/Button'
import { NumberField } from '../../design/NumberField'
import { NumberPad } from '../../design/NumberPad'
import { WorkSheet } from '../../design/WorkSheet'
import { FromLogger } from './FromLogger'
import { Stopwatch } from './Stopwatch'
import { bar } from './TestResults'
import { VerdictBlock } from './VerdictBlock'

const TestChart = lazy(() => import('../../drawing/TestChart').then((m) => ({ default: m.TestChart })))

interface StepProps {
  readonly test: ProofTest
  readonly step: ProofStep
  readonly onNext: () => void
}

/** One step, large: what to do, what should be read, the reading, the verdict. */
export function StepSheet({ test, step, onNext }: StepProps) {
  const { loop, reading, preferences, words } = useLoop()
  const dispatch = useAppDispatch()
  const phone = useMedia(PHONE)
  const keepReading = useKeepReading()
  const { ask } = step.main
  const key = `${loop.id}/${test.id}/${step.id}/${test.attempt}`
  const draft = useAppSelector((state) => state.drafts[key])
  const at = test.steps.indexOf(step)
  const read = step.main.verdict !== 'waiting'
  const keepNumber = (
    of: NumberAsk,
    id: string,
    typed: string,
    state: 'value' | 'over-range' = 'value',
    before?: string,
  ) =>
    keepReading(test.id, id, reading(state === 'over-range' ? '' : typed, of.quantity, preferences, state), {
      supersedes: before,
      quantity: of.quantity,
    })
  const keepText = (id: string, text: string, before?: string) =>
    keepReading(test.id, id, { ...reading(text, undefined), text }, { supersedes: before })
  const commit = () => {
    if (ask.kind !== 'number') return true
    if (draft === undefined) return true
    if (!parseQuantity(draft, ask.quantity, preferences).ok) return false
    if (keepNumber(ask, step.id, draft, 'value', step.main.reading?.id) !== undefined) return false
    dispatch(draftCleared(key))
    return true
  }
  const nothing = () => {
    if (ask.kind !== 'number') return
    dispatch(draftCleared(key))
    keepNumber(ask, step.id, '', 'over-range', step.main.reading?.id)
  }
  const last = at + 1 === test.steps.length
  const typed =
    draft === undefined || ask.kind !== 'number' ? undefined : parseQuantity(draft, ask.quantity, preferences)
  const typedIsGood = ask.kind === 'number' && typed?.ok === true && isGood(ask, typed.si)
  const asides = step.asides.map((state) => (
    <Aside
      key={state.id}
      state={state}
      draftKey={`${loop.id}/${test.id}/${state.id}/${test.attempt}`}
      onNumber={(typed) => keepNumber(state.ask as NumberAsk, state.id, typed, 'value', state.reading?.id)}
      onText={(text) => keepText(state.id, text, state.reading?.id)}
    />
  ))
  return (
    <WorkSheet
      labelledBy="step-title"
      actions={
        <>
          {phone && ask.kind === 'number' ? (
            <NumberPad
              text={draft ?? ''}
              onText={(text) => dispatch(drafted({ key, text }))}
              {...(ask.nothing ? { none: ask.nothing, onNone: nothing } : { none: 'leave open', onNone: onNext })}
            />
          ) : ask.kind === 'number' && ask.nothing ? (
            <Button second end="" onClick={nothing}>
              {ask.nothing[0]!.toUpperCase() + ask.nothing.slice(1)}
            </Button>
          ) : (
            <span className="not-phone" />
          )}
          <Button
            disabled={draft === undefined && !read && !step.spare}
            onClick={() => {
              // One that is not right stays in sight with its cause; the next press goes on.
              const stays = draft !== undefined && (last || !typedIsGood)
              if (commit() && !stays) onNext()
            }}
          >
            {draft !== undefined
              ? last || !typedIsGood
                ? 'Keep the reading'
                : 'Keep, next step'
              : read || step.spare
                ? last
                  ? 'To what waits'
                  : 'Next step'
                : ask.kind === 'number'
                  ? 'Type the reading first'
                  : 'Answer first'}
          </Button>
        </>
      }
    >
      <div className="flex items-baseline gap-4">
        <h2 id="step-title" className="h2">
          Step {at + 1} of {test.steps.length}
        </h2>
        <span className="text-ink2">
          {step.title}
          {step.spare ? ', if wanted' : ''}
        </span>
      </div>
      <p className="text-[17px] leading-[26px] max-md:text-[16px] max-md:leading-6">{step.does}</p>
      {step.caution ? <p className="font-bold">{step.caution}</p> : null}
      {step.clock && ask.kind === 'number' ? (
        <Stopwatch
          onStop={(seconds) => {
            dispatch(drafted({ key, text: shownText(timeIn(ask, seconds), ask.quantity === 'minutes' ? 2 : 1) }))
          }}
        />
      ) : null}
      <div className="asks" data-should={shouldText(ask, words)}>
        <Main
          ask={ask}
          state={step.main}
          draftKey={key}
          phone={phone}
          onNumber={(typed) => keepNumber(ask as NumberAsk, step.id, typed, 'value', step.main.reading?.id)}
          onText={(text) => keepText(step.id, text, step.main.reading?.id)}
        />
        {phone ? null : asides}
      </div>
      {ask.kind === 'number'
        ? bar(step.main, quantityView(ask.quantity, preferences), phone ? 'phone' : 'large')
        : null}
      {step.at?.afterS === undefined ? null : <FromLogger test={test} />}
      <VerdictBlock test={test} step={step} />
      <AddTemporary trigger="Lifted, forced or raised for this test? Enter it" during={duringTest(test.id)} />
      {phone && asides.length > 0 ? <div className="asks-beside">{asides}</div> : null}
      {test.chart ? (
        <Suspense fallback={null}>
          <TestChart chart={test.chart} label={`${test.title}, readings against the plan`} />
        </Suspense>
      ) : null}
    </WorkSheet>
  )
}

interface MainProps {
  readonly ask: AskState['ask']
  readonly state: AskState
  readonly draftKey: string
  readonly phone: boolean
  readonly onNumber: (typed: string) => string | undefined
  readonly onText: (text: string) => string | undefined
}

function Main({ ask, state, draftKey, phone, onNumber, onText }: MainProps) {
  if (ask.kind === 'number') return <Figure ask={ask} state={state} draftKey={draftKey} big onNumber={onNumber} />
  if (ask.kind === 'choice') return <Choices ask={ask} state={state} big={phone} onText={onText} />
  return <Members ask={ask} state={state} onText={onText} />
}

function Aside({ state, draftKey, onNumber, onText }: Omit<MainProps, 'ask' | 'phone'>) {
  const { ask } = state
  if (ask.kind === 'number') return <Figure ask={ask} state={state} draftKey={draftKey} onNumber={onNumber} />
  if (ask.kind === 'choice') return <Choices ask={ask} state={state} onText={onText} />
  return <Members ask={ask} state={state} onText={onText} />
}

function Figure({
  ask,
  state,
  draftKey,
  big = false,
  onNumber,
}: {
  readonly ask: NumberAsk
  readonly state: AskState
  readonly draftKey: string
  readonly big?: boolean
  readonly onNumber: (typed: string) => string | undefined
}) {
  const { preferences } = useLoop()
  const view = quantityView(ask.quantity, preferences)
  const { reading } = state
  const shown =
    reading?.state === 'over-range'
      ? ''
      : reading && reading.unit === view.label
        ? reading.text
        : typeof state.value === 'number'
          ? formatValue(state.value, ask.quantity, preferences, ask.decimals)
          : ''
  return (
    <NumberField
      label={ask.label}
      aside={reading?.state === 'over-range' ? readText(state) : undefined}
      draftKey={draftKey}
      value={typeof state.value === 'number' ? state.value : undefined}
      shown={shown}
      quantity={ask.quantity}
      preferences={preferences}
      {...(ask.decimals === undefined ? {} : { decimals: ask.decimals })}
      big={big}
      className={big ? 'main' : 'aside'}
      onCommit={(si, typed) => (si === undefined ? undefined : onNumber(typed))}
      finding={state.verdict === 'look' ? 'look' : undefined}
    />
  )
}

function Choices({
  ask,
  state,
  big = false,
  onText,
}: {
  readonly ask: ChoiceAsk
  readonly state: AskState
  readonly big?: boolean
  readonly onText: (text: string) => string | undefined
}) {
  const picked = state.reading?.state === 'value' ? state.reading.text : undefined
  return (
    <fieldset className={`choices ${big ? 'big' : ''}`}>
      <legend className="lab mb-1">{ask.label}</legend>
      {Object.entries(ask.choices).map(([id, says]) => (
        <button
          key={id}
          type="button"
          aria-pressed={picked === id}
          className={picked === id ? 'chosen' : ''}
          onClick={() => onText(id)}
        >
          {says}
        </button>
      ))}
    </fieldset>
  )
}

/** Which of several are on: each a switch of its own; none is an answer too. */
function Members({
  ask,
  state,
  onText,
}: {
  readonly ask: SetAsk
  readonly state: AskState
  readonly onText: (text: string) => string | undefined
}) {
  const text = state.reading?.state === 'value' ? state.reading.text : undefined
  const on = text === undefined || text === 'none' ? [] : text.split(' ')
  return (
    <fieldset className="choices">
      <legend className="lab mb-1">{ask.label}</legend>
      {Object.entries(ask.members).map(([id, says]) => (
        <button
          key={id}
          type="button"
          aria-pressed={on.includes(id)}
          className={on.includes(id) ? 'chosen' : ''}
          onClick={() =>
            onText(
              pickedText(
                Object.keys(ask.members).filter((each) => (each === id ? !on.includes(id) : on.includes(each))),
              ),
            )
          }
        >
          {says}
        </button>
      ))}
      <button
        type="button"
        aria-pressed={text === 'none'}
        className={text === 'none' ? 'chosen' : ''}
        onClick={() => onText('none')}
      >
        none
      </button>
    </fieldset>
  )
}
