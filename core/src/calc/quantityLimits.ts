import type { Quantity } from '../units/quantity'
import type { NumberField } from './field'

/**
 * What a quantity can be at all, in its own unit: a guard against slips of the keyboard and against sums that run out of numbers.
 * An entry's own limits are narrower where its formula ends sooner.
 */
const limits: Partial<Readonly<Record<Quantity, readonly [least: number, most: number]>>> = {
  temperature: [-273.15, 3000],
  difference: [-3000, 3000],
  percent: [-1e6, 1e6],
  hours: [-1e9, 1e9],
  seconds: [-1e12, 1e12],
}
const otherwise = [-1e12, 1e12] as const

/** Bounds of a number field: its own, or what its quantity can be. `over` cannot be reached. */
export function boundsOf({ quantity, min, max, over }: NumberField) {
  const [least, most] = limits[quantity] ?? otherwise
  return { min: over === undefined ? (min ?? least) : undefined, over, max: max ?? most }
}
