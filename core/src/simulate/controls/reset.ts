import type { Keys } from '../check/checkPart'
import { resetLine } from '../../settings/reset/law/resetLine'
import type { Control } from '../scenario'
import type { ControlHost } from './host'
import type { Unit } from './unit'

/** What is written of it in a scenario. */
export const resetKeys = { probe: 'text', line: 'tree', shiftK: 'number?' } as const satisfies Keys

/** A reset line that is left for warm weather, or for frost, comes back this much to the other side. */
const RESET_DIFFERENTIAL_K = 0.3

/** A reset line read by its outdoor probe. */
export class ResetUnit implements Unit {
  holds = true
  private readonly probe: number
  private readonly line: (outdoorC: number) => number | null
  private stopped = false
  constructor(
    private readonly m: ControlHost,
    private readonly control: Extract<Control, { kind: 'reset' }>,
  ) {
    this.probe = m.program.probe(control.probe)
    const { shutdownAboveC: _, ...line } = control.line
    this.line = resetLine(line)
  }
  supplyC(): number | null {
    const outdoorC = this.m.reading(this.probe)
    const { line, shiftK = 0 } = this.control
    // Without its outdoor probe it runs as on a cold day: too warm is safer than frozen.
    const value = this.line(outdoorC ?? line.designOutdoorC)
    if (value === null || (this.stopped && outdoorC !== null)) return null
    return Math.min(line.maximumSupplyC ?? Infinity, value + shiftK)
  }
  act(): void {
    const { shutdownAboveC } = this.control.line
    if (shutdownAboveC === undefined) return
    const outdoorC = this.m.reading(this.probe)
    if (outdoorC === null) this.stopped = false
    else if (outdoorC > shutdownAboveC) this.stopped = true
    else if (outdoorC <= shutdownAboveC - RESET_DIFFERENTIAL_K) this.stopped = false
    this.holds = !this.stopped
  }
  arm(): void {
    const { shutdownAboveC } = this.control.line
    if (shutdownAboveC === undefined) return
    if (this.stopped) this.m.watch(this.probe, shutdownAboveC - RESET_DIFFERENTIAL_K, -1)
    else this.m.watch(this.probe, shutdownAboveC + 1e-9, 1)
  }
  give(): void {
    // It drives nothing itself.
  }
}
