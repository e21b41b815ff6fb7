import { useMemo } from 'react'
import { quantityView } from '@nachtigal/core/units/quantity'
import { useLoop } from '../../loop/loopContext'
import { useSetting } from './setting'

/** The controller's display step and the units that are looked at: what an instrument is drawn and moved in. */
export function useDisplay() {
  const { preferences } = useLoop()
  const { device } = useSetting()
  return useMemo(() => {
    const temperature = quantityView('temperature', preferences)
    const difference = quantityView('difference', preferences)
    const display = device.facts.controller?.display
    const step = preferences.temperatureUnit === 'F' ? (display?.stepF ?? 1) : (display?.stepC ?? 0.5)
    // Free of the dust that a change of unit leaves behind.
    const out = (celsius: number) => Number(temperature.toShown(celsius).toFixed(4))
    return {
      temperature,
      difference,
      step,
      stepSi: difference.toSi(step),
      out,
      maybe: (celsius: number | undefined) => (celsius === undefined ? undefined : out(celsius)),
    }
  }, [preferences, device])
}
