import { happens } from '@nachtigal/core/check/settings/happens'
import { useState } from 'react'
import { useSetting } from './setting'

/** What the loop does when the probe fails, the supply returns, the clock changes. */
export function Happens() {
  const { context, device, plan } = useSetting()
  const [now] = useState(() => new Date().toISOString())
  return (
    <dl className="happens" aria-label="What happens when">
      {happens(context, device, plan, now).map(({ id, when, then }, i) => (
        <div key={`${id}${i}`} data-happens={id}>
          <dt>{when}</dt>
          <dd>{then}</dd>
        </div>
      ))}
    </dl>
  )
}
