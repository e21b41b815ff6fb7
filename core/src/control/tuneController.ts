import { Refused } from '../units/refused'
export const tuningMethods = ['simc', 'cohen-coon', 'ziegler-nichols'] as const
export type TuningMethod = (typeof tuningMethods)[number]

interface Tuning {
  /** Gain of the controller, % per kelvin. */
  readonly gainPercentPerK: number
  readonly bandK: number
  readonly resetS: number
  readonly rateS: number
}

/**
 * Controller settings from a step test: gain of the plant, time constant T and dead time L.
 * `simc` (Skogestad 2003): PI, closed loop as slow as the dead time: Kc = T/(K 2L), Ti = min(T, 8L).
 * `ziegler-nichols` (1942, reaction curve): PID, Kc = 1.2 T/(K L), Ti = 2L, Td = L/2.
 * `cohen-coon` (1953): PID, with r = L/T: Kc = (4/3 + r/4)/(K r), Ti = L (32 + 6r)/(13 + 8r), Td = 4L/(11 + 2r).
 * The band is 100 % over the gain of the controller.
 * Source: Skogestad (2003); Ziegler and Nichols (1942); Chien, Hrones and Reswick (1952) where named.
 * @throws RangeError unless gain, time constant and dead time are over 0
 * @example tuneController(0.5, 600, 60, 'simc').gainPercentPerK // 10
 */
export function tuneController(
  gainKPerPercent: number,
  timeConstantS: number,
  deadS: number,
  method: TuningMethod,
): Tuning {
  for (const [name, value] of Object.entries({ gainKPerPercent, timeConstantS, deadS }))
    if (!(value > 0)) throw new Refused(name, { must: 'over', value: value, than: 0 })
  const [k, t, l] = [gainKPerPercent, timeConstantS, deadS]
  const r = l / t
  const settings = {
    simc: { gain: t / (k * 2 * l), resetS: Math.min(t, 8 * l), rateS: 0 },
    'ziegler-nichols': { gain: (1.2 * t) / (k * l), resetS: 2 * l, rateS: l / 2 },
    'cohen-coon': {
      gain: (4 / 3 + r / 4) / (k * r),
      resetS: (l * (32 + 6 * r)) / (13 + 8 * r),
      rateS: (4 * l) / (11 + 2 * r),
    },
  }[method]
  return { gainPercentPerK: settings.gain, bandK: 100 / settings.gain, resetS: settings.resetS, rateS: settings.rateS }
}
