import type { ControlHost } from './host'
import type { Input } from '../scenario'
import { Comparator } from './comparator'
import type { Unit } from './unit'

/** A self-resetting limit closes again this far back unless the scenario says otherwise, K. */
const DIFFERENTIAL_K = 2

/** A condition by a probe's temperature, with its differential and its latch, or by hours of the day. */
export class ThresholdUnit implements Unit {
  holds = true
  private readonly probe: number = -1
  private readonly past: Comparator | undefined
  private readonly back: Comparator | undefined
  private readonly limitC: number = 0
  private readonly backC: number = 0

  constructor(
    private readonly m: ControlHost,
    private readonly name: string,
    private readonly input: Exclude<Input, { readonly constant: boolean }>,
  ) {
    if ('hours' in input) return
    this.probe = m.program.probe(input.probe)
    const sign = input.belowC === undefined ? -1 : 1
    this.limitC = input.belowC ?? input.aboveC!
    this.backC = this.limitC - sign * (input.differentialK ?? DIFFERENTIAL_K)
    this.past = new Comparator(m, this.probe, sign)
    this.back = new Comparator(m, this.probe, sign === 1 ? -1 : 1)
  }

  act(): void {
    const { m, input } = this
    if ('hours' in input) {
      this.holds = input.hours.some((pair) => m.withinHours(pair))
      return
    }
    const past = this.past!.is(this.limitC)
    const back = this.back!.is(this.backC)
    const broken = m.isBroken(this.probe)
    const holds = broken ? false : this.holds ? !past : input.latched === true ? false : back
    if (holds !== this.holds) m.event(holds ? 'reset' : 'trip', this.name)
    this.holds = holds
  }

  arm(): void {
    const { m, input } = this
    if ('hours' in input) {
      m.timer(m.ticksOf(m.nextEdge(input.hours)))
      return
    }
    if (this.holds) this.past!.arm(this.limitC)
    else if (input.latched !== true) this.back!.arm(this.backC)
  }

  give(): void {
    // It drives nothing itself.
  }
}
