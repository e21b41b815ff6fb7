import type { ControlHost } from './host'

/** How often a continuous control acts that does not say, s. */
export const SAMPLE_S = 10

/**
 * When a continuous control looks: at each of its own moments, counted from the start. One that was passed within a longer stride is made
 * up for where that stride ends.
 */
export class Samples {
  readonly everyTicks: number
  private next = 0
  private last = -1

  constructor(
    private readonly m: ControlHost,
    readonly everyS = SAMPLE_S,
  ) {
    this.everyTicks = m.ticksOf(everyS)
  }

  get due(): boolean {
    return this.m.tick >= this.next
  }

  get first(): boolean {
    return this.last < 0
  }

  /** Since it looked last; at the very beginning as long as always. */
  get sinceTicks(): number {
    return this.last < 0 ? this.everyTicks : this.m.tick - this.last
  }

  get sinceS(): number {
    return (this.sinceTicks / this.everyTicks) * this.everyS
  }

  /** It has looked now. */
  taken(): void {
    this.last = this.m.tick
    this.next = this.last - (this.last % this.everyTicks) + this.everyTicks
  }
}
