import type { Probe } from './probe'
import { probeCurve } from './probeCurve'
import { readProbe } from './readProbe'

export interface Mismatch {
  readonly resistanceOhm: number
  /** What the display shows, or null when the input takes it for a broken probe. */
  readonly shownC: number | null
  readonly reason?: 'open' | 'short' | 'out-of-range'
}

/**
 * What the display does when `fitted` hangs on an input made for `expected`, the probe being at `temperatureC`.
 * Formula: shown = curve of the expected probe, read backwards at the resistance of the fitted one.
 * @throws RangeError when the temperature is off the fitted probe's curve
 */
export function mismatch(
  fitted: Probe,
  expected: Probe,
  temperatureC: number,
  [lowC, highC]: readonly [number, number],
): Mismatch {
  const curve = probeCurve(fitted)
  if (!(temperatureC >= curve.lowC && temperatureC <= curve.highC))
    throw new RangeError(`temperatureC ${temperatureC} must lie between ${curve.lowC} and ${curve.highC} °C`)
  const resistanceOhm = curve.resistance(temperatureC)
  const reading = readProbe(expected, resistanceOhm)
  if (!reading.ok) return { resistanceOhm, shownC: null, reason: reading.reason }
  if (reading.temperatureC < lowC || reading.temperatureC > highC)
    return { resistanceOhm, shownC: null, reason: 'out-of-range' }
  return { resistanceOhm, shownC: reading.temperatureC }
}
