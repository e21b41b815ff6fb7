import { Refused } from '../units/refused'
import type { ProbeFault, ResistiveProbe } from './probe'
import { probeCurve } from './probeCurve'
import { readProbe } from './readProbe'

interface FaultyReading {
  readonly probeOhm: number
  /** What the input sees. */
  readonly seenOhm: number
  readonly shownC: number | null
  readonly errorK: number | null
  readonly errs: 'hot' | 'cold' | 'none'
  readonly reason?: ProbeFault
}

/**
 * What is shown when something stands in a probe's line: a bad connection or long leads in series, damp across it in parallel.
 * Formula: seen = (probe ∥ parallel) + series; shown = the curve read backwards there; error = shown − true.
 * An NTC reads cold through a bad connection and hot through damp; platinum, nickel and silicon the other way round.
 * @throws RangeError when the temperature is off the curve
 * @example faultyProbe({ kind: 'rtd', r0Ohm: 100 }, 20, { seriesOhm: 1 }).errorK // 2.575
 */
export function faultyProbe(
  probe: ResistiveProbe,
  temperatureC: number,
  {
    seriesOhm = 0,
    parallelOhm,
  }: { readonly seriesOhm?: number | undefined; readonly parallelOhm?: number | undefined },
): FaultyReading {
  const curve = probeCurve(probe)
  if (!(temperatureC >= curve.lowC && temperatureC <= curve.highC))
    throw new Refused('temperatureC', { must: 'between', value: temperatureC, low: curve.lowC, high: curve.highC })
  const probeOhm = curve.resistance(temperatureC)
  const shunted = parallelOhm === undefined ? probeOhm : (probeOhm * parallelOhm) / (probeOhm + parallelOhm)
  const seenOhm = shunted + seriesOhm
  const rises = curve.resistance(curve.highC) > curve.resistance(curve.lowC)
  const errs = seenOhm === probeOhm ? 'none' : seenOhm > probeOhm === rises ? 'hot' : 'cold'
  const reading = readProbe(probe, seenOhm)
  if (!reading.ok) return { probeOhm, seenOhm, shownC: null, errorK: null, errs, reason: reading.reason }
  return { probeOhm, seenOhm, shownC: reading.temperatureC, errorK: reading.temperatureC - temperatureC, errs }
}
