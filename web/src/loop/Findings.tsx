import { useAct } from './useAct'
import { closeFinding } from '@nachtigal/core/actions/closeFinding'
import { findingKey, type Finding, mayBeClosed, type Severity } from '@nachtigal/core/check/finding'
import { alikeFindings } from '@nachtigal/core/check/alikeFindings'
import { Fragment, useRef, useState } from 'react'
import { useSearchParams } from 'react-router'
import { Dialog } from '../design/Dialog'
import { LineForm } from '../design/LineForm'
import { Shape, type ShapeKind } from '../design/Shape'
import { Opens } from '../design/Opens'
import { FixButton } from './FixButton'
import { useLoop } from './loopContext'
import { WorkedSum } from './Worked'

const shapes: Record<Severity, ShapeKind> = { stop: 'stop', 'look-again': 'look', note: 'note' }

/** Findings: shape, head, reason, what to do. A plain one can be closed with a reason and a name, a safety stop never. */
export function Findings({ findings, none }: { findings: readonly Finding[]; none?: string }) {
  const { closed } = useLoop()
  const act = useAct()
  const [search] = useSearchParams()
  const wanted = search.get('finding')
  const [closing, setClosing] = useState<Finding>()
  const close = (finding: Finding, reason: string) => {
    const refused = act(closeFinding, { finding: findingKey(finding), reason }, { why: reason })
    if (refused === undefined) setClosing(undefined)
    return refused
  }
  const steps = new Set(findings.map(({ step }) => step))
  const shut = closed.filter(({ step }) => steps.size === 0 || steps.has(step))
  return (
    <div>
      {findings.length === 0 ? (
        none === undefined ? null : (
          <p className="text-ink2">{none}</p>
        )
      ) : (
        <div role="list" aria-label="Findings">
          {alikeFindings(findings).map(({ first, rest }) => (
            <Fragment key={findingKey(first)}>
              <Row finding={first} count={rest.length + 1} wanted={wanted} onClose={setClosing} />
              {rest.length > 0 ? (
                <details className="pb-2" open={rest.some((each) => findingKey(each) === wanted)}>
                  <summary className="min-h-8 max-md:min-h-12 flex items-center underline underline-offset-2">
                    {rest.length} more of the same
                  </summary>
                  {rest.map((finding) => (
                    <Row key={findingKey(finding)} finding={finding} wanted={wanted} onClose={setClosing} />
                  ))}
                </details>
              ) : null}
            </Fragment>
          ))}
        </div>
      )}
      {shut.length > 0 ? <p className="small text-ink2 pt-1">{shut.length} closed with a reason</p> : null}
      <Dialog
        open={closing !== undefined}
        onClose={() => setClosing(undefined)}
        title="Close this finding"
        about={closing ? `${closing.head} ${closing.reason}` : ''}
      >
        <LineForm
          label="Not applicable, because"
          empty="Say why first: the reason is printed."
          submit="Close it; it is printed"
          onKeep={(reason) => (closing ? close(closing, reason) : undefined)}
        />
      </Dialog>
    </div>
  )
}

interface RowProps {
  readonly finding: Finding
  /** So many alike it stands for. */
  readonly count?: number
  /** The finding that the address names. */
  readonly wanted: string | null
  readonly onClose: (finding: Finding) => void
}

function Row({ finding, count = 1, wanted, onClose }: RowProps) {
  const here = findingKey(finding) === wanted
  const seen = useRef(false)
  return (
    <div
      ref={(element) => {
        if (here && !seen.current) {
          seen.current = true
          element?.scrollIntoView({ block: 'center' })
        }
      }}
      role="listitem"
      className={`finding ${shapes[finding.severity]} ${here ? 'chosen' : ''}`}
    >
      <Shape kind={shapes[finding.severity]} labelled />
      <p>
        {count > 1 ? <b className="whitespace-nowrap">{count} × </b> : null}
        <b>{finding.head}</b> {finding.reason}{' '}
        <span className="underline underline-offset-2 decoration-1">{finding.remedy}</span>
        {finding.worked?.length ? (
          <Opens
            className="third small ml-2 text-ink2"
            label={`${finding.head} Open the calculation`}
            trigger="Calculation"
          >
            {finding.worked.map((call) => (
              <WorkedSum key={call.calc} call={call} />
            ))}
          </Opens>
        ) : null}
        {mayBeClosed(finding) ? (
          <button type="button" className="third small ml-2 text-ink2" onClick={() => onClose(finding)}>
            Not applicable
          </button>
        ) : null}
      </p>
      {finding.fix ? (
        <div className="col-start-2 pt-1.5">
          <FixButton fix={finding.fix} of={{ finding: findingKey(finding) }} />
        </div>
      ) : null}
    </div>
  )
}
