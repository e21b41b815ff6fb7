import type { Machine } from '../machine'

/** Beat of an output that runs its share of the time without its probe, s. */
const BEAT_S = 1200

/** Runs a fixed share of a beat, from when it is first asked. */
export class Duty {
  private from: number | undefined
  constructor(
    private readonly m: Machine,
    private readonly share: number,
  ) {}

  private phase(): number {
    const beat = this.m.ticksOf(BEAT_S)
    return ((this.m.tick - this.from!) % beat) / beat
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
    const beat = this.m.ticksOf(BEAT_S)
    const since = (this.m.tick - this.from) % beat
    const begun = this.m.tick - since
    this.m.timer(since < this.share * beat ? begun + Math.ceil(this.share * beat) : begun + beat)
  }
}
