import { TriangleAlert } from 'lucide-react'
import { useEffect, useRef } from 'react'
import { Link } from 'react-router'
import type { AskState, ProofStep, ProofTest } from '@nachtigal/core/commissioning/proofTest'
import { readText, shouldText } from '@nachtigal/core/commissioning/judgedTest'
import { quantityView, shownText } from '@nachtigal/core/units/quantity'
import { shownDay } from '@nachtigal/core/time/shownMoment'
import { ProofBar } from '../../drawing/ProofBar'
import { Cautions } from '../../loop/Cautions'
import { useLoop } from '../../loop/loopContext'
import { Opens } from '../../design/Opens'
import { Shape } from '../../design/Shape'
import { stepShape, testShape } from './shapes'
import { instrumentsPath, testsPath } from './paths'

/** What a test is for, what to have at hand, how to read, what can hurt. */
export function TestHead({ test }: { test: ProofTest }) {
  const { job, loop } = useLoop()
  return (
    <>
      <h2 id="before-title" className="h2">
        {test.title}, {test.about}
      </h2>
      <p className="text-[16px] leading-6">{test.purpose}</p>
      <Cautions step="prove" brief />
      <Safety test={test} />
      <HowTo test={test} />
      <p>
        <Link to={instrumentsPath(job.id, loop.id)}>Instruments of today</Link>
      </p>
    </>
  )
}

function HowTo({ test }: { test: ProofTest }) {
  return (
    <>
      <p>
        <b>At hand:</b> {test.have.join(', ')}.
      </p>
      <p>{test.how}</p>
      <p>
        <b>Rule:</b> {test.rule}
      </p>
    </>
  )
}

function Safety({ test }: { test: ProofTest }) {
  return test.safety.map((line) => (
    <p key={line} className="caution">
      <TriangleAlert size={20} strokeWidth={1.5} aria-hidden />
      <span className="min-w-0">{line}</span>
    </p>
  ))
}

/** Bar of a reading in a list; nothing where there is no width to draw. */
export function bar(state: AskState, view: ReturnType<typeof quantityView>, size: 'list' | 'large' | 'phone') {
  const { ask, value, verdict } = state
  if (ask.kind !== 'number' || ask.free || ask.nothingFits) return null
  if (!Number.isFinite(ask.low) && !Number.isFinite(ask.high)) return null
  const decimals = ask.decimals ?? view.decimals
  return (
    <ProofBar
      size={size}
      expected={view.toShown(ask.expected)}
      low={Number.isFinite(ask.low) ? view.toShown(ask.low) : undefined}
      high={Number.isFinite(ask.high) ? view.toShown(ask.high) : undefined}
      reading={value === undefined || value === null ? undefined : view.toShown(value)}
      verdict={verdict === 'fits' ? 'fits' : verdict === 'look' ? 'look' : 'waiting'}
      format={(shown) => shownText(shown, decimals)}
    />
  )
}

/** Every step of a test with its reading, as a column; what the test is for above it, earlier attempts beneath. */
export function TestResults({
  test,
  step,
  onChoose,
}: {
  test: ProofTest
  step: ProofStep
  onChoose: (id: string) => void
}) {
  const { preferences, words, job, loop } = useLoop()
  const box = useRef<HTMLElement>(null)
  useEffect(() => {
    box.current?.querySelector('tr[aria-current=true]')?.scrollIntoView({ block: 'nearest' })
  }, [step.id])
  return (
    <section
      ref={box}
      className="lg:border-r border-line flex flex-col min-h-0 overflow-auto"
      aria-labelledby="test-title"
    >
      <div className="px-4 pt-2 pb-1">
        <div className="flex items-baseline gap-3">
          <h2 id="test-title" className="h2">
            {test.title}
          </h2>
          <span className="text-ink2 break-words min-w-0">{test.about}</span>
          <Link className="ml-auto whitespace-nowrap" to={testsPath(job.id, loop.id)}>
            All tests
          </Link>
        </div>
        <p className="text-ink2">
          {test.purpose}{' '}
          <Opens className="third" label="How to read, and what to have at hand" trigger="How">
            <div className="grid gap-2">
              <HowTo test={test} />
            </div>
          </Opens>
        </p>
      </div>
      <table className="w-full border-collapse results">
        <thead>
          <tr>
            {['', 'step', 'should', 'reads', '', ''].map((head, i) => (
              <th key={i} className="lab text-left px-1 first:pl-4 py-1 border-b border-ink">
                {head}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {test.steps.map((each, i) => {
            const { ask } = each.main
            const view = quantityView(ask.kind === 'number' ? ask.quantity : 'count', preferences)
            return (
              <tr
                key={each.id}
                className={`border-b border-line ${each.id === step.id ? 'chosen' : ''}`}
                aria-current={each.id === step.id}
                onClick={() => onChoose(each.id)}
              >
                <td className="pl-4 pr-1">
                  <button type="button" className="font-bold min-h-8" aria-label={`Step ${i + 1}, ${each.title}`}>
                    {i + 1}
                  </button>
                </td>
                <td className="px-1">{each.title}</td>
                <td className={`px-1 figures ${ask.kind}`}>{shouldText(ask, words)}</td>
                <td className={`px-1 font-bold figures ${ask.kind}`}>
                  {readText(each.main) === '' ? (
                    <span className="inline-block w-8 border-b border-edge" />
                  ) : (
                    readText(each.main)
                  )}
                </td>
                <td className="px-1">{bar(each.main, view, 'list')}</td>
                <td className="pr-4 pl-1">
                  <Shape kind={stepShape[each.verdict]} labelled />
                </td>
              </tr>
            )
          })}
        </tbody>
      </table>
      {test.past.length > 0 ? (
        <ul className="px-4 py-2" aria-label="Earlier attempts">
          {test.past.map(({ id, attempt, verdict, head, by, at }) => (
            <li key={id} className="flex items-center gap-2 text-ink2">
              <Shape kind={testShape[verdict]} labelled />
              Attempt {attempt}: {head}. {by}, {shownDay(at, job.zone)}
            </li>
          ))}
        </ul>
      ) : null}
      <div className="mt-auto px-4 py-2 border-t border-line grid grid-cols-[minmax(0,1fr)] gap-1">
        <Safety test={test} />
        <Cautions step="prove" brief />
      </div>
    </section>
  )
}
