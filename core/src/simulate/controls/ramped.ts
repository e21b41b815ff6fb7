import type { Keys } from '../check/checkPart'
import { probed } from './keys'
import type { Base, ControlHost } from './host'
import type { RampedControl } from '../scenario'
import { ContinuousUnit } from './continuousUnit'

/** What is written of it in a scenario. */
export const rampedKeys = {
  ...probed,
  probeFault: 'text',
  drives: 'text',
  onC: 'number',
  offC: 'number',
  fullC: 'number',
  leastShare: 'share',
  igniteS: 'from0',
  rampS: 'from0',
  minimumOffS: 'from0?',
  sampleS: 'over0?',
} as const satisfies Keys

/** Position that counts as lit but giving nothing. */
const LIT = 1e-6

/** A heater with electronics of its own: it lights, runs up, gives less near the setpoint, and stops over it. */
export class RampedUnit extends ContinuousUnit {
  private since = Number.NEGATIVE_INFINITY
  private readonly probe: number
  private readonly base: Base

  constructor(
    m: ControlHost,
    private readonly control: RampedControl,
  ) {
    super(m, control)
    this.probe = m.program.probe(control.probe)
    this.base = m.base(control)
  }

  protected look(): void {
    const wanted = this.wants()
    if (wanted !== this.holds) {
      this.holds = wanted
      this.since = this.m.tick
    }
    this.share = wanted ? this.gives() : 0
  }

  protected asks(): number {
    return this.wants() === this.holds ? (this.holds ? this.gives() : 0) : NaN
  }

  /** How far short of a limit it is, K. */
  private short(limitC: number): number {
    const [reading, base] = [this.m.reading(this.probe), this.base.now()]
    return reading === null || base === null
      ? 0
      : (this.control.action === 'heating' ? 1 : -1) * (base + limitC - reading)
  }

  private wants(): boolean {
    const { m, control } = this
    if (this.holds) {
      if (m.reading(this.probe) === null) return control.probeFault === 'on'
      return this.base.now() !== null && this.short(control.offC) > 0
    }
    const wanted =
      m.reading(this.probe) === null
        ? control.probeFault === 'on'
        : this.base.now() !== null && this.short(control.onC) >= 0
    return wanted && m.tick >= this.since + m.ticksOf(control.minimumOffS ?? 0)
  }

  /** What it gives while it holds, by how long it has been lit. */
  private gives(): number {
    const { m, control } = this
    const litS = (m.tick - this.since) * m.tickS - control.igniteS
    if (litS < 0) return LIT
    const span = Math.abs(control.offC - control.fullC)
    const asked =
      m.reading(this.probe) === null
        ? 1
        : control.leastShare +
          (1 - control.leastShare) * Math.min(1, Math.max(0, this.short(control.offC) / (span || 1e-9)))
    const rise = control.rampS > 0 ? control.leastShare + ((1 - control.leastShare) * litS) / control.rampS : 1
    return Math.min(asked, rise)
  }
}
