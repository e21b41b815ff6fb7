import type { Probe, ProbeReading } from './probe'
import { probeCurve } from './probeCurve'

/**
 * What temperature a resistance means on this probe.
 * `null` is the meter's over-range. Open: over ten times the curve's highest value. Short: under a tenth of its lowest.
 * In between but off the curve: out of range. A failed probe is an outcome, never an exception.
 */
export function readProbe(probe: Probe, resistanceOhm: number | null): ProbeReading {
  const curve = probeCurve(probe)
  const ends = [curve.resistance(curve.lowC), curve.resistance(curve.highC)]
  const lowest = Math.min(...ends)
  const highest = Math.max(...ends)
  if (resistanceOhm === null || resistanceOhm > 10 * highest) return { ok: false, reason: 'open' }
  if (resistanceOhm < lowest / 10) return { ok: false, reason: 'short' }
  if (resistanceOhm < lowest || resistanceOhm > highest) return { ok: false, reason: 'out-of-range' }
  return { ok: true, temperatureC: curve.temperature(resistanceOhm) }
}
