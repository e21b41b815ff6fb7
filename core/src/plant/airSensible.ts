import { Refused } from '../units/refused'
import { STANDARD_PRESSURE_PA } from './moistAir'

/** Gas constant of dry air, J/kgK, and its heat at constant pressure, J/kgK. */
const R_AIR = 287.05
const CP_AIR = 1006
const ZERO_K = 273.15

/**
 * Heat that moved air carries. The one place where it is worked out: ventilation, filter fans, kept rooms.
 * Formula: P = ρ cp V ΔT/3600, ρ = p/(287.05 T).
 * @param flowM3PerH at that temperature and pressure
 * @throws RangeError unless the temperature is over absolute zero and the pressure over 0
 * Source: ideal gas, R 287.05 J/(kg K); cp of air 1006 J/(kg K).
 * @example airSensible(100, 10).powerW // 336
 */
export function airSensible(
  flowM3PerH: number,
  dropK: number,
  temperatureC = 20,
  pressurePa = STANDARD_PRESSURE_PA,
): { readonly powerW: number; readonly wPerK: number } {
  if (!(temperatureC > -ZERO_K)) throw new Refused('temperatureC', { must: 'over', value: temperatureC, than: -ZERO_K })
  if (!(pressurePa > 0)) throw new Refused('pressurePa', { must: 'over', value: pressurePa, than: 0 })
  const wPerK = (pressurePa / (R_AIR * (temperatureC + ZERO_K))) * CP_AIR * (flowM3PerH / 3600)
  return { powerW: wPerK * dropK, wPerK }
}
