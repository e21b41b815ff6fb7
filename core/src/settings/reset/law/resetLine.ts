import { Refused } from '../../../units/refused'
export interface ResetLine {
  readonly designOutdoorC: number
  readonly designSupplyC: number
  readonly warmOutdoorC: number
  readonly warmSupplyC: number
  readonly minimumSupplyC?: number | undefined
  readonly maximumSupplyC?: number | undefined
  readonly shutdownAboveC?: number | undefined
  readonly frostBelowC?: number | undefined
  readonly frostSupplyC?: number | undefined
}

/**
 * Kelvins of supply per kelvin of outdoor, positive when the supply rises as it gets colder.
 * Formula: (supply cold − supply warm)/(outdoor warm − outdoor cold).
 * @example resetRatio({ designOutdoorC: -10, designSupplyC: 50, warmOutdoorC: 20, warmSupplyC: 26 }) // 0.8
 */
export const resetRatio = ({ designOutdoorC, designSupplyC, warmOutdoorC, warmSupplyC }: ResetLine) =>
  (designSupplyC - warmSupplyC) / (warmOutdoorC - designOutdoorC)

/**
 * Prepares a reset line: supply temperature over outdoor temperature, `null` where it is shut down for warm weather.
 * Straight through the design and the warm point, and on beyond them up to the maximum and down to the minimum; where one of those is not
 * given it is level beyond that point. Under the frost limit the frost supply is the least, and that stands above the warm-weather shut-down;
 * the maximum stands above all.
 * Formula: supply = design supply + (outdoor − design outdoor) × (warm supply − design supply)/(warm outdoor − design outdoor).
 * @throws RangeError unless the warm point is the warmer and the limits do not cross
 * @example resetLine({ designOutdoorC: -10, designSupplyC: 50, warmOutdoorC: 20, warmSupplyC: 26 })(5) // 38
 */
export function resetLine(line: ResetLine): (outdoorC: number) => number | null {
  const { designOutdoorC, designSupplyC, warmOutdoorC, minimumSupplyC, maximumSupplyC } = line
  const { shutdownAboveC, frostBelowC, frostSupplyC } = line
  if (!(warmOutdoorC > designOutdoorC))
    throw new Refused('warmOutdoorC', {
      must: 'over',
      value: warmOutdoorC,
      than: designOutdoorC,
      thanField: 'designOutdoorC',
    })
  if (minimumSupplyC !== undefined && maximumSupplyC !== undefined && minimumSupplyC > maximumSupplyC)
    throw new Refused('minimumSupplyC', {
      must: 'not over',
      value: minimumSupplyC,
      than: maximumSupplyC,
      thanField: 'maximumSupplyC',
    })
  if ((frostBelowC === undefined) !== (frostSupplyC === undefined))
    throw new Refused(frostBelowC === undefined ? 'frostBelowC' : 'frostSupplyC', {
      must: 'other',
      says: 'is missing: frost limit and frost supply belong together',
    })
  const ratio = resetRatio(line)
  const highest = maximumSupplyC ?? Infinity
  const supplyAt = (outdoorC: number) => designSupplyC - ratio * (outdoorC - designOutdoorC)
  return (outdoorC) => {
    const heldC = supplyAt(Math.min(warmOutdoorC, Math.max(designOutdoorC, outdoorC)))
    const onC = supplyAt(outdoorC)
    const straight = (onC > heldC ? maximumSupplyC : minimumSupplyC) === undefined ? heldC : onC
    const supply = Math.max(minimumSupplyC ?? -Infinity, straight)
    if (frostBelowC !== undefined && outdoorC < frostBelowC) return Math.min(highest, Math.max(supply, frostSupplyC!))
    if (shutdownAboveC !== undefined && outdoorC > shutdownAboveC) return null
    return Math.min(highest, supply)
  }
}
