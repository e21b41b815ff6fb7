interface GroupAverage {
  /** Null when no probe is in. */
  readonly averageC: number | null
  readonly used: number
  readonly spreadK: number | null
  readonly reason?: 'none-in'
}

/**
 * Mean of the probes of a group that are in; a probe that is out (null) is left out, and counted as such.
 * Formula: Σ readings/their count, of those that are in.
 * @example groupAverage([20, null, 22]).averageC // 21
 */
export function groupAverage(readingsC: readonly (number | null)[]): GroupAverage {
  const used = readingsC.filter((reading) => reading !== null)
  if (used.length === 0) return { averageC: null, used: 0, spreadK: null, reason: 'none-in' }
  return {
    averageC: used.reduce((sum, reading) => sum + reading, 0) / used.length,
    used: used.length,
    spreadK: Math.max(...used) - Math.min(...used),
  }
}
