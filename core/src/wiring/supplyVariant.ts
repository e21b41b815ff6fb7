import { type Gives, voltsAcross } from './voltsAcross'
import type { SupplyOutPort, SupplyVariant } from '../device/deviceProfile'

/**
 * The pair of terminals that takes this supply: the variant whose window holds the voltage and whose kind of current agrees.
 * The variant is always derived, so that the wrong pair for a voltage cannot be produced.
 */
export function supplyVariant(
  supply: Gives & Pick<SupplyOutPort, 'current'>,
  variants: Readonly<Record<string, SupplyVariant>>,
): (SupplyVariant & { readonly id: string }) | undefined {
  // What is fed takes one phase.
  const volts = voltsAcross(supply)
  return Object.entries(variants)
    .map(([id, variant]) => ({ ...variant, id }))
    .sort((a, b) => a.order - b.order)
    .find(
      ({ lowV, highV, current }) =>
        volts >= lowV && volts <= highV && (current === 'ac-dc' || current === supply.current),
    )
}
