import type { Machine } from '../machine'
import type { RampedControl } from '../scenario'
import { samplesOf } from './samples'
import type { Unit } from './unit'

/** Position that counts as lit but giving nothing. */
const LIT = 1e-6

/** A heater with electronics of its own: it lights, runs up, gives less near the set, and stops over it. */
export class RampedUnit implements Unit {
  holds = false
  private share = 0
  private since = Number.NEGATIVE_INFINITY
  private readonly probe: number
  private readonly actuator: number
  private readonly base: ReturnType<Machine['base']>
  private readonly samples: ReturnType<typeof samplesOf>

  constructor(
    private readonly m: Machine,
    private readonly control: RampedControl,
  ) {
    this.probe = m.program.probe(control.probe)
    this.actuator = m.program.actuator(control.drives)
    this.base = m.base(control)
    this.samples = samplesOf(m, control.sampleS)
  }

  act(): void {
    // It acts by its samples.
  }

  sample(): void {
    if (!this.samples.turn()) return
    const { m, control } = this
    const towards = control.action === 'heating' ? 1 : -1
    const [reading, base] = [m.reading(this.probe), this.base.now()]
    const short = (limitC: number) => (reading === null || base === null ? 0 : towards * (base + limitC - reading))
    let wanted = this.holds ? short(control.offC) > 0 : short(control.onC) >= 0
    if (reading === null) wanted = control.probeFault === 'on'
    else if (base === null) wanted = false
    if (wanted && !this.holds && m.tick < this.since + m.ticksOf(control.minimumOffS ?? 0)) wanted = false
    if (wanted !== this.holds) {
      this.holds = wanted
      this.since = m.tick
    }
    if (!wanted) {
      this.share = 0
      return
    }
    const litS = (m.tick - this.since) * m.tickS - control.igniteS
    if (litS < 0) {
      this.share = LIT
      return
    }
    const span = Math.abs(control.offC - control.fullC)
    const asked =
      reading === null
        ? 1
        : control.leastShare + (1 - control.leastShare) * Math.min(1, Math.max(0, short(control.offC) / (span || 1e-9)))
    const rise = control.rampS > 0 ? control.leastShare + ((1 - control.leastShare) * litS) / control.rampS : 1
    this.share = Math.min(asked, rise)
  }

  arm(): void {
    // Samples come by themselves.
  }

  give(): void {
    if (this.share > 0) this.m.call(this.actuator, this.share)
  }
}
