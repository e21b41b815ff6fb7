import type { ControlHost } from './host'
import { Samples } from './samples'
import type { Unit } from './unit'

/** A control that gives more or less: it looks at its moments, and what it gives stands until the next. */
export abstract class ContinuousUnit implements Unit {
  holds = false
  /** What it gives, as a share. */
  share = 0
  /** By how much a tick what it gives moved from one look to the next. */
  pace = 0
  /** Whether the run lets what it drives go on at that pace within a stride. */
  leans = false
  readonly actuator: number
  protected readonly samples: Samples

  constructor(
    protected readonly m: ControlHost,
    { drives, sampleS }: { readonly drives: string; readonly sampleS?: number },
  ) {
    this.actuator = m.program.actuator(drives)
    this.samples = new Samples(m, sampleS)
  }

  /** Looks: sets what it gives, and whether it holds. */
  protected abstract look(): void

  /** What it would give if it looked now; NaN where it would switch, or where each look counts. Leaves everything as it is. */
  protected abstract asks(): number

  /** Whether it looks as often as the run does: who looks less often stands still in between. */
  get keepsUp(): boolean {
    return this.samples.everyTicks === this.m.sampleTicks
  }

  sample(): void {
    if (!this.samples.due) return
    const { share, holds } = this
    const { sinceTicks, first } = this.samples
    this.look()
    this.pace = holds === this.holds && !first ? (this.share - share) / sinceTicks : 0
    this.samples.taken()
  }

  /** How far from what was expected a look now would find what it gives; endless where it would switch. */
  strays(): number {
    if (!this.samples.due) return 0
    const off = Math.abs(this.asks() - this.share - (this.leans ? this.pace * this.samples.sinceTicks : 0))
    return Number.isNaN(off) ? Infinity : off
  }

  act(): void {
    // It acts by its samples.
  }

  arm(): void {
    // Samples come by themselves.
  }

  give(): void {
    if (this.share > 0) this.m.call(this.actuator, this.share)
  }
}
