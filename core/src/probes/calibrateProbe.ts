import { Refused } from '../units/refused'
export const calibrationVerdicts = ['leave', 'not-an-offset', 'beyond-limit', 'offset'] as const
type CalibrationVerdict = (typeof calibrationVerdicts)[number]

interface Calibration {
  /** The new offset to key in; it adds to the reading. */
  readonly offsetK: number
  /** Largest error that stays once the offset is keyed. */
  readonly residualK: number
  /** Change of (reference − shown) per kelvin of reference. */
  readonly slope: number
  readonly verdict: CalibrationVerdict
}

/**
 * A reading held against a reference thermometer at one or more points.
 * Formula: offset = present offset + mean (reference − shown); residual = largest distance of an error from that mean;
 * slope = least squares of the errors over the reference. Judged in this order: leave (every error within the tolerance), not an
 * offset (the residual is over it: wrong kind of probe, lead or placement), beyond the limit, offset.
 * @throws RangeError when no pair is given
 * Source: mean and least squares.
 * @example calibrateProbe([{ referenceC: 20, shownC: 20.4 }, { referenceC: 40, shownC: 40.6 }], 0.3, 3).offsetK // -0.5
 */
export function calibrateProbe(
  pairs: readonly { readonly referenceC: number; readonly shownC: number }[],
  toleranceK: number,
  offsetLimitK: number,
  presentOffsetK = 0,
): Calibration {
  if (pairs.length === 0)
    throw new Refused('pairs', { must: 'other', says: 'are empty: at least one pair of readings is needed' })
  const errors = pairs.map(({ referenceC, shownC }) => referenceC - shownC)
  const mean = errors.reduce((sum, error) => sum + error, 0) / errors.length
  const residualK = Math.max(...errors.map((error) => Math.abs(error - mean)))
  const centre = pairs.reduce((sum, { referenceC }) => sum + referenceC, 0) / pairs.length
  const spread = pairs.reduce((sum, { referenceC }) => sum + (referenceC - centre) ** 2, 0)
  const slope =
    spread === 0
      ? 0
      : pairs.reduce((sum, { referenceC }, i) => sum + (referenceC - centre) * (errors[i]! - mean), 0) / spread
  const reach = (limitK: number) => limitK + 1e-9
  if (errors.every((error) => Math.abs(error) <= reach(toleranceK)))
    return { offsetK: presentOffsetK, residualK, slope, verdict: 'leave' }
  const offsetK = presentOffsetK + mean
  if (residualK > reach(toleranceK)) return { offsetK, residualK, slope, verdict: 'not-an-offset' }
  return { offsetK, residualK, slope, verdict: Math.abs(offsetK) > reach(offsetLimitK) ? 'beyond-limit' : 'offset' }
}
