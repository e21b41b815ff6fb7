import type { ControlHost } from './host'

/** Beat of an output that runs its share of the time without its probe, s. */
const CYCLE_S = 1200

/** Runs a fixed share of a cycle, from when it is first asked. */
export class Duty {
  private from: number | undefined
  constructor(
    private readonly m: ControlHost,
    private readonly share: number,
  ) {}

  private phase(): number {
    const cycle = this.m.ticksOf(CYCLE_S)
    return ((this.m.tick - this.from!) % cycle) / cycle
  }

  on(): boolean {
    this.from ??= this.m.tick
    return this.phase() < this.share
  }

  /** The probe is back. */
  rest(): void {
    this.from = undefined
  }

  arm(): void {
    if (this.from === undefined) return
    const cycle = this.m.ticksOf(CYCLE_S)
    const since = (this.m.tick - this.from) % cycle
    const begun = this.m.tick - since
    this.m.timer(since < this.share * cycle ? begun + Math.ceil(this.share * cycle) : begun + cycle)
  }
}
