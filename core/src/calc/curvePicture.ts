import type { ProbeCurve } from '../probes/probeCurve'
import { evenly, type LinesPicture, type Spot } from './picture'

/** The curve of a probe about its spots, with the spots on it. */
export function curvePicture(curve: ProbeCurve, spots: readonly { title: string; at: Spot }[]): LinesPicture {
  const atC = spots[0]?.at[0] ?? 25
  const low = Math.max(curve.lowC, Math.min(-30, atC - 20))
  const high = Math.min(curve.highC, Math.max(110, atC + 20))
  return {
    kind: 'lines',
    x: { title: 'Temperature', quantity: 'temperature' },
    y: { title: 'Resistance', quantity: 'resistance' },
    lines: [{ title: 'Curve', look: 'main', points: evenly(low, high, 81).map((t): Spot => [t, curve.resistance(t)]) }],
    spots,
  }
}
