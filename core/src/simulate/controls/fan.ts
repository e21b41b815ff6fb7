import type { Machine } from '../machine'
import type { FanControl } from '../scenario'
import { samplesOf } from './samples'
import type { Unit } from './unit'

/** A fan that follows the stronger of its demands, never under its least. */
export class FanUnit implements Unit {
  holds = false
  private share = 0
  private readonly actuator: number
  private readonly probes: readonly number[]
  private readonly turn: () => boolean

  constructor(
    private readonly m: Machine,
    private readonly control: FanControl,
  ) {
    this.actuator = m.program.actuator(control.drives)
    this.probes = control.demands.map(({ probe }) => m.program.probe(probe))
    this.turn = samplesOf(m, control.sampleS).turn
  }

  act(): void {
    // It acts by its samples.
  }

  sample(): void {
    if (!this.turn()) return
    const { leastShare, stops, scaled, demands, probeFault } = this.control
    let demand = 0
    let broken = false
    demands.forEach(({ zeroAt, fullAt }, i) => {
      const reading = this.m.reading(this.probes[i]!)
      if (reading === null) broken = true
      else demand = Math.max(demand, Math.min(1, (reading - zeroAt) / (fullAt - zeroAt)))
    })
    this.share =
      demand <= 0 && stops
        ? 0
        : scaled
          ? leastShare + (1 - leastShare) * Math.max(0, demand)
          : Math.max(leastShare, demand)
    if (broken) this.share = probeFault === 'on' ? 1 : probeFault === 'least' ? Math.max(leastShare, this.share) : 0
    this.holds = this.share > 0
  }

  arm(): void {
    // Samples come by themselves.
  }

  give(): void {
    if (this.share > 0) this.m.call(this.actuator, this.share)
  }
}
