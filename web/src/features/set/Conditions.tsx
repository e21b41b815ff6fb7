import { conditions } from '@nachtigal/core/settings/conditions'
import { useState } from 'react'
import { useSetting } from './setting'

/** What the loop does when the probe fails, the supply returns, the clock changes: in short, and in full when opened. */
export function Conditions() {
  const { context, device, plan } = useSetting()
  const [now] = useState(() => new Date().toISOString())
  return (
    <div className="happens" role="group" aria-label="How it stands when">
      {conditions(context, device, plan, now).map(({ id, when, short, then }, i) => (
        <details key={`${id}${i}`} data-condition={id}>
          <summary>
            <span>{when}</span> <b>{short}</b>
          </summary>
          <p>{then}</p>
        </details>
      ))}
    </div>
  )
}
