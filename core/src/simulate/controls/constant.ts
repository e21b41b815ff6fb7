import type { Keys } from '../check/checkPart'
import type { ControlHost } from './host'
import type { ConstantControl } from '../scenario'
import type { Unit } from './unit'

/** What is written of it in a scenario. */
export const constantKeys = { drives: 'text' } as const satisfies Keys

/** Always on. */
export class ConstantUnit implements Unit {
  readonly holds = true
  private readonly actuator: number

  constructor(
    private readonly m: ControlHost,
    { drives }: ConstantControl,
  ) {
    this.actuator = m.program.actuator(drives)
  }

  act(): void {
    // Nothing changes it.
  }

  arm(): void {
    // It waits for nothing.
  }

  give(): void {
    this.m.call(this.actuator)
  }
}
