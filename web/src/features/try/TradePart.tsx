import { hasTrade } from '@nachtigal/core/check/tradeOff'
import { Cautions } from '../../loop/Cautions'
import { useLoop } from '../../loop/loopContext'
import { TradeOff } from '../../loop/TradeOff'
import { Button } from '../../design/Button'
import { loopAt } from '../../lib/addresses'
import { useTrial } from './trial'

/** What the swing, the band or the minimum off time of the output in hand costs, beside its run. */
export function TradePart() {
  const { job, loop, behaviour } = useLoop()
  const { context, hold, run } = useTrial()
  const plan = behaviour ?? run?.outputs[0]?.plan
  if (!plan || !hasTrade(context, plan)) return <p className="p-4">There is nothing to hold against each other here.</p>
  return (
    <TradeOff plan={plan} context={context} hold={hold}>
      <Cautions step="try" brief />
      <div className="mt-auto action-bar">
        <Button to={loopAt(job.id, loop.id, 'prove')}>Prove it</Button>
      </div>
    </TradeOff>
  )
}
