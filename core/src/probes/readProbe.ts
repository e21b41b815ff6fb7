import { liveZero, signalPercent, signalSpan } from '../signal/signal'
import type { LinearProbe, ProbeReading, ResistiveProbe } from './probe'
import { probeCurve } from './probeCurve'

/** How far a resistance may lie beyond the end of a curve and still be its end: the last digit of a printed table. */
const DUST = 1e-9

/**
 * What temperature a resistance means on this probe.
 * `null` is the meter's over-range. Open: over ten times the curve's highest value. Short: under a tenth of its lowest.
 * In between but off the curve: out of range. A failed probe is an outcome, never an exception.
 * Formula: the curve of the probe read backwards. Source: as `probeCurve`.
 * @example readProbe({ kind: 'rtd', r0Ohm: 100 }, 138.51).temperatureC // 100.0
 */
export function readProbe(probe: ResistiveProbe, resistanceOhm: number | null): ProbeReading {
  const curve = probeCurve(probe)
  const [atLow, atHigh] = [curve.resistance(curve.lowC), curve.resistance(curve.highC)]
  const lowest = Math.min(atLow, atHigh)
  const highest = Math.max(atLow, atHigh)
  if (resistanceOhm === null || resistanceOhm > 10 * highest) return { ok: false, reason: 'open' }
  if (resistanceOhm < lowest / 10) return { ok: false, reason: 'short' }
  if (resistanceOhm < lowest * (1 - DUST) || resistanceOhm > highest * (1 + DUST))
    return { ok: false, reason: 'out-of-range' }
  if (resistanceOhm <= lowest || resistanceOhm >= highest)
    return {
      ok: true,
      temperatureC: Math.abs(resistanceOhm - atLow) < Math.abs(resistanceOhm - atHigh) ? curve.lowC : curve.highC,
    }
  return { ok: true, temperatureC: curve.temperature(resistanceOhm) }
}

/**
 * What temperature a transmitter's signal means.
 * Off its span it is out of range; under nine tenths of a live zero (3.6 mA, 1.8 V) the wire or the supply is gone: open.
 * Formula: low + (value − least)/(most − least) × (high − low). Source: live zero of IEC 60381-1.
 * @example readTransmitter({ kind: 'linear', signal: '4-20mA', lowC: 0, highC: 100 }, 12).temperatureC // 50
 */
export function readTransmitter({ signal, lowC, highC }: LinearProbe, value: number | null): ProbeReading {
  const span = signalSpan(signal)
  if (value === null) return { ok: false, reason: 'out-of-range' }
  if (value < 0.9 * liveZero(span)) return { ok: false, reason: 'open' }
  const percent = signalPercent(span, value)
  if (percent < -DUST || percent > 100 + DUST) return { ok: false, reason: 'out-of-range' }
  return { ok: true, temperatureC: lowC + ((highC - lowC) * percent) / 100 }
}
