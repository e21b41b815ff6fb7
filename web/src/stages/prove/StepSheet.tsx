import type { ProofReading } from '@nachtigal/core/job/documents'
import { nextReadingOrder } from '@nachtigal/core/job/proofReadings'
import type { RiseFallResult, RiseFallStep, RiseFallTest } from '@nachtigal/core/proof/riseAndFall'
import { formatQuantity, formatValue, quantityView, shownText } from '@nachtigal/core/units/quantity'
import { ProofBar } from '../../instruments/ProofBar'
import { draftCleared, drafted } from '../../lib/draftsSlice'
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

interface StepProps {
  readonly plan: PlannedOutput
  readonly test: RiseFallTest
  readonly step: RiseFallStep
  readonly onNext: () => void
}

/** One step, large: what to do, what should be read, the reading, the verdict. */
export function StepSheet({ plan, test, step, onNext }: StepProps) {
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
              : formatValue(value, 'temperature', preferences)
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
        format={shownText}
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
