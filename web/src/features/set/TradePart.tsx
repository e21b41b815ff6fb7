import { hasTrade } from '@nachtigal/core/check/tradeOff'
import { TradeOff } from '../../loop/TradeOff'
import { Cautions } from '../../loop/Cautions'
import { Findings } from '../../loop/Findings'
import { Button } from '../../design/Button'
import { loopAt } from '../../lib/addresses'
import { useSetting } from './setting'
import { useLoop } from '../../loop/loopContext'

/** What the swing, the band or the minimum off time of the output in hand costs. */
export function TradePart() {
  const { job, loop, behaviour } = useLoop()
  const { context, hold, findings } = useSetting()
  if (!behaviour || !hasTrade(context, behaviour))
    return <p className="p-4">There is nothing to hold against each other here.</p>
  return (
    <TradeOff plan={behaviour} context={context} hold={hold}>
      <Findings findings={findings} />
      <Cautions step="set" brief />
      <div className="mt-auto action-bar">
        <Button to={loopAt(job.id, loop.id, 'set', 'keying')}>Write the keying sheet</Button>
      </div>
    </TradeOff>
  )
}
