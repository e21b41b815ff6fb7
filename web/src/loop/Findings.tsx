import { useAct } from './useAct'
import { closeFinding } from '@nachtigal/core/actions/closeFinding'
import { findingKey, type Finding, mayBeClosed, type Severity } from '@nachtigal/core/check/finding'
import { useState } from 'react'
import { Button } from '../ui/Button'
import { Dialog } from '../ui/Dialog'
import { Shape, type ShapeKind } from '../ui/Shape'
import { Opens } from '../ui/Opens'
import { FixButton } from './FixButton'
import { useLoop } from './loopContext'
import { WorkedSum } from './Worked'

const shapes: Record<Severity, ShapeKind> = { stop: 'stop', 'look-again': 'look', note: 'note' }

/** Findings: shape, head, reason, what to do. A plain one can be closed with a reason and a name, a safety stop never. */
export function Findings({ findings, none }: { findings: readonly Finding[]; none: string }) {
  const { closed } = useLoop()
  const act = useAct()
  const [closing, setClosing] = useState<Finding>()
  const [reason, setReason] = useState('')
  const close = (finding: Finding) => {
    act(closeFinding, { finding: findingKey(finding), reason }, { why: reason.trim() })
    setClosing(undefined)
    setReason('')
  }
  const steps = new Set(findings.map(({ step }) => step))
  const shut = closed.filter(({ step }) => steps.size === 0 || steps.has(step))
  return (
    <div>
      {findings.length === 0 ? (
        <p className="text-ink2">{none}</p>
      ) : (
        <div role="list" aria-label="Findings">
          {findings.map((finding) => (
            <div key={findingKey(finding)} role="listitem" className={`finding ${shapes[finding.severity]}`}>
              <Shape kind={shapes[finding.severity]} labelled />
              <p>
                <b>{finding.head}</b> {finding.reason}{' '}
                <span className="underline underline-offset-2 decoration-1">{finding.remedy}</span>
                {finding.worked?.length ? (
                  <Opens
                    className="third small ml-2 text-ink2"
                    label={`${finding.head} Open the calculation`}
                    trigger="Sum"
                  >
                    {finding.worked.map((call) => (
                      <WorkedSum key={call.calc} call={call} />
                    ))}
                  </Opens>
                ) : null}
                {mayBeClosed(finding) ? (
                  <button type="button" className="third small ml-2 text-ink2" onClick={() => setClosing(finding)}>
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
        <form
          className="grid gap-3"
          onSubmit={(event) => {
            event.preventDefault()
            if (closing && reason.trim()) close(closing)
          }}
        >
          <label className="lab" htmlFor="waiver">
            Not applicable, because
          </label>
          <div className="comb text">
            <input id="waiver" value={reason} maxLength={300} onChange={(event) => setReason(event.target.value)} />
          </div>
          <Button type="submit" disabled={reason.trim() === ''}>
            {reason.trim() === '' ? 'Say why first' : 'Close it; it is printed'}
          </Button>
        </form>
      </Dialog>
    </div>
  )
}
