/** Why no mixing gives it. */
export type MixingReason = 'colder-than-cold' | 'hotter-than-hot' | 'no-difference'

/**
 * The share of hot that gives a mixed temperature.
 * Formula: hot = (mixed − cold)/(hot − cold).
 * @returns the share in percent, or why there is none
 * Source: heat balance of two flows of one liquid.
 * @example mixingRatio(60, 20, 30).hotPercent // 25
 */
export function mixingRatio(
  hotC: number,
  coldC: number,
  mixedC: number,
): { readonly hotPercent: number | null; readonly reason?: MixingReason } {
  if (!(hotC > coldC)) return { hotPercent: null, reason: 'no-difference' }
  if (mixedC < coldC) return { hotPercent: null, reason: 'colder-than-cold' }
  if (mixedC > hotC) return { hotPercent: null, reason: 'hotter-than-hot' }
  return { hotPercent: (100 * (mixedC - coldC)) / (hotC - coldC) }
}
