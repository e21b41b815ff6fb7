import { useMemo } from 'react'
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
import { DataTable, type TableColumn } from '../../design/table/DataTable'
import { instrumentsPath, testPath } from './paths'
import { standing, testShape } from './shapes'
import { loopAt } from '../../lib/addresses'

const attemptWords = (test: ProofTest) => `${standing(test)}${test.past.length > 0 ? `, attempt ${test.attempt}` : ''}`

/** Every test of the loop, what came of it, and the one to make next. */
export function TestsPart({ tests }: { tests: readonly ProofTest[] }) {
  const { job, loop } = useLoop()
  const must = tests.filter(({ spare }) => !spare)
  const spare = tests.filter((test) => test.spare)
  const rows = useMemo(() => [...tests].sort((a, b) => Number(a.spare ?? false) - Number(b.spare ?? false)), [tests])
  const done = must.filter(settled).length
  const next = tests.find(failed) ?? must.find((test) => !settled(test))
  const kit = kitOf(job, today(job.zone))
  const columns = useMemo(
    (): TableColumn<ProofTest>[] => [
      {
        id: 'verdict',
        title: 'Verdict',
        stays: true,
        quiet: true,
        cell: ({ result }) => <Shape kind={testShape[result.verdict]} labelled />,
      },
      {
        id: 'test',
        title: 'Test',
        stays: true,
        value: ({ title }) => title,
        cell: (test) => (
          <Link
            className="row-link"
            to={testPath(job.id, loop.id, test.id)}
            // Two outputs have a test of the same title each: a reader is told the whole row.
            aria-label={`${test.title}, ${test.about}, ${attemptWords(test)}`}
          >
            <span className="name">{test.title}</span>
            <span className="only-phone about">{test.about}</span>
            <span className="only-phone says">{attemptWords(test)}</span>
          </Link>
        ),
      },
      { id: 'about', title: 'Of', value: ({ about }) => about, className: 'not-phone text-ink2' },
      { id: 'standing', title: 'Stands', value: attemptWords, className: 'not-phone' },
    ],
    [job.id, loop.id],
  )
  return (
    <div className="work">
      <div className="min-h-0 overflow-auto pb-4" aria-label="Tests" role="region">
        <DataTable
          label="Tests to be made, and those if wanted"
          className="tests"
          rows={rows}
          columns={columns}
          idOf={({ id }) => id}
          find="Find a test"
          rowProps={({ kind, result, spare: wanted }) => ({
            'data-test': kind,
            'data-verdict': result.verdict,
            'data-spare': wanted,
          })}
          above={({ id }) =>
            id === spare[0]?.id ? (
              <tr>
                <th scope="rowgroup" colSpan={4} className="h3">
                  If wanted
                </th>
              </tr>
            ) : null
          }
        />
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
