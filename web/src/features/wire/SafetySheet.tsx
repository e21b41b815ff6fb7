import { useAct } from '../../loop/useAct'
import { answerStep } from '@nachtigal/core/actions/answerStep'
import { TriangleAlert } from 'lucide-react'
import type { SafetyStep } from '@nachtigal/core/commissioning/safetyStep'
import { duringStep } from '@nachtigal/core/commissioning/temporaryWork'
import { parseQuantity } from '@nachtigal/core/units/parseQuantity'
import { shownMoment } from '@nachtigal/core/time/shownMoment'
import { draftCleared, drafted } from '../../state/draftsSlice'
import { useAppDispatch, useAppSelector } from '../../state/store'
import { PHONE, useMedia } from '../../lib/useMedia'
import { useLoop } from '../../loop/loopContext'
import { useKeepReading } from '../../loop/useKeepReading'
import { AddTemporary } from '../../loop/TemporaryBar'
import { Button } from '../../design/Button'
import { NumberField } from '../../design/NumberField'
import { NumberPad } from '../../design/NumberPad'
import { Shape } from '../../design/Shape'
import { WorkSheet } from '../../design/WorkSheet'
import { shapeOf } from './SafetySteps'
import { loopAt } from '../../lib/addresses'

interface Props {
  readonly step: SafetyStep
  readonly at: number
  readonly of: number
  readonly onNext: () => void
  readonly onHunt?: ((conductor: string) => void) | undefined
}

/** One step, large: what to do, what should be read, the reading or the answer, the verdict with its cause and what to do next. */
export function SafetySheet({ step, at, of, onNext, onHunt }: Props) {
  const { job, loop, reading, preferences } = useLoop()
  const act = useAct()
  const dispatch = useAppDispatch()
  const phone = useMedia(PHONE)
  const keepReading = useKeepReading()
  const key = `${loop.id}/${step.block}/${step.id}`
  const draft = useAppSelector((state) => state.drafts[key])
  const { ask } = step
  const keep = (typed: string, state: 'value' | 'over-range' = 'value') =>
    ask.kind === 'number'
      ? keepReading(
          step.block,
          step.id,
          reading(state === 'over-range' ? 'OL' : typed, ask.quantity, preferences, state),
          { supersedes: step.reading?.id, quantity: ask.quantity },
        )
      : undefined
  const answer = (says: 'yes' | 'no') => {
    const refused = act(answerStep, { step: `${step.block}/${step.id}`, answer: says, ends: duringStep(step) })
    if (refused === undefined && says === 'yes') onNext()
  }
  const overRange = () => {
    dispatch(draftCleared(key))
    keep('', 'over-range')
  }
  const caution = (
    <p className="caution">
      <TriangleAlert size={20} strokeWidth={1.5} aria-hidden />
      <span>{step.caution}</span>
    </p>
  )
  const commit = () => {
    if (draft === undefined || ask.kind !== 'number' || !parseQuantity(draft, ask.quantity, preferences).ok) return
    if (keep(draft) === undefined) dispatch(draftCleared(key))
  }
  const next =
    draft !== undefined ? (
      <Button onClick={commit}>Keep the reading</Button>
    ) : (
      <Button disabled={step.verdict === 'waiting'} onClick={onNext}>
        {step.verdict === 'waiting' ? 'Answer first' : 'Next step'}
      </Button>
    )
  return (
    <WorkSheet
      labelledBy="safety-title"
      actions={
        ask.kind === 'answer' ? (
          <>
            <Button second end="" onClick={() => answer('no')}>
              {ask.no}
            </Button>
            <Button onClick={() => answer('yes')}>{ask.yes}</Button>
          </>
        ) : ask.kind === 'rows' ? (
          <Button to={loopAt(job.id, loop.id, 'wire')}>To the list of wires</Button>
        ) : (
          <>
            {phone ? (
              <NumberPad
                none="over-range"
                text={draft ?? ''}
                onText={(text) => dispatch(drafted({ key, text }))}
                onNone={overRange}
              />
            ) : (
              <Button second end="" onClick={overRange}>
                Meter shows over-range
              </Button>
            )}
            {next}
          </>
        )
      }
    >
      <div className="flex items-baseline gap-4">
        <h2 id="safety-title" className="h2">
          {step.title}
        </h2>
        <span className="text-ink2 ml-auto whitespace-nowrap">
          {at + 1} of {of}
        </span>
      </div>
      {step.caution === undefined || phone ? null : caution}
      <p className="text-[17px] leading-[26px] max-md:text-[16px] max-md:leading-6">{step.doing}</p>
      <p>
        Should: <b>{step.should}</b>
      </p>
      {ask.kind === 'number' ? (
        <NumberField
          key={step.id}
          label="Reads"
          draftKey={key}
          value={step.reading?.value}
          shown={step.reading ? (step.reading.state === 'over-range' ? 'OL' : step.reading.text) : ''}
          quantity={ask.quantity}
          preferences={preferences}
          low={ask.low}
          high={ask.high}
          big
          onCommit={(si, typed) => (si === undefined ? undefined : keep(typed))}
          finding={step.verdict === 'stop' ? 'stop' : step.verdict === 'look-again' ? 'look' : undefined}
        />
      ) : null}
      {step.caution !== undefined && phone ? caution : null}
      <div
        className="border-t border-line pt-3 grid gap-1"
        role="status"
        aria-label="Verdict"
        data-verdict={step.verdict}
      >
        <p className="flex items-center gap-3">
          <Shape kind={shapeOf[step.verdict]} size={22} />
          <b className="h2">
            {step.verdict === 'waiting'
              ? 'Waits'
              : step.forbids
                ? 'Not proved, do not energise'
                : step.verdict === 'good'
                  ? 'Good'
                  : 'Look again'}
          </b>
        </p>
        {step.cause === undefined ? null : (
          <p>
            {step.cause}{' '}
            {step.next === undefined ? null : <span className="underline underline-offset-2">{step.next}</span>}
          </p>
        )}
        {step.verdict === 'stop' && step.hunt !== undefined && onHunt ? (
          <button type="button" className="third self-start min-h-9 max-md:min-h-12" onClick={() => onHunt(step.hunt!)}>
            Find the short by halving
          </button>
        ) : null}
        <AddTemporary
          trigger="Bridged, forced or lifted something? Enter it"
          during={step.block === 'live' ? duringStep(step) : undefined}
        />
        {step.answer ? (
          <p className="small text-ink2">
            {step.answer.by}, {shownMoment(step.answer.at, job.zone)}
          </p>
        ) : step.reading ? (
          <p className="small text-ink2">
            {step.reading.by}, {shownMoment(step.reading.at, job.zone)}
          </p>
        ) : null}
      </div>
    </WorkSheet>
  )
}
