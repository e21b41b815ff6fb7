import { tableInverse, tableValue } from './probeTable'
import type { Program } from './program'

/** How a probe is read now: faults, offsets and all. */
interface ProbeView {
  broken: boolean
  offset: number
  table: readonly (readonly number[])[] | undefined
}

/** What every probe shows for what is there, with the faults that it has just now. */
export class ProbeViews {
  private readonly views: ProbeView[]

  constructor(
    private readonly program: Program,
    private readonly isRunning: (actuator: number) => boolean,
  ) {
    this.views = program.probes.map((_, i) => ({ broken: false, offset: this.ownOffset(i), table: undefined }))
  }

  private ownOffset(probe: number): number {
    return this.program.scenario.probes[probe]!.offsetK ?? 0
  }

  /** As they are without a fault. */
  mend(): void {
    for (const [i, view] of this.views.entries())
      Object.assign(view, { broken: false, offset: this.ownOffset(i), table: undefined })
  }

  breaks(probe: number): void {
    this.views[probe]!.broken = true
  }

  drifts(probe: number, byK: number): void {
    this.views[probe]!.offset += byK
  }

  showsBy(probe: number, table: readonly (readonly number[])[]): void {
    this.views[probe]!.table = table
  }

  isBroken(probe: number): boolean {
    return this.views[probe]!.broken
  }

  /** What it shows where this is there; nothing when it is broken. */
  shown(probe: number, stateC: number): number | null {
    const { broken, offset, table } = this.views[probe]!
    if (broken) return null
    const value = table ? tableValue(table, stateC) : stateC
    return value + offset - this.sag(probe)
  }

  /** What is there where it shows this, and whether it rises with it; nothing where it never shows that. */
  stateAt(probe: number, shownC: number): { readonly at: number; readonly sign: 1 | -1 } | null {
    const { broken, offset, table } = this.views[probe]!
    if (broken) return null
    const stateC = shownC + this.sag(probe) - offset
    return table ? tableInverse(table, stateC) : { at: stateC, sign: 1 }
  }

  /** What is shown over what is there, where it is that simple; NaN where nothing is shown; undefined where it is not. */
  plainOffset(probe: number): number | undefined {
    const { broken, offset, table } = this.views[probe]!
    if (broken) return NaN
    return table || this.program.scenario.probes[probe]!.sags ? undefined : offset
  }

  /** What the supply of it falls by while loads run. */
  private sag(probe: number): number {
    const { sags } = this.program.scenario.probes[probe]!
    if (!sags) return 0
    return Object.entries(sags).reduce(
      (sum, [id, volts]) => sum + (this.isRunning(this.program.actuator(id)) ? volts : 0),
      0,
    )
  }
}
