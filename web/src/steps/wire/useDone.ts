import type { StepDone } from '@nachtigal/core/document/documents'
import { useAppSelector } from '../../lib/store'
import { useLoop } from '../../loop/loopContext'

/** Ticks a step of the loop’s wiring, or takes the tick back. */
export function useDone() {
  const { loop, change } = useLoop()
  const by = useAppSelector((state) => state.view.by)
  return (id: string, on: boolean) => {
    const { [id]: _old, ...rest } = loop.wiring.done ?? {}
    const entry: StepDone = { answer: 'yes', by: by || 'unnamed', at: new Date().toISOString() }
    return change({ loop: { ...loop, wiring: { ...loop.wiring, done: on ? { ...rest, [id]: entry } : rest } } })
  }
}
