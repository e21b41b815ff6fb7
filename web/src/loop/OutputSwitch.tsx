import { lineOfOutput } from '@nachtigal/core/wiring/outputPath'
import { useLoop } from './loopContext'

/** Which output is in hand: its path is drawn, its points are set, its run and its test are shown. Nothing where there is one. */
export function OutputSwitch({ className = '' }: { className?: string }) {
  const { plans, plan, chain, takeOutput } = useLoop()
  if (plans.length < 2) return null
  return (
    <div className={`flex ${className}`} role="group" aria-label="Output in hand">
      {plans.map(({ id, output }) => {
        const port = chain.devices.find((device) => device.id === output.device)?.facts.ports[output.port]
        const load = lineOfOutput(chain, output)?.load.tag
        const chosen = id === plan?.id
        return (
          <button
            key={id}
            type="button"
            aria-pressed={chosen}
            className={`cond text-[15px] px-2.5 min-h-7 max-md:min-h-12 max-md:flex-1 border-r border-line ${chosen ? 'chosen' : 'underline underline-offset-2'}`}
            onClick={() => takeOutput(id)}
          >
            {port?.title ?? output.port}
            {load ? `, ${load}` : ''}
          </button>
        )
      })}
    </div>
  )
}
