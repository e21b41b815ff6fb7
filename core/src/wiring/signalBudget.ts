/** What several inputs draw from one analogue output. @returns spare share of what the output can give; under 0 when it is short */
export function signalBudget(sourceMa: number, loads: readonly { readonly needMa: number }[]) {
  const needMa = loads.reduce((sum, load) => sum + load.needMa, 0)
  return { needMa, sparePercent: (100 * (sourceMa - needMa)) / sourceMa, enough: needMa <= sourceMa + 1e-12 }
}
