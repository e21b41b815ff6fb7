import { tickStep } from '@nachtigal/core/actions/tickStep'
import { useAct } from '../../loop/useAct'

/** Ticks a step of the loop’s wiring, or takes the tick back. */
export function useDone() {
  const act = useAct()
  return (step: string, on: boolean) => act(tickStep, { step, on })
}
