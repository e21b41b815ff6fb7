import { sameCurve } from './sameCurve'
import type { Probe, ProbePart } from './probe'

/**
 * What a fitter calls a curve: the part that has it, or its law and value.
 * @example probeName({ kind: 'rtd', r0Ohm: 1000 }, []) // 'Pt1000'
 */
export function probeName(probe: Probe, parts: readonly ProbePart[]): string {
  const part = parts.find(({ curve }) => sameCurve(curve, probe))
  if (part) return part.title
  switch (probe.kind) {
    case 'rtd':
      return `Pt${probe.r0Ohm}`
    case 'ntc':
      return `NTC ${probe.r25Ohm / 1000}k, B ${probe.betaK}`
    case 'nickel':
      return `Nickel ${probe.r0Ohm}, ${probe.ppmPerK} ppm/K`
    case 'ptc-silicon':
      return `Silicon PTC ${probe.r25Ohm / 1000}k`
    case 'thermocouple':
      return `Thermocouple ${probe.type}`
    case 'linear':
      return `${probe.signal}, ${probe.lowC} to ${probe.highC} °C`
    case 'steinhart':
      return 'thermistor by its three coefficients'
    case 'table':
      return 'by its own table'
  }
}
