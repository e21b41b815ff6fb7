/**
 * How far a first-order plant falls in a time without heat.
 * Formula: ΔT = (T − outdoor)(1 − e^(−t H/C)), K.
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
