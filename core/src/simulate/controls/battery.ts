import type { Keys } from '../check/checkPart'
import type { ControlHost } from './host'
import type { BatteryControl } from '../scenario'
import type { Unit } from './unit'

/** What is written of it in a scenario. */
export const batteryKeys = {
  probe: 'text',
  cutOffV: 'number',
  holdS: 'from0',
  restartV: 'number',
} as const satisfies Keys

/** Keeps a battery from being drawn flat: opens after the hold, closes when it is charged again. */
export class BatteryUnit implements Unit {
  holds = true
  private lowSince: number | undefined
  private readonly probe: number

  constructor(
    private readonly m: ControlHost,
    private readonly control: BatteryControl,
  ) {
    this.probe = m.program.probe(control.probe)
  }

  act(): void {
    const { m, control } = this
    const volts = m.reading(this.probe)
    if (this.holds) {
      if (volts === null || volts > control.cutOffV) this.lowSince = undefined
      else this.lowSince ??= m.tick
      if (this.lowSince !== undefined && m.tick >= this.lowSince + m.ticksOf(control.holdS)) {
        this.holds = false
        this.lowSince = undefined
        m.event('cut-off', control.id)
      }
    } else if (volts !== null && volts >= control.restartV) {
      this.holds = true
      m.event('restart', control.id)
    }
  }

  arm(): void {
    const { m, control } = this
    if (!this.holds) m.watch(this.probe, control.restartV, 1)
    else if (this.lowSince === undefined) m.watch(this.probe, control.cutOffV, -1)
    else {
      m.watch(this.probe, control.cutOffV + 1e-9, 1)
      m.timer(this.lowSince + m.ticksOf(control.holdS))
    }
  }

  give(): void {
    // It drives nothing itself.
  }
}
