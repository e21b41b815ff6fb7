import type { Keys } from '../check/checkPart'
import { faulted, probed } from './keys'
import type { Base, ControlHost } from './host'
import type { OnOffControl } from '../scenario'
import { Comparator } from './comparator'
import { Duty } from './duty'
import type { Unit } from './unit'

/** What is written of it in a scenario. */
export const onOffKeys = {
  ...probed,
  ...faulted,
  drives: 'text',
  onC: 'number',
  offC: 'number',
  minimumOnS: 'from0?',
  minimumOffS: 'from0?',
} as const satisfies Keys

/** One relay with a cut-in and a cut-out. */
export class OnOffUnit implements Unit {
  holds = false
  private since = Number.NEGATIVE_INFINITY
  private readonly probe: number
  private readonly actuator: number
  private readonly turnsOn: Comparator
  private readonly turnsOff: Comparator
  private readonly base: Base
  private readonly duty: Duty

  constructor(
    private readonly m: ControlHost,
    private readonly control: OnOffControl,
  ) {
    this.probe = m.program.probe(control.probe)
    this.actuator = m.program.actuator(control.drives)
    const sign = control.action === 'heating' ? 1 : -1
    this.turnsOn = new Comparator(m, this.probe, sign === 1 ? -1 : 1)
    this.turnsOff = new Comparator(m, this.probe, sign)
    this.base = m.base(control)
    this.duty = new Duty(m, control.dutyShare ?? 0.5)
  }

  private heldUntil(): number {
    const { minimumOnS = 0, minimumOffS = 0 } = this.control
    return this.since + this.m.ticksOf(this.holds ? minimumOnS : minimumOffS)
  }

  private decided(): boolean {
    const { m, control } = this
    if (m.isBroken(this.probe)) {
      if (control.probeFault === 'last') return this.holds
      const wanted = control.probeFault === 'on' || (control.probeFault === 'duty' && this.duty.on())
      return wanted && !this.holds && m.tick < this.heldUntil() ? false : wanted
    }
    this.duty.rest()
    const base = this.base.now()
    // Both are asked each time: a reader with a dead time has to see every crossing.
    const off = base === null || this.turnsOff.is(base + control.offC)
    const on = base !== null && this.turnsOn.is(base + control.onC)
    const wanted = this.holds ? !off : on
    if (base === null) return false
    return wanted !== this.holds && m.tick < this.heldUntil() ? this.holds : wanted
  }

  act(): void {
    const on = this.decided()
    if (on !== this.holds) {
      this.holds = on
      this.since = this.m.tick
    }
  }

  arm(): void {
    const { m, control } = this
    m.timer(this.heldUntil())
    if (m.isBroken(this.probe)) {
      if (control.probeFault === 'duty') this.duty.arm()
      return
    }
    const base = this.base.now()
    if (base === null) return
    const [waits, other, offset, otherOffset] = this.holds
      ? [this.turnsOff, this.turnsOn, control.offC, control.onC]
      : [this.turnsOn, this.turnsOff, control.onC, control.offC]
    const moves = this.base.moves
      ? () => {
          const now = this.base.now()
          return now === null ? null : now + offset
        }
      : undefined
    waits.arm(base + offset, moves)
    if ((m.program.scenario.probes[this.probe]!.deadS ?? 0) > 0) other.arm(base + otherOffset)
  }

  give(): void {
    if (this.holds) this.m.call(this.actuator)
  }
}
