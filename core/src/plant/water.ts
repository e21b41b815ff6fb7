import { Refused } from '../units/refused'
/** Water at 20 °C: what is taken when nobody says otherwise. */
const WATER_KG_PER_M3 = 998.2
export const WATER_J_PER_KG_K = 4182

export interface Liquid {
  readonly densityKgPerM3?: number | undefined
  readonly specificHeatJPerKgK?: number | undefined
}

/**
 * Heat that a volume stores a kelvin, J/K = V ρ c.
 * Formula: C = V ρ c; water unless another liquid is given.
 * @example storedJPerK(1) / 1e6 // 4.17
 */
export const storedJPerK = (volumeM3: number, { densityKgPerM3, specificHeatJPerKgK }: Liquid = {}) =>
  volumeM3 * (densityKgPerM3 ?? WATER_KG_PER_M3) * (specificHeatJPerKgK ?? WATER_J_PER_KG_K)

/**
 * Least volume of a buffer that keeps a source running its shortest time.
 * Formula: V = t (Qs − Ql)/(ρ c ΔT), litres; 0 when the load takes it all.
 * Source: heat balance of the stored water.
 * @example bufferVolumeL(10000, 2000, 600, 8) // 144
 */
export function bufferVolumeL(
  sourceW: number,
  loadW: number,
  minRunS: number,
  swingK: number,
  liquid: Liquid = {},
): number {
  return Math.max(0, (1000 * minRunS * (sourceW - loadW)) / (storedJPerK(1, liquid) * swingK))
}

export interface HeatUpInput extends Liquid {
  readonly volumeM3: number
  readonly fromC: number
  readonly toC: number
  readonly powerW: number
  readonly lossWPerK: number
  readonly ambientC: number
  /** Loss that does not depend on the temperature (evaporation held constant, make-up water), W. */
  readonly constantLossW?: number | undefined
}

interface HeatUp {
  readonly hours: number | null
  /** Where it would come to rest; null when nothing is lost and it would rise for ever. */
  readonly settlesC: number | null
  readonly reason?: 'stops-short' | 'never-warms'
}

/**
 * How long a body of water takes to warm up.
 * Formula: C dT/dt = P − constant − H (T − ambient): t = τ ln((rest − from)/(rest − to)), τ = C/H, rest = ambient + (P − constant)/H;
 * with no loss t = C ΔT/(P − constant).
 * Source: first-order heat balance.
 * @example waterHeatUp({ volumeM3: 1, fromC: 10, toC: 20, powerW: 10000, lossWPerK: 0, ambientC: 20 }).hours // 1.16
 */
export function waterHeatUp(input: HeatUpInput): HeatUp {
  const { volumeM3, fromC, toC, powerW, lossWPerK, ambientC, constantLossW = 0 } = input
  const capacity = storedJPerK(volumeM3, input)
  const netW = powerW - constantLossW
  // A loss too small to matter in a million years is none: its rest lies where nothing can be.
  const rest = lossWPerK > 0 ? ambientC + netW / lossWPerK : Infinity
  const settlesC = Math.abs(rest) < 1e6 ? rest : null
  if (toC <= fromC) return { hours: 0, settlesC }
  if (settlesC === null) {
    if (netW <= 0) return { hours: null, settlesC, reason: 'never-warms' }
    return { hours: (capacity * (toC - fromC)) / netW / 3600, settlesC }
  }
  if (settlesC <= fromC) return { hours: null, settlesC, reason: 'never-warms' }
  const ratio = (settlesC - fromC) / (settlesC - toC)
  if (toC >= settlesC || !Number.isFinite(ratio)) return { hours: null, settlesC, reason: 'stops-short' }
  return { hours: ((capacity / lossWPerK) * Math.log(ratio)) / 3600, settlesC }
}

/**
 * Power that warms a body of water within a time, the loss rising on the way.
 * Formula: rest = (to − from e^(−t/τ))/(1 − e^(−t/τ)), P = H (rest − ambient); with no loss P = C ΔT/t.
 * @throws RangeError unless to is over from
 * @example waterHeaterW({ volumeM3: 1, fromC: 10, toC: 20, lossWPerK: 0, ambientC: 10, hours: 1 }) / 1000 // 11.6
 */
export function waterHeaterW(
  input: Omit<HeatUpInput, 'powerW' | 'constantLossW'> & { readonly hours: number },
): number {
  const { volumeM3, fromC, toC, hours, lossWPerK, ambientC } = input
  if (!(toC > fromC)) throw new Refused('toC', { must: 'over', value: toC, than: fromC, thanField: 'fromC' })
  const capacity = storedJPerK(volumeM3, input)
  const seconds = hours * 3600
  const decayed = (seconds * lossWPerK) / capacity
  // Under this the exponential loses its digits; the straight line is exact there.
  if (decayed < 1e-9) return (capacity * (toC - fromC)) / seconds + lossWPerK * ((fromC + toC) / 2 - ambientC)
  const rest = fromC + (toC - fromC) / -Math.expm1(-decayed)
  return Math.max(0, lossWPerK * (rest - ambientC))
}

/**
 * Temperature of a body of water after a time without heat, and its drop. Formula: T = ambient + (from − ambient) e^(−t H/C).
 * @example waterCoolDown({ volumeM3: 60, fromC: 26, hours: 12, lossWPerK: 1500, ambientC: 12 }).temperatureC // 22.81
 */
export function waterCoolDown(
  input: Liquid & {
    readonly volumeM3: number
    readonly fromC: number
    readonly hours: number
    readonly lossWPerK: number
    readonly ambientC: number
  },
) {
  const { volumeM3, fromC, hours, lossWPerK, ambientC } = input
  const decayed = (hours * 3600 * lossWPerK) / storedJPerK(volumeM3, input)
  const temperatureC = ambientC + (fromC - ambientC) * Math.exp(-decayed)
  return { temperatureC, dropK: fromC - temperatureC }
}
