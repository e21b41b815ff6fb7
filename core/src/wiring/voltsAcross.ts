import type { SupplyOutPort } from '../device/deviceProfile'

/**
 * Volts that a supply puts across what hangs on it, V: what it gives between its lines; of three phases, where only one is taken, from
 * one line to neutral.
 * Formula: U/√3 of a star, to whole volts; else U.
 * @example voltsAcross({ volts: 208, l3: 'L3' }) // 120
 */
export const voltsAcross = ({ volts, l3 }: Pick<SupplyOutPort, 'volts' | 'l3'>, phases: number = 1): number =>
  l3 === undefined || phases === 3 ? volts : Math.round(volts / Math.sqrt(3))
