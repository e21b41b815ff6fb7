import { Refused } from '../units/refused'
import { worstCycling, worstCyclingRested } from './worstCycling'

/** What decides how often something starts. */
export interface StartsGiven {
  readonly powerW: number
  readonly capacityJPerK: number
  /** Time that it rests after each stop, at least. */
  readonly minimumOffS: number
  /** By which the probe follows what it feels, 63 %. */
  readonly lagS: number
  /** Share of the power that the hardest day asks for. */
  readonly hardestDutyPercent: number
}

interface WorstStarts {
  readonly perHour: number
  /** Share of full load at which it starts most. */
  readonly dutyPercent: number
  /** Whether the minimum off time decides, and not the swing. */
  readonly minimumOffRules: boolean
}

/**
 * What a lagging probe adds to a swing: the place runs on past both points while the probe comes after.
 * Formula: τ P/C, as it rises by (P − load)/C and falls by load/C.
 * @example lagSwingK({ powerW: 2000, capacityJPerK: 200_000, lagS: 60 }) // 0.6
 */
export const lagSwingK = ({
  powerW,
  capacityJPerK,
  lagS,
}: Pick<StartsGiven, 'powerW' | 'capacityJPerK' | 'lagS'>): number => (lagS * powerW) / capacityJPerK

/**
 * Starts an hour at the load at which it starts most: half load, where the plant is ever asked for so much; longer rests and lag counted.
 * Formula: as `worstCycling` and `worstCyclingRested`, over a swing wider by `lagSwingK`; under half load on the hardest day that day is worst.
 * @throws RangeError unless power, capacity and swing are over 0
 * @example worstStarts({ powerW: 2000, capacityJPerK: 200_000, minimumOffS: 300, lagS: 0, hardestDutyPercent: 100 }, 1).perHour // 8
 */
export function worstStarts(given: StartsGiven, swingK: number): WorstStarts {
  const { powerW, capacityJPerK, minimumOffS, hardestDutyPercent } = given
  const seenK = swingK + lagSwingK(given)
  const rested = worstCyclingRested(powerW, capacityJPerK, seenK, minimumOffS)
  const hardest = Math.min(100, Math.max(0, hardestDutyPercent))
  if (hardest >= rested.dutyPercent)
    return { perHour: rested.cyclesPerHour, dutyPercent: rested.dutyPercent, minimumOffRules: rested.minimumOffRules }
  return {
    perHour: hardest === 0 ? 0 : worstCycling(powerW, capacityJPerK, seenK, hardest),
    dutyPercent: hardest,
    minimumOffRules: false,
  }
}

/**
 * The narrowest swing to be keyed under which it starts no more often than a rate: `worstStarts` turned round.
 * Formula: ΔT = 3600 P d(1 − d)/(C n) − τ P/C with d half, or the hardest day's where that is less; where the rest rules
 * ΔT = (P t/C)(1 − n t/3600) − τ P/C. 0 where any swing does.
 * @throws RangeError unless power, capacity and rate are over 0
 */
export function swingForStarts(given: StartsGiven, perHour: number): number {
  const { powerW, capacityJPerK, minimumOffS, hardestDutyPercent } = given
  for (const [name, value] of Object.entries({ powerW, capacityJPerK, perHour }))
    if (!(value > 0)) throw new Refused(name, { must: 'over', value, than: 0 })
  const duty = Math.min(50, Math.max(0, hardestDutyPercent)) / 100
  const freeK = (3600 * powerW * duty * (1 - duty)) / (capacityJPerK * perHour)
  // From this swing on the off time at that load is longer than the rest.
  const longK = (duty * powerW * minimumOffS) / capacityJPerK
  const restedK = ((powerW * minimumOffS) / capacityJPerK) * (1 - (perHour * minimumOffS) / 3600)
  return Math.max(0, (freeK >= longK ? freeK : restedK) - lagSwingK(given))
}
