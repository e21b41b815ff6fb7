import { electricLoad } from '../wiring/electricLoad'
import type { ElectricLoad } from '../device/deviceProfile'

/** Figures on plates are rounded: so much they may differ before one contradicts the others. */
const ROUNDED_SHARE = 0.15

/**
 * What the volts and amperes of a plate carry, where its power contradicts them: more than they carry, or of a heater less.
 * @returns W; undefined where nothing contradicts, or where no current stands on it
 * Source: P is at most V I, √3 V I with three phases; a heater takes all of it.
 * @example plateContradiction({ kind: 'resistive', powerW: 6000, volts: 120, amps: 10 }) // 1200
 */
export function plateContradiction({
  kind,
  powerW,
  volts,
  amps,
  phases = 1,
}: Pick<ElectricLoad, 'kind' | 'powerW' | 'volts' | 'amps' | 'phases'>): number | undefined {
  if (amps === undefined || !(amps > 0) || !(volts > 0)) return undefined
  const { va } = electricLoad({ volts, phases, amps })
  const over = powerW > va * (1 + ROUNDED_SHARE)
  const under = kind === 'resistive' && powerW < va * (1 - ROUNDED_SHARE)
  return over || under ? va : undefined
}
