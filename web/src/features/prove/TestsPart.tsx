import { Link } from 'react-router'
import { kitOf } from '@nachtigal/core/document/instruments'
import type { ProofTest } from '@nachtigal/core/commissioning/proofTest'
import { failed, settled } from '@nachtigal/core/commissioning/proofTests'
import { counted } from '@nachtigal/core/words/words'
import { Cautions } from '../../loop/Cautions'
import { useLoop } from '../../loop/loopContext'
import { AddTemporary } from '../../loop/TemporaryBar'
import { today } from '../../loop/useKeepReading'
import { Button } from '../../design/Button'
import { Shape } from '../../design/Shape'
import { instrumentsPath, testPath } from './paths'
import { standing, testShape } from './shapes'
import { loopAt } from '../../lib/addresses'

/** Every test of the loop, what came of it, and the one to make next. */
export function TestsPart({ tests }: { tests: readonly ProofTest[] }) {
  const { job, loop } = useLoop()
  const must = tests.filter(({ spare }) => !spare)
  const spare = tests.filter((test) => test.spare)
  const done = must.filter(settled).length
  const next = tests.find(failed) ?? must.find((test) => !settled(test))
  const kit = kitOf(job, today(job.zone))
  const list = (title: string, mine: readonly ProofTest[]) => (
    <section aria-label={title}>
      <h3 className="h3 px-4 pt-2 pb-1 border-b border-ink">{title}</h3>
      <ul>
        {mine.map((test) => (
          <li key={test.id} data-test={test.kind} data-verdict={test.result.verdict}>
            <Link className="test-row" to={testPath(job.id, loop.id, test.id)}>
              <Shape kind={testShape[test.result.verdict]} labelled />
              <span className="name">{test.title}</span>
              <span className="about">{test.about}</span>
              <span className="says">
                {standing(test)}
                {test.past.length > 0 ? `, attempt ${test.attempt}` : ''}
              </span>
            </Link>
          </li>
        ))}
      </ul>
    </section>
  )
  return (
    <div className="work">
      <div className="min-h-0 overflow-auto pb-4" aria-label="Tests" role="region">
        {list('To be made', must)}
        {spare.length > 0 ? list('If wanted', spare) : null}
      </div>
      <aside className="panel" aria-label="Where proving stands">
        <h2 className="h2">
          {done} of {counted(must.length, 'test')}
        </h2>
        {next ? (
          <>
            <p>
              <b>
                {next.title}
                {next.title.endsWith('?') ? '' : '.'}
              </b>{' '}
              {next.purpose}
            </p>
            <Button to={testPath(job.id, loop.id, next.id)}>
              {failed(next) ? 'To the test that failed' : done === 0 ? 'Begin' : 'Next test'}
            </Button>
          </>
        ) : (
          <>
            <p>Nothing waits. Hand over.</p>
            <Button to={loopAt(job.id, loop.id, 'hand-over')}>Hand over</Button>
          </>
        )}
        <p className="small">
          {kit.length === 0 ? (
            <>
              No instruments chosen today. <Link to={instrumentsPath(job.id, loop.id)}>Choose them</Link> first: what
              they may err counts in every verdict.
            </>
          ) : (
            <>
              Measured today with {kit.map(({ name }) => name).join(', ')}.{' '}
              <Link to={instrumentsPath(job.id, loop.id)}>Change</Link>
            </>
          )}
        </p>
        <AddTemporary trigger="Output forced, switch in hand, contact bridged? Enter it" />
        <Cautions step="prove" brief />
      </aside>
    </div>
  )
}
