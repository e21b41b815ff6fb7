import type { Machine } from './machine'
import type { Program } from './program'
import type { Grid } from './grid'
import { fanDemands, fansByDemand } from './fanDemands'
import type { FanControl, SimulationResult } from './scenario'

const DAY_S = 86400

type Column = Float64Array | Float32Array | Uint8Array

/**
 * Writes down what a run passes: the trace, and the lowest, highest and mean of each node. Column by column over many rows at once: a call for
 * each point would cost more than carrying the state to it.
 * @param rows states one after another, as the run leaves them
 */
export class Recorder {
  /** Next point of the trace. */
  point = 0
  readonly points: number
  private readonly timeS: Float64Array
  private readonly nodes: readonly Float64Array[]
  private readonly probes: readonly Float64Array[]
  private readonly lines: readonly Float64Array[]
  private readonly drives: readonly Float32Array[]
  private readonly contacts: readonly (readonly [() => boolean, Uint8Array])[]
  private readonly least: Float64Array
  private readonly most: Float64Array
  private readonly sum: Float64Array
  private readonly lateSum: Float64Array
  private weight = 0
  private lateWeight = 0
  private readonly lateFrom: number
  private readonly fans: readonly FanControl[]
  private readonly positional: readonly boolean[]

  constructor(
    private readonly program: Program,
    private readonly machine: Machine,
    private readonly grid: Grid,
    private readonly rows: Float64Array,
  ) {
    const { traceTicks, endTick, tickS } = grid
    this.points = traceTicks > 0 ? Math.floor(endTick / traceTicks) + 1 : 0
    const column = () => new Float64Array(this.points)
    this.timeS = column()
    this.nodes = program.nodes.map(column)
    this.probes = program.probes.map(column)
    this.lines = machine.lineIds.map(column)
    this.drives = program.actuators.map(() => new Float32Array(this.points))
    this.fans = fansByDemand(program.scenario)
    this.contacts = [...machine.contacts.values()].map((holds) => [holds, new Uint8Array(this.points)])
    this.positional = program.positionChannel.map((channel) => channel >= 0)
    this.least = new Float64Array(program.nodeCount).fill(Infinity)
    this.most = new Float64Array(program.nodeCount).fill(-Infinity)
    this.sum = new Float64Array(program.nodeCount)
    this.lateSum = new Float64Array(program.nodeCount)
    this.lateFrom = endTick - Math.min(Math.round(DAY_S / tickS), Math.floor(endTick / 3))
  }

  /**
   * Counts rows `first`, `first + each` … for the summary.
   * @param ticks how long each stands for
   * @param at tick of the first, and the others every `ticks` after it
   */
  note(first: number, each: number, count: number, ticks: number, at: number): void {
    const { rows, least, most, sum, lateSum, lateFrom } = this
    const { n, nodeCount } = this.program
    // From this row on it counts as late.
    const late = ticks > 0 ? Math.max(0, Math.min(count, Math.ceil((lateFrom - at + 1) / ticks))) : count
    for (let i = 0; i < nodeCount; i++) {
      let low = least[i]!
      let high = most[i]!
      let all = 0
      let end = 0
      for (let k = 0, o = first * n + i; k < count; k++, o += each * n) {
        const value = rows[o]!
        if (value < low) low = value
        if (value > high) high = value
        all += value
        if (k >= late) end += value
      }
      least[i] = low
      most[i] = high
      sum[i]! += all * ticks
      lateSum[i]! += end * ticks
    }
    this.weight += count * ticks
    this.lateWeight += (count - late) * ticks
  }

  /** Writes rows `first`, `first + each` … as the next points; nothing has switched between them. */
  write(first: number, each: number, count: number): void {
    const { rows, machine, program, grid } = this
    const { n, nodeCount } = program
    const { traceTicks, tickS } = grid
    const from = this.point
    const c = Math.min(count, this.points - from)
    if (c <= 0) return
    for (let k = 0; k < c; k++) this.timeS[from + k] = (from + k) * traceTicks * tickS
    // Copied and counted in one pass.
    const late = Math.max(0, Math.min(c, Math.ceil((this.lateFrom + 1) / traceTicks) - from))
    for (let i = 0; i < nodeCount; i++) {
      const out = this.nodes[i]!
      let low = this.least[i]!
      let high = this.most[i]!
      let all = 0
      let end = 0
      for (let k = 0, o = first * n + i; k < c; k++, o += each * n) {
        const value = rows[o]!
        out[from + k] = value
        if (value < low) low = value
        if (value > high) high = value
        all += value
        if (k >= late) end += value
      }
      this.least[i] = low
      this.most[i] = high
      this.sum[i]! += all * traceTicks
      this.lateSum[i]! += end * traceTicks
    }
    this.weight += c * traceTicks
    this.lateWeight += (c - late) * traceTicks
    let tricky = this.lines.length > 0
    for (let i = 0; i < this.probes.length; i++) {
      const offset = machine.plainOffset(i)
      const out = this.probes[i]!
      if (offset === undefined) tricky = true
      else for (let k = 0, o = first * n + nodeCount + i; k < c; k++, o += each * n) out[from + k] = rows[o]! + offset
    }
    if (tricky)
      for (let k = 0; k < c; k++) {
        const o = (first + k * each) * n
        for (let i = 0; i < n; i++) machine.x[i] = rows[o + i]!
        for (let i = 0; i < this.probes.length; i++)
          if (machine.plainOffset(i) === undefined) this.probes[i]![from + k] = machine.reading(i) ?? NaN
        for (let i = 0; i < this.lines.length; i++) this.lines[i]![from + k] = machine.lineC(i)
      }
    for (let i = 0; i < this.drives.length; i++) {
      const out = this.drives[i]!
      if (this.positional[i]) for (let k = 0; k < c; k++) out[from + k] = machine.positionAt(i, (from + k) * traceTicks)
      else if (machine.isRunning(i)) out.fill(1, from, from + c)
    }
    for (const [holds, out] of this.contacts) if (holds()) out.fill(1, from, from + c)
    this.point += c
  }

  /** Trace and the parts of the summary that come from it. */
  result(): Pick<SimulationResult, 'trace'> & {
    readonly summary: Pick<SimulationResult['summary'], 'minimumC' | 'maximumC' | 'meanC' | 'settlesC'>
  } {
    const { program, weight, lateWeight } = this
    const ids = <T>(names: readonly string[], pick: (i: number) => T) =>
      Object.fromEntries(names.map((id, i) => [id, pick(i)]))
    return {
      summary: {
        minimumC: ids(program.nodes, (i) => this.least[i]!),
        maximumC: ids(program.nodes, (i) => this.most[i]!),
        meanC: ids(program.nodes, (i) => this.sum[i]! / weight),
        settlesC: ids(program.nodes, (i) => (lateWeight > 0 ? this.lateSum[i]! / lateWeight : this.sum[i]! / weight)),
      },
      trace: this.traceTo(this.points),
    }
  }

  /** The trace up to a point: views of what is written on. */
  traceTo(point: number): SimulationResult['trace'] {
    const { program, machine } = this
    const part = <T extends Column>(column: T) => (point === this.points ? column : column.subarray(0, point)) as T
    const named = <T extends Column>(names: readonly string[], columns: readonly T[]) =>
      Object.fromEntries(names.map((id, i) => [id, part(columns[i]!)]))
    const probes = named(program.probes, this.probes)
    return {
      timeS: part(this.timeS),
      nodes: named(program.nodes, this.nodes),
      probes,
      demands: fanDemands(this.fans, probes),
      lines: named(machine.lineIds, this.lines),
      drives: named(program.actuators, this.drives),
      contacts: named(
        [...machine.contacts.keys()],
        this.contacts.map(([, column]) => column),
      ),
    }
  }
}
