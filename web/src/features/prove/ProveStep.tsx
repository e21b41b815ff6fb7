import './prove.css'
import { useParams } from 'react-router'
import { proofTests } from '@nachtigal/core/commissioning/proofTests'
import { PHONE, useMedia } from '../../lib/useMedia'
import { useLoop } from '../../loop/loopContext'
import { Button } from '../../design/Button'
import { PartsNav } from '../../design/PartsNav'
import { FinderPart } from './FinderPart'
import { InstrumentsPart } from './InstrumentsPart'
import { testsPath } from './paths'
import { TestPart } from './TestPart'
import { TestsPart } from './TestsPart'
import { loopAt } from '../../lib/addresses'

/** Step 6: tests made from the plan, the finder of faults, the instruments of the day. */
export function ProveStep() {
  const context = useLoop()
  const { job, loop } = context
  const { part = 'tests', '*': asked } = useParams()
  const tests = proofTests(context)
  const phone = useMedia(PHONE)
  const base = testsPath(job.id, loop.id)
  const test = asked === undefined ? undefined : tests.find(({ id }) => id === asked)
  const titles: Readonly<Record<string, string>> = {
    tests: 'Tests',
    find: 'Find the fault',
    instruments: 'Instruments',
  }
  return (
    <div className="fills flex-1 min-h-0 flex flex-col bg-paper">
      {phone && test ? null : (
        <PartsNav
          label="Parts of proving"
          parts={Object.entries(titles).map(([id, title]) => ({ to: id === 'tests' ? base : `${base}/${id}`, title }))}
          here={test ? 'Tests' : (titles[part] ?? 'Tests')}
        />
      )}
      {part === 'find' ? (
        <FinderPart />
      ) : part === 'instruments' ? (
        <InstrumentsPart />
      ) : tests.length === 0 ? (
        <NothingToProve />
      ) : test ? (
        <TestPart key={test.id} test={test} />
      ) : (
        <TestsPart tests={tests} />
      )}
    </div>
  )
}

function NothingToProve() {
  const { job, loop } = useLoop()
  return (
    <div className="p-6 bg-paper flex-1">
      <h2 className="h2">Nothing to prove yet</h2>
      <p className="my-2">Tests are made from the plan.</p>
      <div className="max-w-xs">
        <Button to={loopAt(job.id, loop.id, 'match')}>Match the chain</Button>
      </div>
    </div>
  )
}
