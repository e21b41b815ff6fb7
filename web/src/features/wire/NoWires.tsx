import type { ComponentProps } from 'react'
import { useLoop } from '../../loop/loopContext'
import { Button } from '../../design/Button'
import { WireFrame } from './WireFrame'
import { loopAt } from '../../lib/addresses'

/** What a part shows before the chain gives any wire. */
export function NoWires({ part }: Pick<ComponentProps<typeof WireFrame>, 'part'>) {
  const { job, loop } = useLoop()
  return (
    <WireFrame part={part}>
      <div className="p-6">
        <h2 className="h2">No wires yet</h2>
        <p className="my-2">The steps are made from the list, the list from the chain.</p>
        <div className="max-w-xs">
          <Button to={loopAt(job.id, loop.id, 'match')}>Match the chain</Button>
        </div>
      </div>
    </WireFrame>
  )
}
