import type { ControlHost } from './host'

/**
 * Whether a probe shows a temperature or more (sign 1), or less (sign −1), as its reader knows it: a reader with a dead time sees each
 * crossing that much later.
 */
export class Comparator {
  private readonly deadTicks: number
  private raw: boolean | undefined
  private seen = false
  private thresholdC = NaN
  private queue: { tick: number; raw: boolean }[] = []

  constructor(
    private readonly m: ControlHost,
    private readonly probe: number,
    private readonly sign: 1 | -1,
  ) {
    this.deadTicks = m.ticksOf(m.program.scenario.probes[probe]!.deadS ?? 0)
  }

  private now(thresholdC: number): boolean {
    const reading = this.m.reading(this.probe)
    return reading !== null && this.sign * (reading - thresholdC) >= 0
  }

  /** Asked whenever anything acts. */
  is(thresholdC: number): boolean {
    const raw = this.now(thresholdC)
    if (this.deadTicks === 0) return raw
    if (this.raw === undefined || thresholdC !== this.thresholdC) {
      this.seen = raw
      this.queue = []
    } else if (raw !== this.raw) this.queue.push({ tick: this.m.tick + this.deadTicks, raw })
    this.raw = raw
    this.thresholdC = thresholdC
    while (this.queue.length > 0 && this.queue[0]!.tick <= this.m.tick) this.seen = this.queue.shift()!.raw
    return this.seen
  }

  /** Waits for it to come true. With a dead time it has to see it come and go. */
  arm(thresholdC: number, moves?: () => number | null): void {
    if (this.deadTicks > 0) {
      this.m.watch(this.probe, thresholdC + (this.raw ? -this.sign * 1e-9 : 0), this.raw ? -this.sign : this.sign)
      if (this.queue.length > 0) this.m.timer(this.queue[0]!.tick)
    } else if (!this.now(thresholdC)) {
      if (moves) this.m.watchMoving(this.probe, moves, this.sign)
      else this.m.watch(this.probe, thresholdC, this.sign)
    }
  }
}
