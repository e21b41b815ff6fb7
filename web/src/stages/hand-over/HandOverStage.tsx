import { format } from 'date-fns'
import { useState } from 'react'
import { fill, routes } from '@nachtigal/contract/api'
import { signingBlockedBy, stageStatus } from '@nachtigal/core/check/stageStatus'
import { useAppSelector } from '../../lib/store'
import { useLoop } from '../../loop/loopContext'
import { Button } from '../../ui/Button'
import { Field } from '../../ui/Field'
import { Shape } from '../../ui/Shape'

const shape = { done: 'fits', open: 'waiting', waiting: 'waiting', look: 'look', stop: 'stop' } as const

const sheets = [
  {
    title: 'As-left sheet (PDF)',
    route: routes.asLeft,
    about: 'chain, keyed values, readings, wires, safety steps, what is open',
    kept: false,
  },
  { title: 'Wires (PDF)', route: routes.wiresPdf, about: 'terminal to terminal, with what was measured', kept: false },
  { title: 'Wiring picture (PDF)', route: routes.picture, about: 'made from the list, black on white', kept: false },
  { title: 'Labels (PDF)', route: routes.labels, about: 'one for each end of each wire', kept: false },
  { title: 'Wires (CSV)', route: routes.wiresCsv, about: 'for a table program', kept: true },
  {
    title: 'Whole job (open file, JSON)',
    route: routes.file,
    about: 'documents, devices and log; opens on any bench',
    kept: true,
  },
] as const

/** Stage 7: the sheets, the job file, the signature. */
export function HandOverStage() {
  const context = useLoop()
  const { job, loop, change } = context
  const waiting = useAppSelector((state) => state.documents.pending.length)
  const blocked = signingBlockedBy(context)
  const status = stageStatus(context)
  const { signed } = loop.handover
  return (
    <div className="work">
      <div className="p-4 min-h-0 overflow-auto grid gap-6 content-start">
        <section aria-labelledby="sheets">
          <h2 id="sheets" className="h2 mb-2">
            Sheets
          </h2>
          {waiting > 0 ? (
            <p className="mb-2">
              {waiting} change{waiting === 1 ? ' is' : 's are'} not on the server yet: sheets are made there.
            </p>
          ) : null}
          <ul className="grid gap-2">
            {sheets.map(({ title, route, about, kept }) => (
              <li key={title} className="flex items-baseline gap-x-4 flex-wrap border-b border-line pb-2">
                <a
                  className="text-[16px] max-md:min-h-12 max-md:inline-flex max-md:items-center max-md:w-full"
                  href={fill(route, { jobId: job.id, loopId: loop.id })}
                  {...(kept ? { download: true } : { target: '_blank', rel: 'noreferrer' })}
                >
                  {title}
                </a>
                <span className="text-ink2">{about}</span>
              </li>
            ))}
          </ul>
        </section>
        <section aria-labelledby="standing">
          <h2 id="standing" className="h2 mb-2">
            Where it stands
          </h2>
          <ul>
            {status.slice(0, 6).map(({ stage, state, says }) => (
              <li key={stage} className="flex items-center gap-3 border-b border-line min-h-9">
                <Shape kind={shape[state]} labelled />
                <span className="cond text-[16px] w-24 capitalize">{stage}</span>
                <span className="text-ink2">{says}</span>
              </li>
            ))}
          </ul>
        </section>
      </div>
      <aside className="panel" aria-label="Sign">
        <h2 className="h2">Sign</h2>
        {signed ? (
          <>
            <p className="flex items-center gap-2">
              <Shape kind="fits" size={22} />
              <b>Signed by {signed.by}</b>
            </p>
            <p>
              {format(new Date(signed.at), 'd MMMM yyyy HH:mm')}, measured with {signed.instrument}.
            </p>
            <button
              type="button"
              className="third min-h-8"
              onClick={() =>
                change({ loop: { ...loop, handover: {} } }, { tell: `Signature of ${signed.by} taken back.` })
              }
            >
              Take the signature back
            </button>
          </>
        ) : blocked.length > 0 ? (
          <>
            <p>Stays shut until these are settled:</p>
            <ul className="grid gap-1">
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
      </aside>
    </div>
  )
}

function SignForm() {
  const { loop, change } = useLoop()
  const known = useAppSelector((state) => state.view.by)
  const [by, setBy] = useState(known)
  const [instrument, setInstrument] = useState('')
  const [problem, setProblem] = useState<string>()
  const sign = () => {
    if (by.trim() === '' || instrument.trim() === '') {
      setProblem(
        by.trim() === ''
          ? 'Name is empty: it takes who signs.'
          : 'Instrument is empty: it takes the thermometer and meter you measured with.',
      )
      return
    }
    setProblem(
      change({
        loop: {
          ...loop,
          handover: { signed: { by: by.trim(), at: new Date().toISOString(), instrument: instrument.trim() } },
        },
      }),
    )
  }
  return (
    <form
      className="grid gap-3"
      onSubmit={(event) => {
        event.preventDefault()
        sign()
      }}
    >
      <Field label="Name" text error={problem?.startsWith('Name') ? problem : undefined}>
        {(ids) => (
          <input
            {...ids}
            value={by}
            maxLength={80}
            onChange={(event) => {
              setProblem(undefined)
              setBy(event.target.value)
            }}
          />
        )}
      </Field>
      <Field label="Measured with" text error={problem?.startsWith('Name') ? undefined : problem}>
        {(ids) => (
          <input
            {...ids}
            value={instrument}
            maxLength={120}
            placeholder="thermometer, meter, when checked"
            onChange={(event) => {
              setProblem(undefined)
              setInstrument(event.target.value)
            }}
          />
        )}
      </Field>
      <Button type="submit">Sign the as-left sheet</Button>
    </form>
  )
}
