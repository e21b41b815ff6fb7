import { useAct } from '../../loop/useAct'
import { writeHandover } from '@nachtigal/core/actions/writeHandover'
import { tickHandover } from '@nachtigal/core/actions/tickHandover'
import { signLoop } from '@nachtigal/core/actions/signLoop'
import './handOver.css'
import { fill } from '@nachtigal/contract/api'
import { signingBlockedBy, stepStatus } from '@nachtigal/core/progress/stepStatus'
import { wordChange } from '@nachtigal/core/check/wordChange'
import { ordered } from '@nachtigal/core/schema/ordered'
import { changesSince, handoverTicks, isLocked, signs } from '@nachtigal/core/document/handover'
import { kitOf } from '@nachtigal/core/document/instruments'
import { bindsAny } from '@nachtigal/core/device/bound'
import { controllerPlanOf } from '@nachtigal/core/survey/controllerPlanOf'
import { shownDay, shownMoment } from '@nachtigal/core/time/shownMoment'
import { useJobAtQuery, useLogQuery } from '../../state/api'
import { download } from '../../lib/download'
import { useAppSelector } from '../../state/store'
import { weekToCalendar } from '../../lib/weekCalendar'
import { sheets } from '../../loop/sheets'
import { OpenAgain } from '../../loop/LockedBar'
import { useLoop } from '../../loop/loopContext'
import { today } from '../../loop/useKeepReading'
import { Button } from '../../design/Button'
import { DateField } from '../../design/DateField'
import { Field } from '../../design/Field'
import { useSavedForm } from '../../design/useSavedForm'
import { object, string } from 'yup'
import { KeptText } from '../../design/KeptText'
import { Shape } from '../../design/Shape'

const shape = { done: 'fits', open: 'waiting', waiting: 'waiting', look: 'look', stop: 'stop' } as const

/** Step 7: the sheets, what goes with them, the signature, and what was changed since. */
export function HandOverStep() {
  const context = useLoop()
  const { job, loop } = context
  const waiting = useAppSelector((state) => state.documents.pending.length)
  const status = stepStatus(context)
  return (
    <div className="work">
      <div className="p-4 min-h-0 overflow-auto grid gap-5 content-start">
        <section aria-labelledby="sheets">
          <h2 id="sheets" className="h2 mb-1">
            Sheets
          </h2>
          {waiting > 0 ? (
            <p className="mb-2">
              {waiting} change{waiting === 1 ? ' is' : 's are'} not on the server yet: sheets are made there.
            </p>
          ) : null}
          <ul className="handover-sheets">
            {sheets.map(({ title, route, about, kept }) => (
              <li key={title}>
                <a
                  href={fill(route, { jobId: job.id, loopId: loop.id })}
                  {...(kept ? { download: true } : { target: '_blank', rel: 'noreferrer' })}
                >
                  {title}
                </a>
                <span className="text-ink2">{about}</span>
              </li>
            ))}
            <CalendarLine />
          </ul>
        </section>
        <Since />
        <section aria-labelledby="standing">
          <h2 id="standing" className="h2 mb-1">
            Where it stands
          </h2>
          <ul className="standing">
            {status.slice(0, 6).map(({ step, state, says }) => (
              <li key={step} className="flex items-center gap-3 border-b border-line min-h-9">
                <Shape kind={shape[state]} labelled />
                <span className="cond text-[16px] w-24 capitalize">{step}</span>
                <span className="text-ink2">{says}</span>
              </li>
            ))}
          </ul>
        </section>
      </div>
      <Sign />
    </div>
  )
}

/** Week periods and the day of the next test as a calendar file. */
function CalendarLine() {
  const context = useLoop()
  const { job, loop, chain } = context
  const periods = chain.devices.flatMap((device) =>
    device.facts.controller && bindsAny(device.facts.controller, 'period1.')
      ? ordered(controllerPlanOf(context, device).week?.periods ?? {})
      : [],
  )
  const { retest } = loop.handover
  if (periods.length === 0 && retest === undefined) return null
  const make = () => {
    const days = retest === undefined ? [] : [{ title: `${loop.name}: tests again`, day: retest }]
    const text = weekToCalendar(
      periods,
      { name: loop.name, zone: job.zone, today: today(job.zone), stamp: new Date().toISOString() },
      days,
    )
    download(`${loop.name.replace(/[^\w-]+/g, '-')}.ics`, text, 'text/calendar')
  }
  return (
    <li>
      <button type="button" className="third" onClick={make}>
        Schedule (calendar)
      </button>
      <span className="text-ink2">periods of the week, the next test</span>
    </li>
  )
}

/** What was changed after the signature, whether it was opened again by this hand or another. */
function Since() {
  const { job, loop, preferences } = useLoop()
  const { signed } = loop.handover
  const { data: log } = useLogQuery({ jobId: job.id, loop: loop.id, kind: 'hand-over' }, { skip: !signed })
  const sequence = log?.rows.find(({ command }) => signs(command))?.sequence
  const { data: then } = useJobAtQuery({ jobId: job.id, sequence: sequence ?? 0 }, { skip: sequence === undefined })
  if (!signed || !then) return null
  const changed = changesSince(then.loops[loop.id], loop)
  if (changed.length === 0) return null
  return (
    <section aria-labelledby="since">
      <h2 id="since" className="h2 mb-1">
        Since hand-over
      </h2>
      <ul>
        {changed.map((change) => {
          const { what, before, after } = wordChange(change, { ...preferences, practice: job.practice })
          return (
            <li key={change.path.join('/')} className="border-b border-line py-1">
              <b>{what}</b> <span className="text-ink2">{before} to</span> {after}
            </li>
          )
        })}
      </ul>
    </section>
  )
}

function Sign() {
  const context = useLoop()
  const { job, loop } = context
  const blocked = signingBlockedBy(context)
  const { signed, reopened } = loop.handover
  const locked = isLocked(loop)
  return (
    <aside className="panel" aria-label="Sign">
      <h2 className="h2">{locked ? 'Handed over' : 'Sign'}</h2>
      {signed ? (
        <>
          <p className="flex items-center gap-2">
            <Shape kind={locked ? 'fits' : 'look'} size={22} />
            <b>Signed by {signed.by}</b>
          </p>
          <p>
            {shownMoment(signed.at, job.zone)}, measured with {signed.instrument}.
          </p>
          {reopened ? (
            <p>
              Opened again {shownDay(reopened.at, job.zone)} by {reopened.by}: {reopened.why}
            </p>
          ) : (
            <OpenAgain />
          )}
        </>
      ) : null}
      {locked ? null : (
        <>
          <Ticks />
          {blocked.length > 0 ? (
            <>
              <p>Stays shut until these are settled:</p>
              <ul className="grid gap-1" aria-label="Keeps it shut">
                {blocked.map((line) => (
                  <li key={line} className="caution">
                    <Shape kind="waiting" size={16} />
                    <span>{line}</span>
                  </li>
                ))}
              </ul>
            </>
          ) : (
            <SignForm />
          )}
        </>
      )}
    </aside>
  )
}

/** What has to lie there, the day of the next test, whom the owner calls. */
function Ticks() {
  const { job, loop } = useLoop()
  const act = useAct()
  const { ticks = {}, retest, call } = loop.handover
  const turn = (id: string, on: boolean) => {
    act(tickHandover, { tick: id, on })
  }
  const write = (part: 'retest' | 'call', text: string) => act(writeHandover, { part, text })
  return (
    <div className="grid gap-2">
      <ul>
        {Object.entries(handoverTicks).map(([id, title]) => (
          <li key={id}>
            <label className="flex items-center gap-3 min-h-9 max-md:min-h-12">
              <input
                type="checkbox"
                className="handover-tick"
                checked={ticks[id] !== undefined}
                onChange={(event) => turn(id, event.target.checked)}
              />
              {title}
            </label>
          </li>
        ))}
      </ul>
      <DateField label="Next test on" value={retest} today={today(job.zone)} onKeep={(text) => write('retest', text)} />
      <KeptText label="Owner calls" value={call} placeholder="name and number" onKeep={(text) => write('call', text)} />
    </div>
  )
}

/** Instruments of the record as one line: whatever was read with, and what is out today. */
function useInstruments(): string {
  const { job, loop } = useLoop()
  const used = new Set(Object.values(loop.proof.readings).flatMap(({ instrument }) => (instrument ? [instrument] : [])))
  for (const { id } of kitOf(job, today(job.zone))) used.add(id)
  return ordered(job.instruments)
    .filter(({ id }) => used.has(id))
    .map(({ name, serial, checked }) => [name, serial, checked ? `checked ${checked}` : ''].filter(Boolean).join(' '))
    .join('; ')
    .slice(0, 400)
}

const signForm = object({
  by: string()
    .trim()
    .required('Name is empty: it takes who signs.')
    .max(80, 'Name is too long: 80 characters at most.'),
  instrument: string()
    .trim()
    .required('Measured with is empty: it takes the thermometer and meter you measured with.')
    .max(400, 'Measured with is too long: 400 characters at most.'),
})

function SignForm() {
  const act = useAct()
  const known = useAppSelector((state) => state.view.by)
  const instruments = useInstruments()
  const { register, wrong, onSubmit } = useSavedForm({
    schema: signForm,
    begun: { by: known, instrument: instruments },
    keep: (signed) => act(signLoop, signed),
    at: 'by',
  })
  return (
    <form className="grid gap-3" noValidate onSubmit={onSubmit}>
      <Field label="Name" text error={wrong('by')}>
        {(ids) => <input {...ids} {...register('by')} />}
      </Field>
      <Field label="Measured with" text error={wrong('instrument')}>
        {(ids) => <input {...ids} {...register('instrument')} placeholder="thermometer, meter, when checked" />}
      </Field>
      <Button type="submit">Sign and hand over</Button>
    </form>
  )
}
