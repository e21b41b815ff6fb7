/** Air that devices move together at full speed by their plates, m³/h. */
export const movedBy = (
  devices: readonly { readonly facts: { readonly load?: { readonly movesM3h?: number } } }[],
): number => devices.reduce((sum, { facts }) => sum + (facts.load?.movesM3h ?? 0), 0)
