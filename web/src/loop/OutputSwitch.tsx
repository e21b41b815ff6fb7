import { reachOf } from '@nachtigal/core/wiring/reach'
import { useLoop } from './loopContext'

/** Each output of the loop as a fitter calls it: its port and what it drives, with the controller's tag where there are several. */
export function useOutputLabels(): readonly { readonly key: string; readonly label: string }[] {
  const { outputs, chain } = useLoop()
  const controllers = new Set(outputs.map(({ output }) => output.device)).size
  return outputs.map(({ key, output }) => {
    const device = chain.devices.find(({ id }) => id === output.device)
    const load = reachOf(chain, output)[0]?.device.tag
    const port = device?.facts.ports[output.port]?.title ?? output.port
    return { key, label: `${controllers > 1 ? `${device?.tag ?? ''} ` : ''}${port}${load ? `, ${load}` : ''}` }
  })
}

/** Which output is in hand: its path is drawn, its points are set, its run and its test are shown. Nothing where there is one. */
export function OutputSwitch({ className = '' }: { className?: string }) {
  const { output: inHand, takeOutput } = useLoop()
  const labels = useOutputLabels()
  if (labels.length < 2) return null
  return (
    <div className={`flex overflow-x-auto ${className}`} role="group" aria-label="Output in hand">
      {labels.map(({ key, label }) => {
        const chosen = key === inHand?.key
        return (
          <button
            key={key}
            type="button"
            aria-pressed={chosen}
            className={`cond text-[15px] px-2.5 min-h-7 max-md:min-h-12 max-md:flex-1 border-r border-line whitespace-nowrap ${chosen ? 'chosen' : 'underline underline-offset-2'}`}
            onClick={() => takeOutput(key)}
          >
            {label}
          </button>
        )
      })}
    </div>
  )
}
