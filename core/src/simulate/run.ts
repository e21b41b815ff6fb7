import type { Grid } from './grid'
import { fluxOf } from './flux'
import type { Machine } from './machine'
import type { Ladder, Program } from './program'
import { Recorder } from './recorder'
import type { SimulationResult } from './scenario'
import { PowerSeries } from './series'
import { anySize, unrolled } from './strides'

export interface RunOptions {
  /** Asked at each hour of the run; aborted ends it with `SimulationCancelled`. */
  readonly signal?: { readonly aborted: boolean }
  /** Told the share done, 0 to 1, a few hundred times; what was run so far is made when it is asked for. */
  readonly onProgress?: (share: number, soFar: () => RunSoFar) => void
  /** Longest that it may take, ms, by a clock that is handed in: by its first moments it would take longer, and ends with `RunTakesLong`. */
  readonly within?: { readonly ms: number; readonly now: () => number }
  /** Where it is counted what was done: what a run costs, without a clock. */
  readonly work?: Work
}

/** Trace and events of a run up to where it is: views of what it writes on, good until it goes on. */
export type RunSoFar = Pick<SimulationResult, 'trace' | 'events' | 'eventsLeftOut'>

/** What a run did. */
export interface Work {
  /** Strides that were taken or tried. */
  strides: number
  /** Odd stretches that were gone in one piece. */
  stretches: number
  /** Ladders of matrices that were made: one for each set of actuators that ran, and each fault. */
  ladders: number
}

export class SimulationCancelled extends Error {
  constructor() {
    super('the simulation was cancelled')
  }
}

/** A run that would take longer than it may, told before it has really begun. */
export class RunTakesLong extends Error {
  /** @param ms what it would take, by its pace so far */
  constructor(readonly ms: number) {
    super(`the run would take about ${Math.round(ms / 1000)} s`)
  }
}

/** So long a run goes before its pace is judged, and so many turns lie between two looks at the clock. */
const TRIAL_MS = 300
const JUDGED_EVERY = 128

/** States kept between two looks. */
const ROWS = 256
/** Stretches of fewer ticks are not worth a series. */
const LEAST_SERIES = 4
/** A held stride may bend what is curved by this much, in K (%, g/kg; frost by its part of what halves a coil), and leave an output this share off. */
const MOST_BEND = 0.01
const MOST_STRAY = 0.001
const FROST_WEIGHT = 10
/** A stride that keeps to this part of both is doubled for the next. */
const CALM_PART = 1 / 4
/** Where a temperature may have touched its threshold within a stride, it is gone over again this much finer: 2^5. */
const FINER = 5

/**
 * Carries a program from start to end: the longest strides that nothing cuts, exact for all that is linear; where a watched temperature passes
 * its value the instant is found by walking down the ladder of halved strides to one tick. Continuous control and flows that are not straight are
 * held over one stride, which is then the fixed step.
 */
export function run(
  program: Program,
  machine: Machine,
  grid: Grid,
  { signal, onProgress, within, work = { strides: 0, stretches: 0, ladders: 0 } }: RunOptions,
): Omit<SimulationResult, 'summary'> & { readonly summary: Omit<SimulationResult['summary'], 'engine' | 'stepS'> } {
  const { n, channels, scenario } = program
  const { tickS, base, levels, endTick, traceTicks, sampleTicks } = grid
  const c = channels.length
  const ticksOf = Float64Array.from({ length: levels + 1 }, (_, level) => 2 ** level)
  const top = ticksOf[base]!
  const strides = unrolled[n] ?? anySize(n)
  const curved = fluxOf(program)

  // Row 0 is the state now.
  const rows = new Float64Array((ROWS + 2) * n)
  rows.set(machine.x)
  let tick = 0
  const u0 = new Float64Array(c)
  const slope = new Float64Array(c)
  const u0Tick = new Float64Array(c)
  const u = new Float64Array(c)
  let turnTick = 0
  let set: Ladder | undefined
  let setOn = 0
  let setFaults = machine.faults
  const f = new Float64Array(n)
  const g = new Float64Array(n)
  const rate = new Float64Array(n)
  const rateBefore = new Float64Array(n)
  const rateAtEnd = new Float64Array(n)
  const unused = new Float64Array(program.actuators.length)
  /** What counts as a kelvin where something bends. */
  const weights = new Float64Array(n).fill(1)
  for (const [i, flow] of (scenario.network.flows ?? []).entries())
    if (flow.kind === 'frost') weights[program.frostAt(i)] = FROST_WEIGHT / flow.halfKg
  const heatW = new Float64Array(program.actuators.length)
  const heatJ = new Float64Array(program.actuators.length)

  const recorder = new Recorder(program, machine, grid, rows)

  machine.inputs = () => {
    if (set === undefined || machine.on !== setOn || machine.faults !== setFaults) {
      setOn = machine.on
      setFaults = machine.faults
      set = program.strides(setOn, setFaults)
      work.ladders = program.ladders()
    }
    for (let i = 0; i < program.positionChannel.length; i++) {
      const channel = program.positionChannel[i]!
      if (channel < 0) continue
      u0[channel] = machine.position[i]!
      slope[channel] = machine.slope[i]! + machine.leaning[i]!
      u0Tick[channel] = tick
    }
  }

  /** Boundaries and hourly gains go on from here in new straight lines. */
  function turn() {
    turnTick = endTick
    for (let i = 0; i < c; i++) {
      const line = channels[i]!.line
      if (!line) continue
      const { value, slope: perS, untilS } = line(tick * tickS)
      u0[i] = value
      slope[i] = perS
      u0Tick[i] = tick
      const until = Math.max(tick + 1, Math.ceil(untilS / tickS - 1e-6))
      if (until < turnTick) turnTick = until
    }
  }

  function readInputs() {
    for (let i = 0; i < c; i++) u[i] = u0[i]! + slope[i]! * (tick - u0Tick[i]!) * tickS
  }

  /** What is added at each stride of a level from now on. */
  function force(level: number) {
    const { ofValues, ofSlopes, constant, gamma } = set!.at(level)
    const hS = ticksOf[level]! * tickS
    for (let i = 0; i < n; i++) {
      let first = constant[i]!
      let each = 0
      for (let j = 0; j < c; j++) {
        const at = i * c + j
        first += ofValues[at]! * u[j]! + ofSlopes[at]! * slope[j]!
        each += ofValues[at]! * slope[j]!
      }
      if (curved.active) for (let j = 0; j < n; j++) first += gamma[i * n + j]! * rate[j]!
      f[i] = first
      g[i] = each * hS
    }
  }

  function carry(level: number, count: number, watches = machine.watches): number {
    readInputs()
    force(level)
    work.strides += count
    return strides(
      rows,
      0,
      count,
      set!.at(level).phi,
      f,
      g,
      watches,
      machine.watchAt,
      machine.watchC,
      machine.watchSign,
    )
  }

  const series = new PowerSeries(n)
  const f0 = new Float64Array(n)
  const f1 = new Float64Array(n)

  /**
   * Goes on by so many ticks in one piece, or to the first tick at which something is passed.
   * @returns whether something was; nothing where the stretch is too short to be worth a series, or too long for one: halved strides
   * bring it within its reach then
   */
  function goOn(ticks: number): boolean | undefined {
    const { a, b, q, seriesS } = set!
    if (ticks < LEAST_SERIES || ticks * tickS > seriesS) return undefined
    work.stretches++
    readInputs()
    for (let i = 0; i < n; i++) {
      let now = q[i]!
      let grows = 0
      for (let j = 0; j < c; j++) {
        const by = b[i * c + j]!
        now += by * u[j]!
        grows += by * slope[j]!
      }
      f0[i] = now
      f1[i] = grows
    }
    if (!series.build(a, rows, f0, f1, ticks * tickS)) return undefined
    let end = ticks
    let passes = false
    for (let w = 0; w < machine.watches; w++) {
      const [at, value, sign] = [machine.watchAt[w]!, machine.watchC[w]!, machine.watchSign[w]!]
      if (sign * (series.at(at, end * tickS) - value) < 0) continue
      let before = 0
      while (end - before > 1) {
        const middle = Math.floor((before + end) / 2)
        if (sign * (series.at(at, middle * tickS) - value) >= 0) end = middle
        else before = middle
      }
      passes = true
    }
    series.into(rows, end * tickS)
    tick += end
    return passes
  }

  function accept(row: number, ticks: number) {
    tick += ticks
    for (let i = 0; i < n; i++) rows[i] = rows[row * n + i]!
    if (curved.active) for (let i = 0; i < heatJ.length; i++) heatJ[i]! += heatW[i]! * ticks * tickS
  }

  function stateTo(x: Float64Array, row: number) {
    for (let i = 0; i < n; i++) x[i] = rows[row * n + i]!
  }

  function stateFrom(x: Float64Array) {
    for (let i = 0; i < n; i++) rows[i] = x[i]!
  }

  function act() {
    stateTo(machine.x, 0)
    machine.tick = tick
    machine.act()
    stateFrom(machine.x)
  }

  let nextSample = sampleTicks > 0 ? 0 : Infinity
  function look() {
    nextSample = tick - (tick % sampleTicks) + sampleTicks
    // One that was passed within a longer stride is made up for at the next.
    if (tick % sampleTicks !== 0) return
    stateTo(machine.x, 0)
    machine.tick = tick
    machine.sample()
    stateFrom(machine.x)
  }

  turn()
  readInputs()
  if (curved.active) {
    curved.begin({ x: rows, u })
    machine.x.set(rows.subarray(0, n))
  }
  act()
  if (tick === nextSample) look()
  if (traceTicks > 0) recorder.write(0, 1, 1)
  else recorder.note(0, 1, 1, 0, 0)
  /** Positions in the middle of the stride that is taken. */
  const middle = new Float64Array(program.actuators.length)
  const half = new Float64Array(n)
  const view = { x: rows, u, on: 0, position: middle }
  const held = sampleTicks > 0 || curved.active
  const progressEvery = endTick / 400
  let nextProgress = 0
  /** Level of the stride that is tried next where strides are held. */
  let heldLevel = base
  /** End of the stride of the grid that the run is in. */
  let nextGrid = top
  /** Until here strides are shorter, and a touch is not looked for again. */
  let fineUntil = 0
  let fineLevel = 0

  let judgedIn = within ? JUDGED_EVERY : Infinity
  const begunMs = within?.now() ?? 0

  while (tick < endTick) {
    if (within && --judgedIn === 0) {
      const ms = within.now() - begunMs
      judgedIn = ms < TRIAL_MS ? JUDGED_EVERY : Infinity
      if (ms >= TRIAL_MS && (ms * endTick) / tick > within.ms) throw new RunTakesLong((ms * endTick) / tick)
    }
    if (signal?.aborted) throw new SimulationCancelled()
    if (tick >= nextProgress) {
      onProgress?.(tick / endTick, soFar)
      nextProgress += progressEvery
    }
    while (nextGrid <= tick) nextGrid += top
    const onGrid = nextGrid - tick === top
    const calm = held && onGrid && heldLevel > base
    let target = Math.min(endTick, turnTick, machine.nextTick)
    if (calm) {
      if (traceTicks > 0) target = Math.min(target, recorder.point * traceTicks)
    } else if (held || (traceTicks > 0 && !onGrid)) target = Math.min(target, nextGrid)
    if (tick < fineUntil) target = Math.min(target, fineUntil)
    const left = target - tick
    let level = Math.min(held ? heldLevel : base, 31 - Math.clz32(Math.min(left, 2 ** 30)))
    // Controls look at their own moments: a longer stride leaves some out, but ends at one.
    if (level > base && sampleTicks > 0 && (tick % sampleTicks !== 0 || ticksOf[level]! % sampleTicks !== 0))
      level = base
    if (tick < fineUntil) level = Math.min(level, fineLevel)
    const moving = machine.moving.length > 0
    if (level < base && !curved.active && !moving && tick >= fineUntil) {
      // An odd stretch, from a switching to the next mark.
      const begun = tick
      const passes = goOn(left)
      if (passes !== undefined) {
        if (passes) recorder.note(0, 1, 1, 0, tick)
        else if (traceTicks === 0) recorder.note(0, 1, 1, tick - begun, tick)
        after(passes)
        continue
      }
    }
    if (sampleTicks > 0 && levels > base) {
      machine.tick = tick
      machine.lean(ticksOf[level]!)
    }
    const count = moving || held ? 1 : Math.min(Math.floor(left / ticksOf[level]!), ROWS)
    if (curved.active) {
      readInputs()
      view.on = machine.on
      for (let i = 0; i < middle.length; i++) {
        const channel = program.positionChannel[i]!
        middle[i] =
          channel >= 0 ? u[channel]! + (slope[channel]! * ticksOf[level]! * tickS) / 2 : machine.on & (1 << i) ? 1 : 0
      }
      view.x = rows
      const strideS = ticksOf[level]! * tickS
      curved.flux(view, rate, heatW, strideS)
      rateBefore.set(rate)
      if (level > 0) {
        // Taken anew in the middle of the stride: what is curved is then right to the second order.
        carry(level - 1, 1, 0)
        stateTo(half, 1)
        view.x = half
        for (let j = 0; j < c; j++) u[j]! += (slope[j]! * strideS) / 2
        curved.flux(view, rate, heatW, strideS)
      }
    }
    const strideTicks = ticksOf[level]!
    const grows = held && levels > base && level >= base
    let bends = grows && curved.active ? bend(rateBefore, rate, strideTicks * tickS) : 0
    if (bends > 1 && level > base) {
      heldLevel = level - 1
      continue
    }
    let done = carry(level, count)
    if (grows && done === 1) {
      const off = sampleTicks > 0 ? strays(strideTicks) : 0
      if (curved.active) {
        // Something may turn only in its second half: water that begins to freeze.
        stateTo(half, 1)
        view.x = half
        for (let j = 0; j < c; j++) u[j]! += slope[j]! * strideTicks * tickS
        curved.flux(view, rateAtEnd, unused, strideTicks * tickS)
        bends = Math.max(bends, bend(rate, rateAtEnd, strideTicks * tickS))
      }
      if (Math.max(bends, off) > 1 && level > base) {
        heldLevel = level - 1
        continue
      }
      if (level === heldLevel && Math.max(bends, off) < CALM_PART) heldLevel = Math.min(levels, level + 1)
    }
    if (done < 0) {
      if (tick < fineUntil || level < FINER) done = 1 - done
      else {
        // The stretch around the nearest point is gone over in finer strides.
        done = -done - 1
        fineUntil = tick + (done + 2) * strideTicks
        fineLevel = level - FINER
      }
      passed(done, strideTicks)
    } else if (moving && done > 0) {
      stateTo(machine.x, 1)
      machine.tick = tick + strideTicks
      if (machine.movingDue()) {
        findMoving(level)
        act()
        writeIfDue()
        continue
      }
      passed(done, strideTicks)
    } else {
      passed(done, strideTicks)
      if (done < count) {
        if (done > 0) writeIfDue()
        const passes = curved.active ? undefined : goOn(strideTicks)
        if (passes === undefined) {
          for (let finer = level - 1; finer >= 0; finer--) if (carry(finer, 1) === 1) accept(1, ticksOf[finer]!)
          carry(0, 1)
          accept(1, 1)
        }
        recorder.note(0, 1, 1, 0, tick)
        after(passes ?? true)
        continue
      }
    }
    after(false)
  }
  onProgress?.(1, soFar)
  stateTo(machine.x, 0)
  machine.tick = tick
  machine.accrue()

  function soFar(): RunSoFar {
    return { trace: recorder.traceTo(recorder.point), ...eventsOf() }
  }

  function eventsOf() {
    const { events, eventsLeftOut } = machine
    return { events, ...(eventsLeftOut > 0 ? { eventsLeftOut } : {}) }
  }

  /** How much what is curved changes within a stride, by what it may. */
  function bend(from: Float64Array, to: Float64Array, strideS: number): number {
    let most = 0
    for (let i = 0; i < n; i++) most = Math.max(most, weights[i]! * Math.abs(to[i]! - from[i]!))
    return (most * strideS) / MOST_BEND
  }

  /** How far from what was expected a look at the end of a stride would find an output, by how far it may; endless where something would switch. */
  function strays(strideTicks: number): number {
    stateTo(machine.x, 1)
    machine.tick = tick + strideTicks
    const off = machine.strays()
    machine.tick = tick
    stateTo(machine.x, 0)
    return off / MOST_STRAY
  }

  /** What is to be done where a stretch has ended. */
  function after(passes: boolean) {
    if (tick === turnTick) turn()
    if (passes || tick >= machine.nextTick) act()
    if (tick >= nextSample) look()
    writeIfDue()
  }

  /** Takes over strides that nothing cut; all but the last are written down here. */
  function passed(count: number, strideTicks: number) {
    if (count <= 0) return
    if (traceTicks > 0) {
      // Off the grid no stride but the last ends on it.
      if (count > 1 && tick % strideTicks === 0) {
        const each = Math.max(1, traceTicks / strideTicks)
        const first = each - ((tick / strideTicks) % each)
        recorder.write(first, each, Math.ceil((count - first) / each))
      }
    } else recorder.note(1, 1, count, strideTicks, tick + strideTicks)
    accept(count, count * strideTicks)
  }

  function writeIfDue() {
    if (traceTicks > 0 && tick === recorder.point * traceTicks) {
      stateTo(machine.x, 0)
      recorder.write(0, 1, 1)
    }
  }

  /** Goes to the first tick at which a moving threshold is passed, within a stride of this level. */
  function findMoving(level: number) {
    for (let finer = level - 1; finer >= 0; finer--) {
      if (carry(finer, 1) === 0) continue
      stateTo(machine.x, 1)
      machine.tick = tick + ticksOf[finer]!
      if (!machine.movingDue()) accept(1, ticksOf[finer]!)
    }
    carry(0, 1)
    accept(1, 1)
  }

  const energyJ = (i: number) => {
    const at = program.energyAt[i]!
    return machine.energyJ[i]! + heatJ[i]! + (at >= 0 ? machine.x[at]! : 0)
  }
  const flows = scenario.network.flows ?? []
  const ids = (pick: (i: number) => number) => Object.fromEntries(program.actuators.map((id, i) => [id, pick(i)]))
  const { summary, trace } = recorder.result()
  return {
    summary: {
      energyKwh: ids((i) => energyJ(i) / 3.6e6),
      starts: ids((i) => machine.starts[i]!),
      onS: ids((i) => machine.onTicks[i]! * tickS),
      ...summary,
      alarms: machine.alarms,
      frostKg: Object.fromEntries(
        flows.flatMap((flow, i) =>
          flow.kind === 'frost' ? [[flow.id, Math.max(0, machine.x[program.frostAt(i)]!)]] : [],
        ),
      ),
    },
    trace,
    ...eventsOf(),
  }
}
