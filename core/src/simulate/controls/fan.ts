import type { Keys } from '../check/checkPart'
import type { ControlHost } from './host'
import type { FanControl } from '../scenario'
import { ContinuousUnit } from './continuousUnit'

/** What is written of it in a scenario. */
export const fanKeys = {
  drives: 'text',
  demands: 'list',
  leastShare: 'share',
  stops: 'truth?',
  scaled: 'truth?',
  sampleS: 'over0?',
  probeFault: 'text',
} as const satisfies Keys

/** A fan that follows the stronger of its demands, never under its least. */
export class FanUnit extends ContinuousUnit {
  private readonly probes: readonly number[]

  constructor(
    m: ControlHost,
    private readonly control: FanControl,
  ) {
    super(m, control)
    this.probes = control.demands.map(({ probe }) => m.program.probe(probe))
  }

  protected look(): void {
    this.share = this.asked()
    this.holds = this.share > 0
  }

  protected asks(): number {
    const share = this.asked()
    return share > 0 === this.holds ? share : NaN
  }

  private asked(): number {
    const { leastShare, stops, scaled, demands, probeFault } = this.control
    let demand = 0
    let broken = false
    demands.forEach(({ zeroAt, fullAt }, i) => {
      const reading = this.m.reading(this.probes[i]!)
      if (reading === null) broken = true
      else demand = Math.max(demand, Math.min(1, (reading - zeroAt) / (fullAt - zeroAt)))
    })
    const share =
      demand <= 0 && stops
        ? 0
        : scaled
          ? leastShare + (1 - leastShare) * Math.max(0, demand)
          : Math.max(leastShare, demand)
    if (broken) return probeFault === 'on' ? 1 : probeFault === 'least' ? Math.max(leastShare, share) : 0
    return share
  }
}
