import type { ControlHost } from './host'
import type { Alarm } from '../scenario'
import { Comparator } from './comparator'
import type { Unit } from './unit'

/** Calls somebody once a temperature was past its limit for the delay, or at once when the probe is broken. */
export class AlarmUnit implements Unit {
  holds = false
  private since: number | undefined
  private readonly probe: number
  private readonly high: Comparator
  private readonly low: Comparator

  constructor(
    private readonly m: ControlHost,
    private readonly alarm: Alarm,
  ) {
    this.probe = m.program.probe(alarm.probe)
    this.high = new Comparator(m, this.probe, 1)
    this.low = new Comparator(m, this.probe, -1)
  }

  private past(): boolean {
    const { aboveC, belowC } = this.alarm
    const high = aboveC !== undefined && this.high.is(aboveC)
    const low = belowC !== undefined && this.low.is(belowC)
    return high || low
  }

  act(): void {
    const { m, alarm } = this
    const broken = m.isBroken(this.probe)
    if (broken || this.past()) this.since ??= m.tick
    else this.since = undefined
    const holds = this.since !== undefined && (broken || m.tick >= this.since + m.ticksOf(alarm.delayS ?? 0))
    if (holds === this.holds) return
    this.holds = holds
    if (holds) m.alarms++
    m.event(holds ? 'alarm' : 'alarm-over', alarm.id)
  }

  arm(): void {
    const { m, alarm } = this
    const { aboveC, belowC } = alarm
    if (this.since === undefined) {
      if (aboveC !== undefined) this.high.arm(aboveC)
      if (belowC !== undefined) this.low.arm(belowC)
      return
    }
    if (!this.holds) m.timer(this.since + m.ticksOf(alarm.delayS ?? 0))
    const reading = m.reading(this.probe)
    if (reading === null) return
    if (aboveC !== undefined && reading >= aboveC) m.watch(this.probe, aboveC - 1e-9, -1)
    if (belowC !== undefined && reading <= belowC) m.watch(this.probe, belowC + 1e-9, 1)
  }

  give(): void {
    // It drives nothing itself.
  }
}
