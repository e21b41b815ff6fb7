import type { SupplyOutPort } from '../device/deviceProfile'

/** What a supply gives, as far as volts go. */
export type Gives = Pick<SupplyOutPort, 'volts' | 'l3' | 'earth'> & Partial<Pick<SupplyOutPort, 'neutral'>>

/**
 * Volts that a supply puts across what hangs on it, V: what it gives between its lines; of three phases, where only one is taken, from
 * one line to neutral, and nothing where no neutral comes with them: earth never stands in for it.
 * Formula: U/√3 of a star, to whole volts; else U.
 * @example voltsAcross({ volts: 208, l3: 'L3', neutral: 'N', earth: 'G' }) // 120
 */
export function voltsAcross({ volts, l3, neutral, earth }: Gives, phases: number = 1): number {
  if (l3 === undefined || phases === 3) return volts
  return neutral === earth ? 0 : Math.round(volts / Math.sqrt(3))
}
