import { checkScenario } from './checkScenario'
import { compile, type Compiled, evaluate } from './compile'
import type { OnOffControl, Scenario, SimulationEvent, SimulationResult } from './scenario'

export interface SimulateOptions {
  /** Asked now and then; true ends the run with `SimulationCancelled`. */
  readonly cancelled?: () => boolean
  /** Told the share done, 0 to 1, about a hundred times. */
  readonly onProgress?: (share: number) => void
}

export class SimulationCancelled extends Error {
  constructor() {
    super('the simulation was cancelled')
  }
}

/** Longest stride is 2^LEVELS ticks. */
const LEVELS = 12
const HOUR_S = 3600
/** A self-resetting limit closes again this much lower unless the scenario says otherwise. */
const LIMIT_DIFFERENTIAL_K = 2

interface ControlState {
  on: boolean
  /** Tick of the last switching; long ago at the start. */
  since: number
}

const wants = (control: OnOffControl, on: boolean, reading: number): boolean =>
  control.action === 'heating'
    ? on
      ? reading < control.offC
      : reading <= control.onC
    : on
      ? reading > control.offC
      : reading >= control.onC

/**
 * Runs a scenario with exact strides between switchings.
 * Method: between two switchings the plant is linear, so the state is carried by matrix exponentials over 2^k ticks; a switching
 * instant is found by walking down the ladder of halved strides to one tick (1/4096 of the trace step, 15 ms at 60 s).
 * @throws RangeError when the scenario is wrong, SimulationCancelled when asked to stop
 */
export function simulate(scenario: Scenario, options: SimulateOptions = {}): SimulationResult {
  checkScenario(scenario)
  const { durationS, traceS } = scenario
  if (!(traceS > 0 && traceS <= 300)) throw new RangeError(`traceS ${traceS} must lie between 0 and 300 s`)
  if (!(durationS >= traceS && durationS <= 400 * 86400))
    throw new RangeError(`durationS ${durationS} must lie between traceS and 400 days`)
  if (HOUR_S % traceS !== 0) throw new RangeError(`traceS ${traceS} must divide an hour`)
  return new Run(scenario, compile(scenario, traceS / 2 ** LEVELS), options).result()
}

/** One run: the state that moves and what is written down on the way. */
class Run {
  private readonly traceTicks = 2 ** LEVELS
  private readonly tickS: number
  private readonly endTick: number
  private state: Float64Array
  private spare: Float64Array
  private tick = 0
  private running = 0
  private readonly controls: ControlState[]
  private readonly tripped = new Set<string>()
  private readonly broken = new Map<string, 'open' | 'short'>()
  private readonly events: SimulationEvent[] = []
  private readonly onTicks: number[]
  private readonly starts: number[]

  constructor(
    private readonly scenario: Scenario,
    private readonly compiled: Compiled,
    private readonly options: SimulateOptions,
  ) {
    this.tickS = scenario.traceS / this.traceTicks
    this.endTick = Math.floor(scenario.durationS / scenario.traceS) * this.traceTicks
    this.state = compiled.start.slice()
    this.spare = new Float64Array(compiled.size)
    this.controls = scenario.controls.map(() => ({ on: false, since: Number.NEGATIVE_INFINITY }))
    this.onTicks = compiled.actuators.map(() => 0)
    this.starts = compiled.actuators.map(() => 0)
  }

  result(): SimulationResult {
    const { compiled, scenario } = this
    const points = this.endTick / this.traceTicks + 1
    const timeS = new Float64Array(points)
    const nodes = compiled.nodes.map(() => new Float64Array(points))
    const drives = compiled.actuators.map(() => new Uint8Array(points))
    const ticksPerHour = (HOUR_S / scenario.traceS) * this.traceTicks
    const every = Math.max(1, Math.floor(points / 100))
    for (let p = 0; p < points; p++) {
      if (this.tick % ticksPerHour === 0) this.turnHour(this.tick / ticksPerHour)
      this.act()
      timeS[p] = p * scenario.traceS
      nodes.forEach((values, i) => {
        values[p] = this.state[i]!
      })
      drives.forEach((values, i) => {
        values[p] = this.running & (1 << i) ? 1 : 0
      })
      if (p % every === 0) {
        if (this.options.cancelled?.()) throw new SimulationCancelled()
        this.options.onProgress?.(p / points)
      }
      if (p < points - 1) this.advanceTo((p + 1) * this.traceTicks)
    }
    const byActuator = <T>(pick: (i: number) => T) =>
      Object.fromEntries(compiled.actuators.map((id, i) => [id, pick(i)]))
    const byNode = (pick: (values: Float64Array) => number) =>
      Object.fromEntries(compiled.nodes.map((id, i) => [id, pick(nodes[i]!)]))
    return {
      summary: {
        energyKwh: byActuator((i) => this.state[compiled.energyAt[i]!]! / 3.6e6),
        starts: byActuator((i) => this.starts[i]!),
        onS: byActuator((i) => this.onTicks[i]! * this.tickS),
        minimumC: byNode((values) => values.reduce((least, v) => Math.min(least, v))),
        maximumC: byNode((values) => values.reduce((most, v) => Math.max(most, v))),
        meanC: byNode((values) => values.reduce((sum, v) => sum + v, 0) / values.length),
      },
      trace: {
        timeS,
        nodes: Object.fromEntries(compiled.nodes.map((id, i) => [id, nodes[i]!])),
        drives: Object.fromEntries(compiled.actuators.map((id, i) => [id, drives[i]!])),
      },
      events: this.events,
    }
  }

  /** Boundaries run in straight lines from one hour to the next. */
  private turnHour(hour: number) {
    const { boundaryAt, slopeAt, boundaryC } = this.compiled
    boundaryAt.forEach((at, i) => {
      this.state[at] = boundaryC(i, hour)
      this.state[slopeAt[i]!] = (boundaryC(i, hour + 1) - this.state[at]!) / HOUR_S
    })
  }

  /** Goes on to a tick by the longest strides that nothing cuts, halving where a relay would act within one. */
  private advanceTo(target: number) {
    let ceiling = LEVELS
    while (this.tick < target) {
      const left = Math.min(target, this.nextTimer()) - this.tick
      const level = Math.min(ceiling, Math.floor(Math.log2(left)))
      const ticks = 2 ** level
      this.carry(ticks)
      const due = this.wouldAct(this.spare, this.tick + ticks)
      if (due && level > 0) {
        ceiling = level - 1
        continue
      }
      this.accept(ticks)
      if (due) {
        this.act()
        ceiling = LEVELS
      }
    }
  }

  private carry(ticks: number) {
    const { size, transition } = this.compiled
    const m = transition(this.running, ticks)
    for (let i = 0, at = 0; i < size; i++) {
      let sum = 0
      for (let j = 0; j < size; j++) sum += m[at++]! * this.state[j]!
      this.spare[i] = sum
    }
  }

  private accept(ticks: number) {
    ;[this.state, this.spare] = [this.spare, this.state]
    this.tick += ticks
    for (let i = 0; i < this.onTicks.length; i++) if (this.running & (1 << i)) this.onTicks[i]! += ticks
  }

  /** The next tick at which a timer or a fault may let something act without any temperature moving. */
  private nextTimer(): number {
    let next = this.endTick
    const consider = (tick: number) => {
      if (tick > this.tick && tick < next) next = tick
    }
    this.scenario.controls.forEach((control, i) => {
      const { on, since } = this.controls[i]!
      consider(Math.ceil(since + ((on ? control.minimumOnS : control.minimumOffS) ?? 0) / this.tickS))
    })
    for (const fault of this.scenario.faults ?? []) consider(Math.ceil(fault.atS / this.tickS))
    return next
  }

  private reading(state: Float64Array, probe: string, tick: number): number | null {
    const i = this.scenario.probes.findIndex(({ id }) => id === probe)
    if (i < 0) throw new RangeError(`probe ${probe} is not in the scenario`)
    if (this.broken.has(probe) || this.scenario.faults?.some((f) => f.probe === probe && f.atS <= tick * this.tickS))
      return null
    return state[this.compiled.probeAt[i]!]! + (this.scenario.probes[i]!.offsetK ?? 0)
  }

  /** What a control is to be at this state and tick. */
  private decided(i: number, state: Float64Array, tick: number): boolean {
    const control = this.scenario.controls[i]!
    const { on, since } = this.controls[i]!
    const reading = this.reading(state, control.probe, tick)
    if (reading === null) return control.probeFault === 'on'
    const wanted = wants(control, on, reading)
    const holdTicks = ((on ? control.minimumOnS : control.minimumOffS) ?? 0) / this.tickS
    return wanted !== on && tick < Math.ceil(since + holdTicks) ? on : wanted
  }

  private overLimit(name: string, state: Float64Array, tick: number): boolean {
    const input = this.scenario.inputs?.[name]
    if (!input) throw new RangeError(`condition ${name} is not among the inputs`)
    if ('constant' in input) return !input.constant
    const reading = this.reading(state, input.probe, tick)
    if (reading === null) return true
    if (!this.tripped.has(name)) return reading >= input.belowC
    return input.latched === true || reading > input.belowC - (input.differentialK ?? LIMIT_DIFFERENTIAL_K)
  }

  private wouldAct(state: Float64Array, tick: number): boolean {
    return (
      this.controls.some(({ on }, i) => this.decided(i, state, tick) !== on) ||
      Object.keys(this.scenario.inputs ?? {}).some(
        (name) => this.overLimit(name, state, tick) !== this.tripped.has(name),
      ) ||
      (this.scenario.faults ?? []).some((f) => !this.broken.has(f.probe) && f.atS <= tick * this.tickS)
    )
  }

  /** Lets everything that is due act now: faults, limits, controls, then what really runs. */
  private act() {
    const atS = this.tick * this.tickS
    for (const { probe, kind, atS: due } of this.scenario.faults ?? [])
      if (due <= atS && !this.broken.has(probe)) {
        this.broken.set(probe, kind)
        this.events.push({ atS, what: kind === 'open' ? 'probe-open' : 'probe-short', of: probe })
      }
    for (const name of Object.keys(this.scenario.inputs ?? {})) {
      const over = this.overLimit(name, this.state, this.tick)
      if (over && !this.tripped.has(name)) this.events.push({ atS, what: 'trip', of: name })
      if (over) this.tripped.add(name)
      else this.tripped.delete(name)
    }
    this.controls.forEach((state, i) => {
      const on = this.decided(i, this.state, this.tick)
      if (on !== state.on) Object.assign(state, { on, since: this.tick })
    })
    const before = this.running
    this.running = this.compiled.actuators.reduce((mask, id, i) => (this.runs(id) ? mask | (1 << i) : mask), 0)
    this.compiled.actuators.forEach((id, i) => {
      const bit = 1 << i
      if ((before ^ this.running) & bit) {
        const on = (this.running & bit) !== 0
        this.events.push({ atS, what: on ? 'on' : 'off', of: id })
        if (on) this.starts[i]!++
      }
    })
  }

  private runs(actuator: string): boolean {
    const called = this.scenario.controls.some(({ drives }, i) => drives === actuator && this.controls[i]!.on)
    return (
      called &&
      (this.scenario.permissives ?? [])
        .filter(({ drives }) => drives === actuator)
        .every(({ expression }) => evaluate(expression, (name) => !this.tripped.has(name)))
    )
  }
}
