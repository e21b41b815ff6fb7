/** Grid of a run, in ticks: strides are 2^base, and where they are held and nothing moves up to 2^levels. */
export interface Grid {
  readonly tickS: number
  readonly base: number
  readonly levels: number
  readonly endTick: number
  /** 0 keeps no trace. */
  readonly traceTicks: number
  /** Continuous controls look this often; 0 where there are none. */
  readonly sampleTicks: number
}
