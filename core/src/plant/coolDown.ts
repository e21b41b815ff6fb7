/**
 * How far a first-order plant falls in a time without heat.
 * Formula: ΔT = (T − outdoor)(1 − e^(−t H/C)), K.
 * Source: first-order heat balance.
 * @example coolDownK(20, -10, 100, 3.6e6, 3600) // 2.85
 */
export function coolDownK(
  temperatureC: number,
  outdoorC: number,
  lossWPerK: number,
  capacityJPerK: number,
  seconds: number,
): number {
  return (temperatureC - outdoorC) * (1 - Math.exp((-seconds * lossWPerK) / capacityJPerK))
}
