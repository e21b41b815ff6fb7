import { loopAt } from '../../lib/addresses'
import { useAct } from '../../loop/useAct'
import { makeTestAfterAll } from '@nachtigal/core/actions/makeTestAfterAll'
import { leaveTestOut } from '@nachtigal/core/actions/leaveTestOut'
import { keepNote } from '@nachtigal/core/actions/keepNote'
import { beginTestAgain } from '@nachtigal/core/actions/beginTestAgain'
import { applyTestFix } from '@nachtigal/core/actions/applyTestFix'
import { useState } from 'react'
import { Link, useNavigate } from 'react-router'
import { ordered } from '@nachtigal/core/schema/ordered'
import type { Cause, Go, ProofStep, ProofTest } from '@nachtigal/core/commissioning/proofTest'
import { mayLeaveOut } from '@nachtigal/core/commissioning/proofTests'
import { spanQuantity } from '@nachtigal/core/commissioning/judgedTest'
import { photoTaken, photoUrl } from '../../lib/photoUrl'
import { smallPhoto } from '../../lib/smallPhoto'
import { useLoop } from '../../loop/loopContext'
import { useOutbox } from '../../loop/outboxContext'
import { Opens } from '../../design/Opens'
import { LineForm } from '../../design/LineForm'
import { Shape } from '../../design/Shape'
import { testShape } from './shapes'

/** What the readings mean: verdict, the likeliest cause with what to check, the others, and where it is mended. */
export function VerdictBlock({ test, step }: { test: ProofTest; step: ProofStep }) {
  const { words } = useLoop()
  const act = useAct()
  const { result } = test
  const [first, ...others] = result.causes
  const { main } = step
  const { ask, error } = main
  const fix = result.fix
  const putFix = () => act(applyTestFix, { test: test.id }, { why: result.head })
  return (
    <div
      className="border-t border-line pt-3 grid gap-1"
      role="status"
      aria-label="Verdict"
      data-verdict={result.verdict}
    >
      <p className="flex items-center gap-3">
        <Shape kind={testShape[result.verdict]} size={22} />
        <b className="h2">{result.head}</b>
      </p>
      <p>{result.reason}</p>
      {first ? (
        <CauseLine cause={first} />
      ) : result.verdict === 'waiting' ? null : (
        <p className="underline underline-offset-2">{result.next}</p>
      )}
      {others.length > 0 ? (
        <details className="causes">
          <summary className="third min-h-8 max-md:min-h-12">
            {others.length === 1 ? 'One more cause' : `${others.length} more causes`}
          </summary>
          {others.map((each) => (
            <CauseLine key={each.code} cause={each} />
          ))}
        </details>
      ) : null}
      {fix ? (
        <button type="button" className="third self-start min-h-8 max-md:min-h-12" onClick={putFix}>
          {fix.says}
        </button>
      ) : null}
      {ask.kind === 'number' &&
      error !== undefined &&
      !ask.free &&
      Number.isFinite(ask.low) &&
      Number.isFinite(ask.high) ? (
        <p className="text-ink2">
          This step: {words.say(Math.abs(error), spanQuantity(ask), ask.decimals)} {error < 0 ? 'low' : 'high'}. From:{' '}
          {ask.source}.
        </p>
      ) : ask.kind === 'number' && ask.source !== '' ? (
        <p className="text-ink2 small">From: {ask.source}.</p>
      ) : null}
      {[main, ...step.asides].map(({ id, says, instrument, mayErr, ask: its }) =>
        says !== undefined ? (
          <p key={id} className="text-ink2">
            {says}
          </p>
        ) : instrument !== undefined && mayErr !== undefined && its.kind === 'number' ? (
          <p key={id} className="small text-ink2">
            {instrument}, may be {words.say(mayErr, spanQuantity(its), 2)} off.
          </p>
        ) : null,
      )}
      <div className="flex flex-wrap gap-x-5">
        <TakeAgain test={test} />
        <NoteHere test={test} step={step} />
        {mayLeaveOut(test) || test.skipped ? <LeaveOut test={test} /> : null}
      </div>
      {test.skipped ? (
        <p className="text-ink2">
          Left out by {test.skipped.by}: {test.skipped.reason}
        </p>
      ) : null}
    </div>
  )
}

function CauseLine({ cause }: { cause: Cause }) {
  return (
    <div className="grid gap-0.5 py-0.5" data-cause={cause.code}>
      <p>{cause.says}</p>
      <p>
        <span className="underline underline-offset-2">{cause.check}</span> {cause.go ? <GoLink go={cause.go} /> : null}
      </p>
    </div>
  )
}

/** Opens the setting, the wire or the part that a cause points to. */
function GoLink({ go }: { go: Go }) {
  const { job, loop, takeOutput } = useLoop()
  const navigate = useNavigate()
  const to = loopAt(job.id, loop.id, go.step, ...(go.part ? [go.part] : []))
  return (
    <Link
      className="whitespace-nowrap"
      to={to}
      onClick={(event) => {
        if (go.plan === undefined) return
        event.preventDefault()
        takeOutput(go.plan)
        void navigate(to)
      }}
    >
      {go.says}
    </Link>
  )
}

/** Begins a test anew: what came of it is kept, its readings stay in the record. */
function TakeAgain({ test }: { test: ProofTest }) {
  const act = useAct()
  if (!test.steps.some(({ main }) => main.reading)) return null
  const again = () => act(beginTestAgain, { test: test.id })
  return (
    <button type="button" className="third min-h-8 max-md:min-h-12" onClick={again}>
      Test again
    </button>
  )
}

/** A note or a photo of a step; both stand in the log and in the job file. */
function NoteHere({ test, step }: { test: ProofTest; step: ProofStep }) {
  const { job, loop } = useLoop()
  const act = useAct()
  const outbox = useOutbox()
  const [problem, setProblem] = useState<string>()
  const notes = loop.notes ?? {}
  const here = ordered(notes).filter((note) => note.test === test.id && note.step === step.id)
  const keep = (said: string, photo?: string) =>
    act(keepNote, {
      text: `${test.title}, ${step.title}${said === '' ? '' : `: ${said}`}`,
      test: test.id,
      step: step.id,
      ...(photo ? { photo } : {}),
    })
  const take = async (file: File | undefined) => {
    if (!file) return
    try {
      const small = await smallPhoto(file)
      const hash = await outbox.addPhoto(job.id, small)
      photoTaken(hash, small)
      setProblem(keep('', hash))
    } catch (error) {
      setProblem((error as Error).message)
    }
  }
  return (
    <Opens
      className="third min-h-8 max-md:min-h-12"
      label="Note or photo"
      trigger={here.length === 0 ? 'Note or photo' : `Notes: ${here.length}`}
    >
      <div className="grid gap-3">
        {here.map(({ id, text: said, photo, by: who }) => (
          <figure key={id} className="m-0">
            {photo ? <img className="note-photo" src={photoUrl(job.id, photo)} alt={said} /> : null}
            <figcaption>
              {said}. {who}
            </figcaption>
          </figure>
        ))}
        <LineForm
          label="Note"
          empty="Note is empty: it takes what you saw."
          most={1000}
          submit="Keep the note"
          onKeep={(line) => keep(line)}
        />
        {problem ? (
          <p role="alert" className="error">
            {problem}
          </p>
        ) : null}
        <label className="btn second cursor-pointer">
          <span>Take a photo</span>
          <input
            type="file"
            accept="image/*"
            capture="environment"
            className="sr-only"
            onChange={(event) => {
              void take(event.target.files?.[0])
              event.target.value = ''
            }}
          />
        </label>
      </div>
    </Opens>
  )
}

/** A test that is not made, with a name and a reason; none that proves a safety, none that has failed. */
function LeaveOut({ test }: { test: ProofTest }) {
  const act = useAct()
  if (test.skipped)
    return (
      <button
        type="button"
        className="third min-h-8 max-md:min-h-12"
        onClick={() => act(makeTestAfterAll, { test: test.id })}
      >
        Make it after all
      </button>
    )
  if (test.spare) return null
  return (
    <Opens className="third min-h-8 max-md:min-h-12" label="Leave this test out" trigger="Leave it out, say why">
      <LineForm
        label="Reason"
        empty="Reason is empty: say why this test is not made. It is printed."
        submit="Leave it out"
        onKeep={(reason) => act(leaveTestOut, { test: test.id, reason })}
      />
    </Opens>
  )
}
