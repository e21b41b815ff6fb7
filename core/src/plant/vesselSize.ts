/** Air around us, kPa. */
const ATMOSPHERE_KPA = 101.325

export interface VesselInput {
  readonly systemL: number
  readonly coldKgPerM3: number
  readonly hotKgPerM3: number
  /** Both over the air around, kPa. */
  readonly chargeKpa: number
  readonly limitKpa: number
  /** Of the system's water, held in the vessel cold. */
  readonly reservePercent?: number
}

/** Why no vessel does it. */
export type VesselReason = 'does-not-expand' | 'no-room'

/**
 * The expansion vessel that takes what a system's water grows by.
 * Formula: expanded = system (ρ cold/ρ hot − 1); acceptance = (limit − charge)/(limit + 101.325); vessel = (expanded + reserve)/acceptance.
 * @returns the litres, or why there are none: the water does not grow, or the charge stands at the limit already
 * Source: Boyle's law at one temperature of the gas; practice for the reserve (EN 12828).
 * @example vesselSize({ systemL: 200, coldKgPerM3: 999.7, hotKgPerM3: 971.79, chargeKpa: 100, limitKpa: 270 }).vesselL // 12.55
 */
export function vesselSize({
  systemL,
  coldKgPerM3,
  hotKgPerM3,
  chargeKpa,
  limitKpa,
  reservePercent = 0,
}: VesselInput): {
  readonly expandedL: number
  readonly acceptance: number | null
  readonly vesselL: number | null
  readonly reason?: VesselReason
} {
  const expandedL = systemL * (coldKgPerM3 / hotKgPerM3 - 1)
  if (!(limitKpa > chargeKpa)) return { expandedL, acceptance: null, vesselL: null, reason: 'no-room' }
  const acceptance = (limitKpa - chargeKpa) / (limitKpa + ATMOSPHERE_KPA)
  if (!(expandedL > 0)) return { expandedL, acceptance, vesselL: null, reason: 'does-not-expand' }
  return { expandedL, acceptance, vesselL: (expandedL + (systemL * reservePercent) / 100) / acceptance }
}
