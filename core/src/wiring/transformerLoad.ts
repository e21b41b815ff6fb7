interface TransformerLoad {
  readonly loadVa: number
  readonly usedPercent: number
  readonly enough: boolean
  readonly spareVa: number
}

/** What hangs on a transformer against its rating. Enough when the sum leaves the reserve, a share of the rating. */
export function transformerLoad(
  ratedVa: number,
  loads: readonly { readonly va: number }[],
  reservePercent = 0,
): TransformerLoad {
  const loadVa = loads.reduce((sum, { va }) => sum + va, 0)
  const spareVa = ratedVa * (1 - reservePercent / 100) - loadVa
  return { loadVa, usedPercent: (100 * loadVa) / ratedVa, enough: spareVa >= -1e-9, spareVa }
}
