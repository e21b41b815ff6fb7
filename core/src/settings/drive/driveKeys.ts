/** What a drive is keyed to by the plate of the motor on it. What the plate does not say is left out. */
export interface DriveKeys {
  /** Current of the motor at its plate, A. */
  readonly motorA: number
  /** Frequency of its plate, Hz: the fastest it is made for. */
  readonly fastestHz?: number
  /** Slowest at which it still cools itself, Hz. */
  readonly slowestHz?: number
  /** Which way it turns, seen onto its shaft. */
  readonly turns?: 'clockwise' | 'against'
}
