import { Refused } from '../units/refused'
/**
 * Cycles an hour at the worst load, which is half load: 3600 P / (4 C ΔT).
 * When the load never reaches half of the power, the duty caps it: 3600 P d(1 − d) / (C ΔT), d at most 0.5.
 * Source: heat balance of a store between two points: on time C ΔT/(P − load), off time C ΔT/load, shortest together at half load.
 * @throws RangeError unless power, capacity and swing are over 0 and the duty lies between 0 and 100 %
 * @example worstCycling(2000, 200_000, 1) // 9
 */
export function worstCycling(powerW: number, capacityJPerK: number, swingK: number, maximumDutyPercent = 50): number {
  for (const [name, value] of Object.entries({ powerW, capacityJPerK, swingK }))
    if (!(value > 0)) throw new Refused(name, { must: 'over', value: value, than: 0 })
  if (!(maximumDutyPercent >= 0 && maximumDutyPercent <= 100))
    throw new Refused('maximumDutyPercent', { must: 'between', value: maximumDutyPercent, low: 0, high: 100 })
  const duty = Math.min(0.5, maximumDutyPercent / 100)
  return (3600 * powerW * duty * (1 - duty)) / (capacityJPerK * swingK)
}

interface RestedCycling {
  readonly cyclesPerHour: number
  /** Share of full load at which it cycles most. */
  readonly dutyPercent: number
  /** Whether the least rest decides, and not the swing. */
  readonly minimumOffRules: boolean
}

/**
 * Cycles an hour at the worst load of a plant that has to rest after each stop: as `worstCycling` while the swing alone gives at least
 * that rest at half load. A longer rest rules from the duty d* = C ΔT / (P t) on, where off takes just that long, and is worst there:
 * 3600 (1 − d*) / t.
 * Formula: 3600/(off time + on time) with the off time held at the minimum.
 * @throws RangeError unless power, capacity and swing are over 0 and the rest 0 or more
 * @example worstCyclingRested(2000, 200_000, 1, 300).cyclesPerHour // 8
 */
export function worstCyclingRested(
  powerW: number,
  capacityJPerK: number,
  swingK: number,
  minimumOffS: number,
): RestedCycling {
  const free = worstCycling(powerW, capacityJPerK, swingK)
  if (!(minimumOffS >= 0)) throw new Refused('minimumOffS', { must: 'or more', value: minimumOffS, than: 0 })
  const duty = minimumOffS > 0 ? (capacityJPerK * swingK) / (powerW * minimumOffS) : Infinity
  if (duty >= 0.5) return { cyclesPerHour: free, dutyPercent: 50, minimumOffRules: false }
  return { cyclesPerHour: (3600 * (1 - duty)) / minimumOffS, dutyPercent: 100 * duty, minimumOffRules: true }
}

/**
 * The narrowest swing that keeps under a rate of cycles: the same formula turned round.
 * Source: half load of a first-order plant, ΔT = 3600 P/(4 C n).
 * @example swingForRate(1000, 1e6, 3) // 0.3
 */
export function swingForRate(powerW: number, capacityJPerK: number, cyclesPerHour: number): number {
  for (const [name, value] of Object.entries({ powerW, capacityJPerK, cyclesPerHour }))
    if (!(value > 0)) throw new Refused(name, { must: 'over', value: value, than: 0 })
  return (3600 * powerW) / (4 * capacityJPerK * cyclesPerHour)
}

/**
 * Years until a relay has made its rated operations. One cycle is one operation.
 * Formula: rated operations/(cycles an hour × hours a year).
 * @throws RangeError unless all are over 0
 * @example relayLifeYears(6, 3000, 100_000) // 5.556
 */
export function relayLifeYears(cyclesPerHour: number, hoursPerYear: number, ratedOperations: number): number {
  for (const [name, value] of Object.entries({ cyclesPerHour, hoursPerYear, ratedOperations }))
    if (!(value > 0)) throw new Refused(name, { must: 'over', value: value, than: 0 })
  return ratedOperations / (cyclesPerHour * hoursPerYear)
}
