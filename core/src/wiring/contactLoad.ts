import { Refused } from '../units/refused'
import type { ContactRating, ElectricLoad } from '../device/deviceProfile'
import type { LoadKind } from '../choices/deviceChoices'

export type Verdict = 'fits' | 'look-again' | 'does-not-fit'

interface ContactVerdict {
  readonly loadA: number
  /** Highest rating that counts, or null when the leaflet gives none for this kind and voltage. */
  readonly ratedA: number | null
  readonly usedPercent: number | null
  readonly verdict: Verdict
  /** Power factor that was assumed because none was given. */
  readonly assumedPowerFactor?: number
  /** Current at switching on, where a factor was given. */
  readonly inrushA?: number
  readonly remedy?: string
}

/** What a contact must switch at least to stay clean. */
export interface LeastLoad {
  readonly volts: number
  readonly amps: number
}

export type SwitchedLoad = Omit<ElectricLoad, 'powerW'> & {
  readonly powerW?: number | undefined
  readonly phases?: 1 | 3 | undefined
  /** Current at switching on over running current. */
  readonly inrush?: number | undefined
}

const INDUCTIVE = new Set(['motor', 'compressor', 'coil'])

/** Inrush that a rating for this kind of load allows for already; field data inrush.*, its high end. */
export const coveredInrush: Readonly<Record<LoadKind, number>> = {
  resistive: 4,
  motor: 8,
  compressor: 7,
  lamp: 15,
  capacitive: 150,
  coil: 12,
  dc: 4,
}

/**
 * Whether a contact carries a load.
 * Formula: I = P / (U cos φ), three-phase P / (√3 U cos φ); a nameplate current goes first. Only ratings for this kind of load
 * with volts at or over the load's count. Over 80 % of the rating look again, over 100 % it does not fit.
 * Without a power factor motors, compressors and coils are taken at 0.7, and the answer says so. A load under the least that the contact
 * needs, or an inrush over what a rating of its kind covers, is looked at again.
 * @throws RangeError unless volts and power are over 0
 * @example contactLoad([{ load: 'resistive', volts: 250, amps: 16 }], { kind: 'resistive', volts: 230, powerW: 2000 }).loadA // 8.70
 */
export function contactLoad(
  ratings: readonly ContactRating[],
  load: SwitchedLoad,
  minimum?: LeastLoad,
): ContactVerdict {
  const { kind, powerW = 0, volts, amps, powerFactor, phases = 1, inrush } = load
  if (!(volts > 0)) throw new Refused('load.volts', { must: 'over', value: volts, than: 0 })
  if (amps === undefined && !(powerW > 0))
    throw new Refused('load.powerW', {
      must: 'other',
      says: `${load.powerW ?? 'is missing'}: it must be over 0 where there is no nameplate current`,
    })
  const assumed = amps === undefined && powerFactor === undefined && INDUCTIVE.has(kind) ? 0.7 : undefined
  const factor = powerFactor ?? assumed ?? 1
  const loadA = amps ?? powerW / (volts * factor * (phases === 3 ? Math.sqrt(3) : 1))
  const told = {
    ...(assumed === undefined ? {} : { assumedPowerFactor: assumed }),
    ...(inrush === undefined ? {} : { inrushA: loadA * inrush }),
  }
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
  const again = (remedy: string): ContactVerdict => ({
    loadA,
    ratedA,
    usedPercent,
    verdict: 'look-again',
    ...told,
    remedy,
  })
  if (minimum && (loadA < minimum.amps || volts < minimum.volts))
    return again(
      `Under the least this contact needs (${minimum.volts} V, ${minimum.amps} A): take a gold contact, or it oxidises and fails open.`,
    )
  if (inrush !== undefined && inrush > coveredInrush[kind])
    return again(
      `It starts at ${inrush} times its current; a ${kind} rating covers about ${coveredInrush[kind]}. Take a contactor or limit the inrush.`,
    )
  if (usedPercent > 80) return again('Close to the rating: a contactor lasts longer.')
  return { loadA, ratedA, usedPercent, verdict: 'fits', ...told }
}
