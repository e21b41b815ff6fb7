/** A place between its switching points, and what moves it. */
interface ReachGiven {
  readonly onC: number
  readonly offC: number
  /** Where it would rest with the output off, °C. */
  readonly restC: number
  readonly powerW: number
  readonly lossWPerK: number
  readonly capacityJPerK: number
  /** By which the probe follows what it feels, 63 %. */
  readonly lagS: number
}

/**
 * Between which temperatures a place really goes that is switched at two points by a probe that comes late: at each point it runs on at the
 * rate that it has there for as long as the lag, and never past where it would come to rest.
 * Formula: past the switching-on point τ L |T_on − T_rest|/C, past the other τ (P − L |T_off − T_rest|)/C. °C.
 * @example lagReach({ onC: 20, offC: 21, restC: 0, powerW: 2000, lossWPerK: 50, capacityJPerK: 2e5, lagS: 60 }) // { lowC: 19.7, highC: 21.285 }
 */
export function lagReach({ onC, offC, restC, powerW, lossWPerK, capacityJPerK, lagS }: ReachGiven): {
  readonly lowC: number
  readonly highC: number
} {
  const heats = onC < offC
  const kPerW = lagS / capacityJPerK
  const fallsK = kPerW * lossWPerK * Math.abs(onC - restC)
  const gainsK = kPerW * Math.max(0, powerW - lossWPerK * Math.abs(offC - restC))
  const mostC = restC + ((heats ? 1 : -1) * powerW) / lossWPerK
  return heats
    ? { lowC: Math.max(restC, onC - fallsK), highC: Math.min(Math.max(offC, mostC), offC + gainsK) }
    : { lowC: Math.max(Math.min(offC, mostC), offC - gainsK), highC: Math.min(restC, onC + fallsK) }
}
