import type { ContactRating, ElectricLoad } from '../profile/deviceProfile'

export type Verdict = 'fits' | 'look-again' | 'does-not-fit'

export interface ContactVerdict {
  readonly loadA: number
  /** Highest rating that counts, or null when the leaflet gives none for this kind and voltage. */
  readonly ratedA: number | null
  readonly usedPercent: number | null
  readonly verdict: Verdict
  /** Power factor that was assumed because none was given. */
  readonly assumedPowerFactor?: number
  readonly remedy?: string
}

const INDUCTIVE = new Set(['motor', 'compressor', 'coil'])

/**
 * Whether a contact carries a load.
 * Formula: I = P / (U cos φ), three-phase P / (√3 U cos φ); a nameplate current goes first. Only ratings for this kind of load
 * with volts at or over the load's count. Over 80 % of the rating look again, over 100 % it does not fit.
 * Without a power factor motors, compressors and coils are taken at 0.7, and the answer says so.
 * @throws RangeError unless volts and power are over 0
 */
export function contactLoad(
  ratings: readonly ContactRating[],
  load: ElectricLoad & { readonly phases?: 1 | 3 | undefined },
): ContactVerdict {
  const { kind, powerW, volts, amps, powerFactor, phases = 1 } = load
  if (!(volts > 0)) throw new RangeError(`load volts ${volts} must be over 0`)
  if (amps === undefined && !(powerW > 0)) throw new RangeError(`load powerW ${powerW} must be over 0`)
  const assumed = amps === undefined && powerFactor === undefined && INDUCTIVE.has(kind) ? 0.7 : undefined
  const factor = powerFactor ?? assumed ?? 1
  const loadA = amps ?? powerW / (volts * factor * (phases === 3 ? Math.sqrt(3) : 1))
  const told = assumed === undefined ? {} : { assumedPowerFactor: assumed }
  const counting = ratings
    .filter((rating) => rating.load === kind && rating.volts >= volts)
    .map((rating) => rating.amps)
  if (counting.length === 0)
    return {
      loadA,
      ratedA: null,
      usedPercent: null,
      verdict: 'look-again',
      ...told,
      remedy: `The leaflet gives no ${kind} rating at ${volts} V. Ask for it, or put a contactor between.`,
    }
  const ratedA = Math.max(...counting)
  const usedPercent = (100 * loadA) / ratedA
  if (usedPercent > 100)
    return {
      loadA,
      ratedA,
      usedPercent,
      verdict: 'does-not-fit',
      ...told,
      remedy: `Put a contactor rated over ${Math.ceil(loadA / 0.8)} A between.`,
    }
  if (usedPercent > 80)
    return {
      loadA,
      ratedA,
      usedPercent,
      verdict: 'look-again',
      ...told,
      remedy: 'Close to the rating: a contactor lasts longer.',
    }
  return { loadA, ratedA, usedPercent, verdict: 'fits', ...told }
}
