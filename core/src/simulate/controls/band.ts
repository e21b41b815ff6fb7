import type { Machine } from '../machine'
import type { PiControl, ProportionalControl, ThreePointControl } from '../scenario'
import { BandShare } from './bandShare'
import { samplesOf } from './samples'
import type { Unit } from './unit'

/** An output that gives more or less: a signal, or a valve driven open and closed. */
export class BandUnit implements Unit {
  holds = false
  private readonly actuator: number
  private readonly band: BandShare
  private readonly turn: () => boolean
  private sent = 0

  constructor(
    private readonly m: Machine,
    private readonly control: ProportionalControl | PiControl | ThreePointControl,
  ) {
    this.actuator = m.program.actuator(control.drives)
    const samples = samplesOf(m, control.sampleS)
    this.turn = samples.turn
    this.band = new BandShare(m, m.program.probe(control.probe), control, samples.everyS)
  }

  act(): void {
    // It acts by its samples.
  }

  sample(): void {
    if (!this.turn()) return
    const asked = this.band.ask()
    if (this.control.kind !== 'three-point') this.sent = asked
    else {
      const off = asked - this.m.position[this.actuator]!
      const atEnd = (asked === 0 || asked === 1) && off !== 0
      // It moves while it is further off than the neutral zone, for this sample; the ends are always driven home.
      this.sent = Math.abs(off) > this.control.neutralShare || atEnd ? asked : this.m.position[this.actuator]!
    }
    this.holds = this.sent > 0
  }

  arm(): void {
    // Samples come by themselves.
  }

  give(): void {
    if (this.sent > 0) this.m.call(this.actuator, this.sent)
  }
}
