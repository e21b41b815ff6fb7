import type { Keys } from '../check/checkPart'
import { banded } from './keys'
import type { ControlHost } from './host'
import type { TimeProportionedControl } from '../scenario'
import { BandShare } from './bandShare'
import type { Unit } from './unit'

/** What is written of it in a scenario. */
export const timeProportionedKeys = {
  ...banded,
  cycleS: 'over0',
  setC: 'number?',
  integralS: 'over0?',
} as const satisfies Keys

/** A shorter pulse, or pause, is not made: share of the cycle. */
const SHORTEST = 0.01

/** A relay that is on for its share of a cycle, decided at the beginning of each. */
export class TimeProportionedUnit implements Unit {
  holds = false
  private readonly actuator: number
  private readonly band: BandShare
  private readonly cycle: number
  private begun = 0
  private offTick = 0

  constructor(
    private readonly m: ControlHost,
    control: TimeProportionedControl,
  ) {
    this.actuator = m.program.actuator(control.drives)
    this.cycle = m.ticksOf(control.cycleS)
    this.band = new BandShare(m, m.program.probe(control.probe), control, control.cycleS)
  }

  act(): void {
    const { m } = this
    if (m.tick >= this.begun + this.cycle || m.tick === 0) {
      this.begun = m.tick - (m.tick % this.cycle)
      const share = this.band.ask()
      const made = share < SHORTEST ? 0 : share > 1 - SHORTEST ? 1 : share
      this.offTick = this.begun + Math.round(made * this.cycle)
    }
    this.holds = m.tick < this.offTick
  }

  arm(): void {
    if (this.offTick > this.m.tick) this.m.timer(this.offTick)
    this.m.timer(this.begun + this.cycle)
  }

  give(): void {
    if (this.holds) this.m.call(this.actuator)
  }
}
