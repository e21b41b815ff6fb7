import type { SupplyOutPort, SupplyVariant } from '../device/deviceProfile'

/**
 * The pair of terminals that takes this supply: the variant whose window holds the voltage and whose kind of current agrees.
 * The variant is always derived, so that the wrong pair for a voltage cannot be produced.
 */
export function supplyVariant(
  supply: Pick<SupplyOutPort, 'volts' | 'current'>,
  variants: Readonly<Record<string, SupplyVariant>>,
): (SupplyVariant & { readonly id: string }) | undefined {
  return Object.entries(variants)
    .map(([id, variant]) => ({ ...variant, id }))
    .sort((a, b) => a.order - b.order)
    .find(
      ({ lowV, highV, current }) =>
        supply.volts >= lowV && supply.volts <= highV && (current === 'ac-dc' || current === supply.current),
    )
}
