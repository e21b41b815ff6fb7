import { resetLine } from '../control/resetLine'
import { BatteryUnit } from './controls/battery'
import { BandUnit } from './controls/band'
import { ConstantUnit } from './controls/constant'
import { ContinuousUnit } from './controls/continuousUnit'
import { DefrostUnit } from './controls/defrost'
import { FanUnit } from './controls/fan'
import { GroupUnit } from './controls/group'
import { OnOffUnit } from './controls/onOff'
import { RampedUnit } from './controls/ramped'
import { ScheduleUnit } from './controls/schedule'
import { StagedUnit } from './controls/staged'
import { TimeProportionedUnit } from './controls/timeProportioned'
import { TimerUnit } from './controls/timer'
import type { Unit } from './controls/unit'
import { AlarmUnit } from './controls/alarm'
import { ThresholdUnit } from './controls/threshold'
import { type Place, type PlantFaults, type Program } from './program'
import type { Control, Expression, Fault, SimulationEvent } from './scenario'

/** Events kept; what happens after is counted. */
const MOST_EVENTS = 50_000

const DAY_S = 86400
const HOUR_S = 3600
/** A reset line that is left for warm weather, or for frost, comes back this much to the other side. */
const RESET_DIFFERENTIAL_K = 0.3

/** What an actuator is told besides its calls: by a defrost, or by a fault. */
type Told = 'on' | 'off' | undefined

/** How a probe is read now: faults, offsets and all. */
interface ProbeView {
  broken: boolean
  offset: number
  table: readonly (readonly number[])[] | undefined
}

/**
 * Everything that switches: probes as they are read, controls, permissives, faults, alarms. Between two calls of `act` nothing of it
 * changes; what is armed says when it may.
 */
export class Machine {
  tick = 0
  x: Float64Array
  /** Bits of the actuators whose links carry and whose power is on. */
  on = 0
  readonly position: Float64Array
  readonly slope: Float64Array
  /** What a share moves a second within the stride that is taken, of those that do not travel. */
  readonly leaning: Float64Array
  readonly events: SimulationEvent[] = []
  eventsLeftOut = 0
  alarms = 0
  faults: PlantFaults = { epoch: 0, powerFactor: 1, doors: [], moved: new Map() }

  readonly watchAt: Int32Array
  readonly watchC: Float64Array
  readonly watchSign: Float64Array
  watches = 0
  /** Watches whose value moves with another probe: kept apart. */
  readonly moving: { probe: number; sign: number; thresholdC: () => number | null }[] = []
  nextTick = 0

  readonly energyJ: Float64Array
  readonly onTicks: Float64Array
  readonly starts: Int32Array

  private readonly views: ProbeView[]
  private readonly units: Unit[] = []
  private readonly named = new Map<string, () => boolean>()
  private readonly resets = new Map<string, ResetView>()
  private readonly continuous: ContinuousUnit[] = []
  /** Those of them that alone move an output without a motor, at each look of the run. */
  private readonly steady: readonly ContinuousUnit[]
  private readonly calls: Float64Array
  private readonly target: Float64Array
  private readonly running: boolean[]
  private readonly told: Told[]
  private readonly permissives: { readonly actuator: number; readonly holds: () => boolean }[]
  private accruedTick = 0
  private readonly pendingFaults: { readonly fault: Fault; active: boolean }[]
  /** Inputs and relays that a fault holds. */
  private readonly stuck = new Map<string, boolean>()
  private readonly relays = new Map<string, boolean>()

  constructor(
    readonly program: Program,
    readonly tickS: number,
    readonly endTick: number,
    readonly sampleTicks: number,
  ) {
    const { scenario, actuators, probes } = program
    const count = actuators.length
    // A control watches four temperatures at most, a stage two; an input or an alarm two.
    const most = scenario.controls.reduce(
      (sum, control) => sum + 4 + (control.kind === 'staged' ? 2 * control.stages.length : 0),
      2 * Object.keys(scenario.inputs ?? {}).length + 2 * (scenario.alarms?.length ?? 0),
    )
    this.watchAt = new Int32Array(most)
    this.watchC = new Float64Array(most)
    this.watchSign = new Float64Array(most)
    this.x = program.start.slice()
    this.position = new Float64Array(count)
    this.slope = new Float64Array(count)
    this.leaning = new Float64Array(count)
    this.energyJ = new Float64Array(count)
    this.onTicks = new Float64Array(count)
    this.starts = new Int32Array(count)
    this.calls = new Float64Array(count)
    this.target = new Float64Array(count)
    this.running = actuators.map(() => false)
    this.told = actuators.map(() => undefined)
    this.views = probes.map((_, i) => ({ broken: false, offset: scenario.probes[i]!.offsetK ?? 0, table: undefined }))
    this.pendingFaults = (scenario.faults ?? []).map((fault) => ({ fault, active: false }))

    for (const [name, input] of Object.entries(scenario.inputs ?? {})) {
      const unit = 'probe' in input || 'hours' in input ? new ThresholdUnit(this, name, input) : undefined
      if (unit) this.units.push(unit)
      const holds = unit ? () => unit.holds : () => 'constant' in input && input.constant
      this.named.set(name, () => this.stuck.get(name) ?? holds())
    }
    for (const control of scenario.controls)
      if (control.kind === 'reset') this.resets.set(control.id, new ResetView(this, control))
    const defrosts = new Map<string, DefrostUnit>()
    const order = ['reset', 'schedule', 'timer', 'battery', 'defrost', 'group']
    const rank = ({ kind }: Control) => (order.includes(kind) ? order.indexOf(kind) : order.length)
    for (const control of [...scenario.controls].sort((a, b) => rank(a) - rank(b))) {
      if (this.named.has(control.id))
        throw new RangeError(`control ${control.id} is there twice, or an input is called so`)
      const unit = this.unitOf(control, defrosts)
      this.named.set(control.id, () => unit.holds)
      this.units.push(unit)
      if (unit instanceof ContinuousUnit) this.continuous.push(unit)
    }
    for (const alarm of scenario.alarms ?? []) this.units.push(new AlarmUnit(this, alarm))
    this.steady = this.continuous.filter(
      (unit) =>
        unit.keepsUp &&
        !((scenario.actuators[unit.actuator]!.travelS ?? 0) > 0) &&
        this.continuous.every((other) => other === unit || other.actuator !== unit.actuator),
    )
    this.permissives = (scenario.permissives ?? []).map(({ drives, expression }) => ({
      actuator: program.actuator(drives),
      holds: this.expression(expression),
    }))
    for (const { fault } of this.pendingFaults) this.checkFault(fault)
  }

  private unitOf(control: Control, defrosts: Map<string, DefrostUnit>): Unit {
    switch (control.kind) {
      case 'constant':
        return new ConstantUnit(this, control)
      case 'on-off':
        return new OnOffUnit(this, control)
      case 'staged':
        return new StagedUnit(this, control)
      case 'time-proportioned':
        return new TimeProportionedUnit(this, control)
      case 'proportional':
      case 'pi':
      case 'three-point':
        return new BandUnit(this, control)
      case 'fan':
        return new FanUnit(this, control)
      case 'ramped':
        return new RampedUnit(this, control)
      case 'schedule':
        return new ScheduleUnit(this, control)
      case 'timer':
        return new TimerUnit(this, control)
      case 'battery':
        return new BatteryUnit(this, control)
      case 'defrost': {
        const unit = new DefrostUnit(this, control)
        defrosts.set(control.id, unit)
        return unit
      }
      case 'group':
        return new GroupUnit(this, control, defrosts)
      case 'reset':
        return this.resets.get(control.id)!
    }
  }

  /** Reset lines by name, and what one asks for now. */
  get lineIds(): readonly string[] {
    return [...this.resets.keys()]
  }
  lineC(i: number): number {
    return [...this.resets.values()][i]!.supplyC() ?? NaN
  }

  // What units ask for.

  get atS(): number {
    return this.tick * this.tickS
  }

  ticksOf(seconds: number): number {
    return Math.ceil(seconds / this.tickS - 1e-9)
  }

  /** What a probe shows; nothing when it is broken. */
  reading(probe: number): number | null {
    const view = this.views[probe]!
    if (view.broken) return null
    return this.shown(probe, this.x[this.program.probeAt(probe)]!)
  }

  private shown(probe: number, stateC: number): number {
    const { offset, table } = this.views[probe]!
    const value = table ? tableValue(table, stateC) : stateC
    return value + offset - this.sag(probe)
  }

  private sag(probe: number): number {
    const { sags } = this.program.scenario.probes[probe]!
    if (!sags) return 0
    return Object.entries(sags).reduce(
      (sum, [id, volts]) => sum + (this.isRunning(this.program.actuator(id)) ? volts : 0),
      0,
    )
  }

  /** What is shown over what is there, where it is that simple; NaN where nothing is shown; undefined where it is not. */
  plainOffset(probe: number): number | undefined {
    const { broken, offset, table } = this.views[probe]!
    if (broken) return NaN
    return table || this.program.scenario.probes[probe]!.sags ? undefined : offset
  }

  /** Where a position is at a tick, nothing else changing. */
  positionAt(actuator: number, tick: number): number {
    return this.position[actuator]! + this.slope[actuator]! * (tick - this.accruedTick) * this.tickS
  }

  isBroken(probe: number): boolean {
    return this.views[probe]!.broken
  }

  isRunning(actuator: number): boolean {
    return this.running[actuator]!
  }

  /** Whether an input, a schedule, a timer or another control holds. @throws RangeError naming one that is not there */
  condition(name: string): () => boolean {
    if (!this.named.has(name) && !this.program.scenario.controls.some(({ id }) => id === name))
      throw new RangeError(
        `condition ${name} is neither an input nor a control; there are ${[...this.named.keys(), ...this.program.scenario.controls.map(({ id }) => id)].join(', ') || 'none'}`,
      )
    return () => this.named.get(name)!()
  }

  private expression(expression: Expression): () => boolean {
    if (typeof expression === 'string') return this.condition(expression)
    if ('not' in expression) {
      const part = this.expression(expression.not)
      return () => !part()
    }
    const parts = ('and' in expression ? expression.and : expression.or).map((part) => this.expression(part))
    return 'and' in expression ? () => parts.every((part) => part()) : () => parts.some((part) => part())
  }

  /** Temperature that a control's own temperatures count from; `null` while its reset line is shut down. */
  base(control: { readonly follows?: string; readonly setback?: { readonly while: string; readonly byK: number } }) {
    const line = control.follows === undefined ? undefined : this.resets.get(control.follows)
    if (control.follows !== undefined && !line)
      throw new RangeError(`follows ${control.follows} is no control of kind reset`)
    const back = control.setback
    const holds = back ? this.condition(back.while) : undefined
    return {
      now: (): number | null => {
        const from = line ? line.supplyC() : 0
        return from === null ? null : from - (holds?.() ? back!.byK : 0)
      },
      moves: line !== undefined,
    }
  }

  call(actuator: number, share = 1): void {
    if (share > this.calls[actuator]!) this.calls[actuator] = share
  }

  /** A defrost's word goes before any call. */
  tell(actuator: number, what: Told): void {
    this.told[actuator] = what
  }

  event(what: SimulationEvent['what'], of: string, why?: string): void {
    if (this.events.length >= MOST_EVENTS) this.eventsLeftOut++
    else this.events.push({ atS: this.atS, what, of, ...(why === undefined ? {} : { why }) })
  }

  /** Something may act at this tick. */
  timer(tick: number): void {
    if (tick > this.tick && tick < this.nextTick) this.nextTick = tick
  }

  /** Something may act once a probe shows this much (sign 1: and more, −1: and less). */
  watch(probe: number, shownC: number, sign: number): void {
    const { broken, offset, table } = this.views[probe]!
    if (broken) return
    let stateC = shownC + this.sag(probe) - offset
    let way = sign
    if (table) {
      const back = tableInverse(table, stateC)
      if (back === null) return
      stateC = back.at
      way *= back.sign
    }
    const w = this.watches++
    this.watchAt[w] = this.program.probeAt(probe)
    this.watchC[w] = stateC
    this.watchSign[w] = way
  }

  /** The same where the temperature moves with a reset line. */
  watchMoving(probe: number, thresholdC: () => number | null, sign: number): void {
    this.moving.push({ probe, sign, thresholdC })
  }

  /** Whether a moving watch has come true. */
  movingDue(): boolean {
    for (const { probe, sign, thresholdC } of this.moving) {
      const [reading, threshold] = [this.reading(probe), thresholdC()]
      if (reading !== null && threshold !== null && sign * (reading - threshold) >= 0) return true
    }
    return false
  }

  // The run calls these.

  /** Lets everything that is due act now, and says when it may next. */
  act(): void {
    this.accrue()
    this.turnFaults()
    for (const unit of this.units) unit.act()
    this.settle()
    this.arm()
  }

  /** Continuous controls look and act. */
  sample(): void {
    const leant = this.leaning.some((each) => each !== 0)
    this.accrue()
    for (const unit of this.continuous) unit.sample()
    const before = this.on
    const events = this.events.length + this.eventsLeftOut
    const moved = this.settle()
    // A share that only changed is an input; what starts, stops or travels is something to wait for.
    if (
      before !== this.on ||
      events !== this.events.length + this.eventsLeftOut ||
      this.slope.some((each) => each !== 0)
    )
      this.arm()
    else if (moved || leant) this.inputs()
  }

  /**
   * Lets outputs that move steadily go on doing so within a stride of so many ticks: looks that are left out count as the mean of what they
   * would have given.
   */
  lean(ticks: number): void {
    const looks = ticks / this.sampleTicks
    let changed = false
    for (const unit of this.steady) {
      const { actuator, pace, share } = unit
      // What another control or a defrost has moved goes its own way.
      unit.leans = pace !== 0 && this.position[actuator] === share
      const lean = unit.leans && looks > 1 ? ((pace / this.tickS) * (looks - 1)) / looks : 0
      if (lean === this.leaning[actuator]) continue
      this.leaning[actuator] = lean
      changed = true
    }
    if (changed) this.inputs()
  }

  /** The furthest from what was expected that any continuous control would be if it looked now; endless where one would switch. */
  strays(): number {
    let most = 0
    for (const unit of this.continuous) most = Math.max(most, unit.strays())
    return most
  }

  private arm(): void {
    this.watches = 0
    this.moving.length = 0
    this.nextTick = this.endTick
    for (const unit of this.units) unit.arm()
    for (const { fault, active } of this.pendingFaults) {
      this.timer(this.ticksOf(fault.atS))
      if (active && fault.untilS !== undefined) this.timer(this.ticksOf(fault.untilS))
      if (active && fault.kind === 'sun') this.timer(this.ticksOf(this.nextHourEdge(fault.hours)))
    }
    const { actuators } = this.program.scenario
    for (let i = 0; i < actuators.length; i++)
      if (this.slope[i] !== 0) {
        const perTick = this.slope[i]! * this.tickS
        this.timer(this.tick + Math.max(1, Math.ceil((this.target[i]! - this.position[i]!) / perTick - 1e-9)))
        const half = (0.5 - this.position[i]!) / perTick
        if (half > 1e-9) this.timer(this.tick + Math.ceil(half))
      }
    this.inputs()
  }

  /** Positions are inputs; whoever carries the plant reads them. */
  inputs = (): void => undefined
  private nextHourEdge(hours: readonly number[]): number {
    const wall = this.atS + this.program.weekdayOffsetS
    const day = Math.floor(wall / DAY_S)
    for (const add of [0, 1])
      for (const hour of hours) {
        const edge = (day + add) * DAY_S + hour * HOUR_S
        if (edge > wall + this.tickS) return edge - this.program.weekdayOffsetS
      }
    return Infinity
  }

  withinHours(hours: readonly number[]): boolean {
    const hour = ((this.atS + this.tickS / 2 + this.program.weekdayOffsetS) % DAY_S) / HOUR_S
    const [from, to] = hours as [number, number]
    return from <= to ? hour >= from && hour < to : hour >= from || hour < to
  }

  nextEdge(hours: readonly (readonly number[])[]): number {
    return Math.min(...hours.map((pair) => this.nextHourEdge(pair)))
  }

  /** Energy, run time and positions up to now. */
  accrue(): void {
    const ticks = this.tick - this.accruedTick
    if (ticks === 0) return
    this.accruedTick = this.tick
    const seconds = ticks * this.tickS
    const { actuators } = this.program.scenario
    for (let i = 0; i < actuators.length; i++) {
      if (this.running[i]) this.onTicks[i]! += ticks
      const { powerW } = actuators[i]!
      const positional = this.program.positionChannel[i]! >= 0
      if (positional) {
        const from = this.position[i]!
        let to = from + this.slope[i]! * seconds
        if (this.slope[i]! !== 0 && (this.target[i]! - to) * this.slope[i]! <= 1e-12) to = this.target[i]!
        this.position[i] = to
        const mean = (from + to + this.leaning[i]! * seconds) / 2
        if (powerW !== undefined) this.energyJ[i]! += powerW * this.faults.powerFactor * mean * seconds
      } else if (powerW !== undefined && this.running[i] && this.program.energyAt[i]! < 0)
        this.energyJ[i]! += powerW * this.faults.powerFactor * seconds
    }
    this.leaning.fill(0)
  }

  /** From calls to what really runs; true when a position was sent elsewhere. */
  private settle(): boolean {
    const { actuators } = this.program.scenario
    this.calls.fill(0)
    for (const unit of this.units) unit.give()
    let mask = 0
    let moved = false
    for (let i = 0; i < actuators.length; i++) {
      let share = this.calls[i]!
      if (this.told[i] === 'on') share = 1
      if (this.told[i] === 'off') share = 0
      if (share > 0 && this.permissives.some(({ actuator, holds }) => actuator === i && !holds())) share = 0
      const relay = this.relays.get(actuators[i]!.id)
      if (relay !== undefined) share = relay ? 1 : 0
      const on = share > 0
      if (on !== this.running[i]) {
        this.running[i] = on
        this.event(on ? 'on' : 'off', actuators[i]!.id)
        if (on) {
          this.starts[i]!++
          const draws = actuators[i]!.draws
          if (draws?.startAs) {
            const place = this.program.place(draws.node) as { node: number }
            this.x[place.node]! -= draws.startAs / this.program.capacities[place.node]!
          }
        }
      }
      const travelS = actuators[i]!.travelS ?? 0
      if (this.program.positionChannel[i]! >= 0) {
        if (travelS > 0) {
          const slope = Math.abs(share - this.position[i]!) < 1e-12 ? 0 : Math.sign(share - this.position[i]!) / travelS
          if (slope !== this.slope[i] || share !== this.target[i]) moved = true
          this.slope[i] = slope
          this.target[i] = share
          if (this.position[i]! >= 0.5 - 1e-9) mask |= 1 << i
        } else {
          if (share !== this.position[i]) moved = true
          this.position[i] = share
          if (on) mask |= 1 << i
        }
      } else if (on) mask |= 1 << i
    }
    this.on = mask
    return moved
  }

  private turnFaults(): void {
    let changed = false
    for (const item of this.pendingFaults) {
      const { fault } = item
      const due = this.ticksOf(fault.atS) <= this.tick
      const over = fault.untilS !== undefined && this.ticksOf(fault.untilS) <= this.tick
      if (due && !over !== item.active) {
        item.active = due && !over
        changed = true
        this.event(item.active ? 'fault' : 'fault-over', faultOf(fault), fault.kind)
      }
      if (item.active && fault.kind === 'sun') changed = true
    }
    if (changed) this.applyFaults()
  }

  private applyFaults(): void {
    const { scenario, actuator, probe, place } = this.program
    for (const [i, view] of this.views.entries())
      Object.assign(view, { broken: false, offset: scenario.probes[i]!.offsetK ?? 0, table: undefined })
    this.stuck.clear()
    this.relays.clear()
    const doors: { node: number; to: Place; wPerK: number }[] = []
    const moved = new Map<number, Place>()
    let powerFactor = 1
    for (const { fault, active } of this.pendingFaults) {
      if (!active) continue
      switch (fault.kind) {
        case 'open':
        case 'short':
          this.views[probe(fault.probe)]!.broken = true
          break
        case 'drifted':
          this.views[probe(fault.probe)]!.offset += fault.byK
          break
        case 'sun':
          if (this.withinHours(fault.hours)) this.views[probe(fault.probe)]!.offset += fault.byK
          break
        case 'wrong-kind':
          this.views[probe(fault.probe)]!.table = fault.shows
          break
        case 'fallen-off':
          moved.set(probe(fault.probe), place(fault.place))
          break
        case 'welded':
        case 'dead':
          actuator(fault.actuator)
          this.relays.set(fault.actuator, fault.kind === 'welded')
          break
        case 'stage-missing': {
          const control = scenario.controls.find(({ id }) => id === fault.control)
          if (control?.kind === 'staged') this.relays.set(control.stages[fault.stage - 1]!.drives, false)
          break
        }
        case 'supply-low':
          powerFactor *= fault.share ** 2
          break
        case 'stuck-open':
        case 'stuck-closed':
          this.stuck.set(fault.input, fault.kind === 'stuck-closed')
          break
        case 'door-open':
          doors.push({ node: (place(fault.node) as { node: number }).node, to: place(fault.to), wPerK: fault.wPerK })
      }
    }
    const { faults } = this
    const plantTouched =
      powerFactor !== faults.powerFactor ||
      JSON.stringify([doors, ...moved]) !== JSON.stringify([faults.doors, ...faults.moved])
    this.faults = { epoch: this.faults.epoch + (plantTouched ? 1 : 0), powerFactor, doors, moved }
  }

  private checkFault(fault: Fault): void {
    const { actuator, probe, place, scenario } = this.program
    if ('probe' in fault) probe(fault.probe)
    if ('actuator' in fault) actuator(fault.actuator)
    if ('place' in fault) place(fault.place)
    if ('input' in fault) this.condition(fault.input)
    if (fault.kind === 'door-open') {
      if (!('node' in place(fault.node)))
        throw new RangeError(`node ${fault.node} of a door must be a node, not a boundary`)
      place(fault.to)
    }
    if (fault.kind === 'stage-missing') {
      const control = scenario.controls.find(({ id }) => id === fault.control)
      if (control?.kind !== 'staged' || !control.stages[fault.stage - 1])
        throw new RangeError(`stage ${fault.stage} of control ${fault.control} is not in the scenario`)
    }
  }
}

const faultOf = (fault: Fault): string =>
  'probe' in fault
    ? fault.probe
    : 'actuator' in fault
      ? fault.actuator
      : 'input' in fault
        ? fault.input
        : 'control' in fault
          ? `${fault.control} ${fault.stage}`
          : 'node' in fault
            ? fault.node
            : 'supply'

/** A reset line read by its outdoor probe. */
export class ResetView implements Unit {
  holds = true
  private readonly probe: number
  private readonly line: (outdoorC: number) => number | null
  private stopped = false
  constructor(
    private readonly m: Machine,
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

function tableValue(table: readonly (readonly number[])[], at: number): number {
  const first = table[0]!
  const last = table[table.length - 1]!
  if (at <= first[0]!) return first[1]!
  if (at >= last[0]!) return last[1]!
  const k = table.findIndex(([from]) => from! > at)
  const [a, b] = [table[k - 1]!, table[k]!]
  return a[1]! + ((b[1]! - a[1]!) * (at - a[0]!)) / (b[0]! - a[0]!)
}

/** Where a table shows a value, and whether it rises there; nothing where it never does. */
function tableInverse(table: readonly (readonly number[])[], value: number): { at: number; sign: 1 | -1 } | null {
  for (let k = 1; k < table.length; k++) {
    const [a, b] = [table[k - 1]!, table[k]!]
    const [low, high] = a[1]! < b[1]! ? [a[1]!, b[1]!] : [b[1]!, a[1]!]
    if (low === high || value < low || value > high) continue
    return { at: a[0]! + ((b[0]! - a[0]!) * (value - a[1]!)) / (b[1]! - a[1]!), sign: b[1]! > a[1]! ? 1 : -1 }
  }
  return null
}
