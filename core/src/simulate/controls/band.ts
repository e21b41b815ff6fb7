import type { Keys } from '../check/checkPart'
import { banded } from './keys'
import type { ControlHost } from './host'
import type { PiControl, ProportionalControl, ThreePointControl } from '../scenario'
import { BandShare } from './bandShare'
import { ContinuousUnit } from './continuousUnit'

/** What is written of it in a scenario. */
export const proportionalKeys = { ...banded, sampleS: 'over0?' } as const satisfies Keys

/** What is written of it in a scenario. */
export const piKeys = { ...banded, sampleS: 'over0?', setC: 'number', integralS: 'over0' } as const satisfies Keys

/** What is written of it in a scenario. */
export const threePointKeys = {
  ...banded,
  sampleS: 'over0?',
  setC: 'number?',
  integralS: 'over0?',
  neutralShare: 'share',
} as const satisfies Keys

/** An output that gives more or less: a signal, or a valve driven open and closed. */
export class BandUnit extends ContinuousUnit {
  private readonly band: BandShare

  constructor(
    m: ControlHost,
    private readonly control: ProportionalControl | PiControl | ThreePointControl,
  ) {
    super(m, control)
    this.band = new BandShare(m, m.program.probe(control.probe), control, this.samples.everyS)
  }

  protected look(): void {
    const asked = this.band.ask(this.samples.sinceS)
    this.share = this.drives(asked) ? asked : this.m.position[this.actuator]!
    this.holds = this.share > 0
  }

  protected asks(): number {
    // A motor goes on by what it was told at the look before, and a dead time remembers each: there each look counts.
    if (this.control.kind === 'three-point' || this.band.remembers) return NaN
    const share = this.band.wouldAsk(this.samples.sinceS)
    return share > 0 === this.holds ? share : NaN
  }

  /** A signal follows; a motor moves while it is further off than the neutral zone, for this sample, and the ends are always driven home. */
  private drives(asked: number): boolean {
    if (this.control.kind !== 'three-point') return true
    const off = asked - this.m.position[this.actuator]!
    return Math.abs(off) > this.control.neutralShare || ((asked === 0 || asked === 1) && off !== 0)
  }
}
