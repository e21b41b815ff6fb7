export interface BatteryInput {
  readonly capacityAh: number
  readonly usablePercent: number
  readonly runA: number
  readonly fanA?: number | undefined
  readonly startAs: number
  readonly cyclesPerHour: number
  readonly dutyPercent: number
}

interface BatteryRuntime {
  /** Null when nothing is drawn. */
  readonly hours: number | null
  readonly averageA: number
  readonly startSharePercent: number | null
  readonly reason?: 'no-draw'
}

/**
 * How long a battery carries a heater that starts, runs and rests.
 * Formula: average A = run × duty + fan + start ampere-seconds × cycles/3600; hours = Ah × usable/average. The fan runs all the time.
 * Source: charge balance.
 * @example batteryRuntime({ capacityAh: 100, usablePercent: 50, runA: 2, startAs: 0, cyclesPerHour: 0, dutyPercent: 50 }).hours // 50
 */
export function batteryRuntime(input: BatteryInput): BatteryRuntime {
  const { capacityAh, usablePercent, runA, fanA = 0, startAs, cyclesPerHour, dutyPercent } = input
  const startA = (startAs * cyclesPerHour) / 3600
  const averageA = (runA * dutyPercent) / 100 + fanA + startA
  // A nanoampere is less than the battery loses by itself.
  if (averageA < 1e-9) return { hours: null, averageA, startSharePercent: null, reason: 'no-draw' }
  return {
    hours: (capacityAh * usablePercent) / 100 / averageA,
    averageA,
    startSharePercent: (100 * startA) / averageA,
  }
}
