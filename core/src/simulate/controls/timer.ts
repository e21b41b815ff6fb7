import type { Keys } from '../check/checkPart'
import type { ControlHost } from './host'
import type { TimerControl } from '../scenario'
import { Comparator } from './comparator'
import type { Unit } from './unit'

/** What is written of it in a scenario. */
export const timerKeys = { mode: 'text', aS: 'from0', bS: 'from0', from: 'tree?' } as const satisfies Keys

/** A timer that counts down once, or repeats A and B; before it counts it holds, so that the place can get there. */
export class TimerUnit implements Unit {
  holds = true
  private from: number | undefined
  private over = false
  private readonly reached: Comparator | undefined

  constructor(
    private readonly m: ControlHost,
    private readonly control: TimerControl,
  ) {
    const { from } = control
    this.reached = from && new Comparator(m, m.program.probe(from.probe), from.action === 'heating' ? 1 : -1)
    if (!from) this.from = 0
  }

  act(): void {
    const { m, control } = this
    if (this.from === undefined && this.reached!.is(control.from!.atC)) this.from = m.tick
    if (this.from === undefined || control.aS === 0) {
      this.holds = true
      return
    }
    const [a, b] = [m.ticksOf(control.aS), m.ticksOf(control.bS)]
    const since = m.tick - this.from
    this.holds = control.mode === 'once' ? since < a : since % (a + b) < a
    if (control.mode === 'once' && !this.holds && !this.over) {
      this.over = true
      m.event('time-over', control.id)
    }
  }

  arm(): void {
    const { m, control } = this
    if (this.from === undefined) {
      this.reached!.arm(control.from!.atC)
      return
    }
    if (control.aS === 0) return
    const [a, b] = [m.ticksOf(control.aS), m.ticksOf(control.bS)]
    if (control.mode === 'once') m.timer(this.from + a)
    else {
      const begun = m.tick - ((m.tick - this.from) % (a + b))
      m.timer(this.holds ? begun + a : begun + a + b)
    }
  }

  give(): void {
    // It drives nothing itself.
  }
}
