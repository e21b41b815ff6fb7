const ZERO_K = 273.15

/**
 * What a heat pump gives for each watt that it takes.
 * Formula: Carnot = T hot/(T hot − T cold) in kelvin; cop = Carnot times its quality.
 * @param qualityPercent share of the ideal that it reaches
 * @returns undefined where it would lift nothing
 * Source: second law; 40 to 50 % of the ideal are usual (practice).
 * @example heatPumpEfficiency(0, 35, 45).cop // 3.962
 */
export function heatPumpEfficiency(sourceC: number, supplyC: number, qualityPercent: number) {
  if (!(supplyC > sourceC)) return undefined
  const carnot = (supplyC + ZERO_K) / (supplyC - sourceC)
  return { carnot, cop: (carnot * qualityPercent) / 100 }
}
