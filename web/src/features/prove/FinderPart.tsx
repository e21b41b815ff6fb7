import { useState } from 'react'
import { Link, useSearchParams } from 'react-router'
import { findSymptoms } from '@nachtigal/core/commissioning/findSymptoms'
import { useShelfQuery } from '../../state/api'
import { useLoop } from '../../loop/loopContext'
import { Field } from '../../design/Field'
import { Shape } from '../../design/Shape'
import { testPath } from './paths'
import { loopAt } from '../../lib/addresses'

const testSays = { good: 'passed: speaks against it', bad: 'failed: speaks for it', open: 'not made yet' } as const

/** From a complaint to the likely causes in this loop, the reading that tells them apart, and the remedy. */
export function FinderPart() {
  const context = useLoop()
  const { job, loop } = context
  const { data: shelf } = useShelfQuery()
  const [typed, setTyped] = useState('')
  const [search] = useSearchParams()
  const [chosen, setChosen] = useState<string | undefined>(search.get('symptom') ?? undefined)
  const found = findSymptoms(context, shelf?.symptoms ?? [], typed)
  const shown = found.find(({ id }) => id === chosen) ?? (typed.trim() === '' ? undefined : found[0])
  const base = loopAt(job.id, loop.id)
  return (
    <div className="finder">
      <section className="finder-list" aria-label="Symptoms">
        <div className="p-4 pb-2">
          <Field label="What is seen or said" text>
            {(ids) => (
              <input
                {...ids}
                type="search"
                value={typed}
                maxLength={120}
                placeholder="never reaches setpoint, short-cycles, display shows --"
                onChange={(event) => {
                  setTyped(event.target.value)
                  setChosen(undefined)
                }}
              />
            )}
          </Field>
        </div>
        {found.length === 0 ? (
          <p className="px-4">Nothing by these words. Fewer words, or look through the list.</p>
        ) : null}
        <ul className="min-h-0 overflow-auto" aria-label="Symptoms found">
          {found.map(({ id, title, stop }) => (
            <li key={id}>
              <button
                type="button"
                className={`symptom ${shown?.id === id ? 'chosen' : ''}`}
                aria-current={shown?.id === id}
                onClick={() => setChosen(id)}
              >
                {stop ? <Shape kind="stop" labelled /> : null}
                {title}
              </button>
            </li>
          ))}
        </ul>
      </section>
      <section className="p-4 min-h-0 overflow-auto grid gap-3 content-start" aria-label="Causes">
        {shown === undefined ? (
          <>
            <h2 className="h2">Two questions first</h2>
            <p>
              <b>Does the control command?</b> Look at the display and the output. <b>Does the plant answer?</b>{' '}
              Current, flow, a temperature difference. Half of all control faults are plant faults.
            </p>
            <p>
              Choose what is seen, or type it. Every electrical reading: dead first; live only where it says so, by
              whoever may.
            </p>
          </>
        ) : (
          <>
            <h2 className="h2">{shown.title}</h2>
            {shown.stop ? (
              <p className="caution stop-line">
                <Shape kind="stop" size={20} labelled />
                <b>{shown.stop}</b>
              </p>
            ) : null}
            <ol className="grid gap-3" aria-label="Likely causes">
              {shown.causes.map(({ says, telling, remedy, test, go }, i) => (
                <li key={says} className="cause">
                  <p className="text-[16px] leading-6">
                    <b>
                      {i + 1}. {says}.
                    </b>
                  </p>
                  <p>
                    <span className="lab">tells it</span> {telling}
                  </p>
                  <p>
                    <span className="lab">then</span> {remedy}
                  </p>
                  {test || go ? (
                    <p className="flex flex-wrap gap-x-5 min-h-8">
                      {test ? (
                        <span>
                          <Link to={testPath(job.id, loop.id, test.id)}>Test: {test.title}</Link>,{' '}
                          {testSays[test.result]}
                        </span>
                      ) : null}
                      {go ? (
                        <Link className="capitalize" to={`${base}/${go.step}${go.part ? `/${go.part}` : ''}`}>
                          Open {go.step === 'hand-over' ? 'hand over' : go.step}
                        </Link>
                      ) : null}
                    </p>
                  ) : null}
                </li>
              ))}
            </ol>
          </>
        )}
      </section>
    </div>
  )
}
