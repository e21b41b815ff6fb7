import type { ReactNode } from 'react'
import type { Consequence } from '@nachtigal/core/settings/consequences'
import { formatQuantity } from '@nachtigal/core/units/quantity'
import { Cautions } from '../../loop/Cautions'
import { Findings } from '../../loop/Findings'
import { useLoop } from '../../loop/loopContext'
import { Worked } from '../../loop/Worked'
import { Button } from '../../design/Button'
import { Conditions } from './Conditions'
import { useSetting } from './setting'
import { loopAt } from '../../lib/addresses'

/** Characters of label and words together that still stand in one line. */
const WIDE = 36

/** Lines of "what it means": a number that opens its sum, a reason, or a few words. */
function Meaning({ lines }: { lines: readonly Consequence[] }) {
  const { preferences } = useLoop()
  return (
    <dl className="facts dense" aria-live="polite">
      {lines.map((line) => (
        <div key={line.id} className="contents" data-consequence={line.id}>
          <dt>{line.label}</dt>
          <dd
            data-fact={line.fact}
            className={line.text !== undefined && line.text.length + line.label.length > WIDE ? 'said' : undefined}
          >
            {line.text ??
              (line.value === null ? (
                line.reason
              ) : line.worked ? (
                <Worked
                  label={line.label}
                  text={formatQuantity(line.value, line.quantity, preferences, line.decimals)}
                  call={line.worked}
                />
              ) : (
                formatQuantity(line.value, line.quantity, preferences, line.decimals)
              ))}
          </dd>
        </div>
      ))}
    </dl>
  )
}

interface Props {
  readonly lines: readonly Consequence[]
  readonly children?: ReactNode
  /** What follows from the findings, below them. */
  readonly below?: ReactNode
}

/** What the plan means, beside every instrument: lines, findings, what happens when something fails, and on to the sheet. */
export function MeaningPanel({ lines, children, below }: Props) {
  const { job, loop, survey } = useLoop()
  const { findings } = useSetting()
  return (
    <aside className="panel gap-1" aria-label="What it means">
      <h2 className="h2">What it means</h2>
      <Meaning lines={lines} />
      {survey ? null : <p className="small text-ink2">Cycles and relay life come with the survey.</p>}
      {children}
      <Findings findings={findings} none="Nothing to look at." />
      {below}
      <Conditions />
      <Cautions step="set" brief />
      <div className="mt-auto action-bar">
        <Button to={loopAt(job.id, loop.id, 'set', 'keying')}>Write the keying sheet</Button>
      </div>
    </aside>
  )
}
