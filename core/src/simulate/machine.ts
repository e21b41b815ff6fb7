import { ActuatorBank } from './actuatorBank'
import { Gate } from './gate'
import { AlarmUnit } from './controls/alarm'
import { ContinuousUnit } from './controls/continuousUnit'
import type { DefrostUnit } from './controls/defrost'
import type { Base, ControlHost, Following, Told } from './controls/host'
import { ResetUnit } from './controls/reset'
import { ThresholdUnit } from './controls/threshold'
import { stageContact, StagedUnit } from './controls/staged'
import type { Unit } from './controls/unit'
import { rankOf, unitOf } from './controls/unitOf'
import { FaultBoard } from './faultBoard'
import { ProbeViews } from './probeViews'
import type { PlantFaults, Program } from './program'
import { CALLED, type SimulationEvent } from './scenario'

/** Events kept; what happens after is counted. */
const MOST_EVENTS = 50_000

const DAY_S = 86400
const HOUR_S = 3600
/**
 * Everything that switches: probes as they are read, controls, permissives, faults, alarms. Between two calls of `act` nothing of it
 * changes; what is armed says when it may.
 */
export class Machine implements ControlHost {
  tick = 0
  x: Float64Array
  readonly events: SimulationEvent[] = []
  eventsLeftOut = 0
  alarms = 0

  readonly watchAt: Int32Array
  readonly watchC: Float64Array
  readonly watchSign: Float64Array
  watches = 0
  /** Watches whose value moves with another probe: kept apart. */
  readonly moving: { probe: number; sign: number; thresholdC: () => number | null }[] = []
  nextTick = 0

  private readonly bank: ActuatorBank
  private readonly views: ProbeViews
  private readonly board: FaultBoard
  private readonly units: Unit[] = []
  private readonly named = new Map<string, () => boolean>()
  private readonly resets = new Map<string, ResetUnit>()
  private readonly continuous: ContinuousUnit[] = []
  /** Those of them that alone move an output without a motor, at each look of the run. */
  private readonly steady: readonly ContinuousUnit[]
  private readonly gates: readonly (Gate | undefined)[]
  /** Contacts that are written down with the run, by name. */
  readonly contacts: ReadonlyMap<string, () => boolean>

  constructor(
    readonly program: Program,
    readonly tickS: number,
    readonly endTick: number,
    readonly sampleTicks: number,
  ) {
    const { scenario } = program
    // A control watches four temperatures at most, a stage two; an input or an alarm two.
    const most = scenario.controls.reduce(
      (sum, control) => sum + 4 + (control.kind === 'staged' ? 2 * control.stages.length : 0),
      2 * Object.keys(scenario.inputs ?? {}).length + 2 * (scenario.alarms?.length ?? 0),
    )
    this.watchAt = new Int32Array(most)
    this.watchC = new Float64Array(most)
    this.watchSign = new Float64Array(most)
    this.x = program.start.slice()
    this.bank = new ActuatorBank(program, tickS)
    this.views = new ProbeViews(program, (actuator) => this.bank.isRunning(actuator))
    this.board = new FaultBoard(program, this, this.views)

    for (const [name, input] of Object.entries(scenario.inputs ?? {})) {
      const unit = 'probe' in input || 'hours' in input ? new ThresholdUnit(this, name, input) : undefined
      if (unit) this.units.push(unit)
      const holds = unit ? () => unit.holds : () => 'constant' in input && input.constant
      this.named.set(name, () => this.board.stuck.get(name) ?? holds())
    }
    const defrosts = new Map<string, DefrostUnit>()
    for (const control of [...scenario.controls].sort((a, b) => rankOf(a) - rankOf(b))) {
      if (this.named.has(control.id))
        throw new RangeError(`control ${control.id} is there twice, or an input is called so`)
      const unit = unitOf(this, control, defrosts)
      if (unit instanceof ResetUnit) this.resets.set(control.id, unit)
      this.named.set(control.id, () => unit.holds)
      if (unit instanceof StagedUnit)
        unit.stages.forEach((_, i) => this.named.set(stageContact(control.id, i + 1), () => unit.stages[i]!))
      this.units.push(unit)
      if (unit instanceof ContinuousUnit) this.continuous.push(unit)
    }
    for (const alarm of scenario.alarms ?? []) this.units.push(new AlarmUnit(this, alarm))
    this.steady = this.continuous.filter(
      (unit) =>
        unit.keepsUp &&
        !((scenario.actuators[unit.actuator]!.travelS ?? 0) > 0) &&
        !scenario.lines?.some(({ drives }) => drives === program.actuators[unit.actuator]) &&
        this.continuous.every((other) => other === unit || other.actuator !== unit.actuator),
    )
    this.gates = this.gatesOf()
    const contacts = new Map<string, () => boolean>()
    this.gates.forEach((gate, i) => {
      if (!gate) return
      for (const name of gate.names) if (name !== CALLED) contacts.set(name, () => gate.holds(name))
      contacts.set(`${CALLED} ${program.actuators[i]!}`, () => gate.holds(CALLED))
    })
    this.contacts = contacts
    this.board.checkAll()
  }

  /** What the faults do to the plant now. */
  get faults(): PlantFaults {
    return this.board.plant
  }

  get on(): number {
    return this.bank.on
  }
  get position(): Float64Array {
    return this.bank.position
  }
  get slope(): Float64Array {
    return this.bank.slope
  }
  get leaning(): Float64Array {
    return this.bank.leaning
  }
  get energyJ(): Float64Array {
    return this.bank.energyJ
  }
  get onTicks(): Float64Array {
    return this.bank.onTicks
  }
  get starts(): Int32Array {
    return this.bank.starts
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
    return this.views.shown(probe, this.x[this.program.probeAt(probe)]!)
  }

  /** What is shown over what is there, where it is that simple; NaN where nothing is shown; undefined where it is not. */
  plainOffset(probe: number): number | undefined {
    return this.views.plainOffset(probe)
  }

  /** Where a position is at a tick, nothing else changing. */
  positionAt(actuator: number, tick: number): number {
    return this.bank.positionAt(actuator, tick)
  }

  isBroken(probe: number): boolean {
    return this.views.isBroken(probe)
  }

  isRunning(actuator: number): boolean {
    return this.bank.isRunning(actuator)
  }

  /** Whether an input, a schedule, a timer or another control holds. @throws RangeError naming one that is not there */
  condition(name: string): () => boolean {
    if (!this.named.has(name) && !this.program.scenario.controls.some(({ id }) => id === name))
      throw new RangeError(
        `condition ${name} is neither an input nor a control; there are ${[...this.named.keys(), ...this.program.scenario.controls.map(({ id }) => id)].join(', ') || 'none'}`,
      )
    return () => this.named.get(name)!()
  }

  /** What stands in each actuator's line. @throws RangeError for two lines of one actuator, and for a name that is not there */
  private gatesOf(): readonly (Gate | undefined)[] {
    const { scenario, actuators, actuator } = this.program
    const { permissives = [], lines = [], controls } = scenario
    for (const { drives } of [...permissives, ...lines]) actuator(drives)
    return actuators.map((id, i) => {
      const permits = permissives.filter(({ drives }) => drives === id).map(({ expression }) => expression)
      const own = lines.filter(({ drives }) => drives === id)
      if (own.length > 1) throw new RangeError(`lines of ${id} are ${own.length}: one at most`)
      if (permits.length === 0 && own.length === 0) return undefined
      const conditions = new Map<string, () => boolean>()
      const gate = new Gate({ permits, line: own[0]?.expression, holds: (name) => conditions.get(name)!() })
      for (const name of gate.names) if (name !== CALLED) conditions.set(name, this.condition(name))
      // A defrost opens the contact of the control whose cooling it stops.
      for (const defrost of controls)
        if (defrost.kind === 'defrost' && defrost.opens !== undefined && defrost.cooling === id) {
          const holds = conditions.get(defrost.opens)
          if (holds) conditions.set(defrost.opens, () => this.bank.toldOf(i) !== 'off' && holds())
        }
      return gate
    })
  }

  /** Temperature that a control's own temperatures count from; `null` while its reset line is shut down. */
  base(control: Following): Base {
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
    this.bank.call(actuator, share)
  }

  /** A defrost's word goes before any call. */
  tell(actuator: number, what: Told): void {
    this.bank.tell(actuator, what)
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
    const found = this.views.stateAt(probe, shownC)
    if (!found) return
    const w = this.watches++
    this.watchAt[w] = this.program.probeAt(probe)
    this.watchC[w] = found.at
    this.watchSign[w] = sign * found.sign
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
    this.board.turn()
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
    this.board.arm()
    this.bank.arm(this)
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
    this.bank.accrue(this.tick, this.faults.powerFactor)
  }

  /** From calls to what really runs; true when a position was sent elsewhere. */
  private settle(): boolean {
    const { units, gates, board, x } = this
    return this.bank.settle({ units, gates, relays: board.relays, host: this, x })
  }
}
