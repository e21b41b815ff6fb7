/**
 * What several inputs draw from one analogue output.
 * Formula: Σ need ≤ source; spare = 100 (source − need)/source.
 * @returns spare share of what the output can give; under 0 when it is short
 * @example signalBudget(10, [{ needMa: 2 }, { needMa: 3 }]).sparePercent // 50
 */
export function signalBudget(sourceMa: number, loads: readonly { readonly needMa: number }[]) {
  const needMa = loads.reduce((sum, load) => sum + load.needMa, 0)
  return { needMa, sparePercent: (100 * (sourceMa - needMa)) / sourceMa, enough: needMa <= sourceMa + 1e-12 }
}
