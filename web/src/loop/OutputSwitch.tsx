import { reachOf } from '@nachtigal/core/wiring/reach'
import { useLoop } from './loopContext'

/** Which output is in hand: its path is drawn, its points are set, its run and its test are shown. Nothing where there is one. */
export function OutputSwitch({ className = '' }: { className?: string }) {
  const { outputs, output: inHand, chain, takeOutput } = useLoop()
  if (outputs.length < 2) return null
  const controllers = new Set(outputs.map(({ output }) => output.device)).size
  return (
    <div className={`flex overflow-x-auto ${className}`} role="group" aria-label="Output in hand">
      {outputs.map(({ key, output }) => {
        const device = chain.devices.find(({ id }) => id === output.device)
        const port = device?.facts.ports[output.port]
        const load = reachOf(chain, output)[0]?.device.tag
        const chosen = key === inHand?.key
        return (
          <button
            key={key}
            type="button"
            aria-pressed={chosen}
            className={`cond text-[15px] px-2.5 min-h-7 max-md:min-h-12 max-md:flex-1 border-r border-line whitespace-nowrap ${chosen ? 'chosen' : 'underline underline-offset-2'}`}
            onClick={() => takeOutput(key)}
          >
            {controllers > 1 ? `${device?.tag ?? ''} ` : ''}
            {port?.title ?? output.port}
            {load ? `, ${load}` : ''}
          </button>
        )
      })}
    </div>
  )
}
