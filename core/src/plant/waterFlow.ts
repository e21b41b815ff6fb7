/** The flow that carries a power, and what each kelvin of it is worth. */
export interface WaterFlow {
  /** m³/h */
  readonly flowM3PerH: number
  /** US gallons a minute. */
  readonly flowGpm: number
}

const LITRES_A_GALLON = 3.785411784

/**
 * The flow of a liquid that carries a power at a drop.
 * Formula: V = 3600 P/(ρ c ΔT).
 * @param powerW what it carries, W
 * @param dropK how much it cools on its way, K; over 0
 * @param liquid its density in kg/m³ and specific heat in J/kgK at its temperature
 * @returns undefined where the drop is zero or less: no flow carries anything then
 * Source: heat balance.
 * @example waterFlow(10_000, 10, { densityKgPerM3: 992.22, specificHeatJPerKgK: 4179 }).flowM3PerH // 0.8682
 */
export function waterFlow(
  powerW: number,
  dropK: number,
  liquid: { readonly densityKgPerM3: number; readonly specificHeatJPerKgK: number },
): WaterFlow | undefined {
  if (!(dropK > 0)) return undefined
  const flowM3PerH = (3600 * powerW) / (liquid.densityKgPerM3 * liquid.specificHeatJPerKgK * dropK)
  return { flowM3PerH, flowGpm: (flowM3PerH * 1000) / 60 / LITRES_A_GALLON }
}
