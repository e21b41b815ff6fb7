import type { ControlHost, Told } from './controls/host'
import type { Unit } from './controls/unit'
import type { Gate } from './gate'
import type { Program } from './program'

/** What decides what really runs: who calls, what lets it, what a fault holds. */
interface Settling {
  readonly units: readonly Unit[]
  /** Of each actuator that has contacts in its line. */
  readonly gates: readonly (Gate | undefined)[]
  readonly relays: ReadonlyMap<string, boolean>
  readonly host: ControlHost
  /** State of the plant; a load that starts on a battery takes its start out of it. */
  readonly x: Float64Array
}

/** The actuators of a run: what calls them, what runs, where those that travel stand, what they used. */
export class ActuatorBank {
  /** Bits of the actuators whose links carry and whose power is on. */
  on = 0
  readonly position: Float64Array
  readonly slope: Float64Array
  /** What a share moves a second within the stride that is taken, of those that do not travel. */
  readonly leaning: Float64Array
  readonly energyJ: Float64Array
  readonly onTicks: Float64Array
  readonly starts: Int32Array
  private readonly calls: Float64Array
  private readonly target: Float64Array
  private readonly running: boolean[]
  private readonly told: Told[]
  /** Contacts that hold each off what is called; nothing where none does. */
  private readonly held: string[]
  private accruedTick = 0

  constructor(
    private readonly program: Program,
    private readonly tickS: number,
  ) {
    const count = program.actuators.length
    this.position = new Float64Array(count)
    this.slope = new Float64Array(count)
    this.leaning = new Float64Array(count)
    this.energyJ = new Float64Array(count)
    this.onTicks = new Float64Array(count)
    this.starts = new Int32Array(count)
    this.calls = new Float64Array(count)
    this.target = new Float64Array(count)
    this.running = program.actuators.map(() => false)
    this.told = program.actuators.map(() => undefined)
    this.held = program.actuators.map(() => '')
  }

  isRunning(actuator: number): boolean {
    return this.running[actuator]!
  }

  call(actuator: number, share: number): void {
    if (share > this.calls[actuator]!) this.calls[actuator] = share
  }

  tell(actuator: number, what: Told): void {
    this.told[actuator] = what
  }

  toldOf(actuator: number): Told {
    return this.told[actuator]
  }

  /** Where a position is at a tick, nothing else changing. */
  positionAt(actuator: number, tick: number): number {
    return this.position[actuator]! + this.slope[actuator]! * (tick - this.accruedTick) * this.tickS
  }

  /** Says when a motor that travels arrives, and when it is half way. */
  arm(host: ControlHost): void {
    for (let i = 0; i < this.slope.length; i++)
      if (this.slope[i] !== 0) {
        const perTick = this.slope[i]! * this.tickS
        host.timer(host.tick + Math.max(1, Math.ceil((this.target[i]! - this.position[i]!) / perTick - 1e-9)))
        const half = (0.5 - this.position[i]!) / perTick
        if (half > 1e-9) host.timer(host.tick + Math.ceil(half))
      }
  }

  /** Energy, run time and positions up to now. */
  accrue(tick: number, powerFactor: number): void {
    const ticks = tick - this.accruedTick
    if (ticks === 0) return
    this.accruedTick = tick
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
        if (powerW !== undefined) this.energyJ[i]! += powerW * powerFactor * mean * seconds
      } else if (powerW !== undefined && this.running[i] && this.program.energyAt[i]! < 0)
        this.energyJ[i]! += powerW * powerFactor * seconds
    }
    this.leaning.fill(0)
  }

  /** From calls to what really runs; true when a position was sent elsewhere. */
  settle({ units, gates, relays, host, x }: Settling): boolean {
    const { actuators } = this.program.scenario
    this.calls.fill(0)
    for (const unit of units) unit.give()
    let mask = 0
    let moved = false
    for (let i = 0; i < actuators.length; i++) {
      let share = this.calls[i]!
      if (this.told[i] === 'on') share = 1
      if (this.told[i] === 'off') share = 0
      const called = share > 0
      const gate = gates[i]
      if (gate) share = gate.passes(share)
      const relay = relays.get(actuators[i]!.id)
      if (relay !== undefined) share = relay ? 1 : 0
      const on = share > 0
      if (gate) this.noteHeld(i, called && !on && relay === undefined ? gate.heldBy().join(', ') : '', host)
      if (on !== this.running[i]) {
        this.running[i] = on
        host.event(on ? 'on' : 'off', actuators[i]!.id)
        if (on) {
          this.starts[i]!++
          const draws = actuators[i]!.draws
          if (draws?.startAs) {
            const place = this.program.place(draws.node) as { node: number }
            x[place.node]! -= draws.startAs / this.program.capacities[place.node]!
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

  /** Says when contacts begin to hold off what is called, when others do, and when it runs after all. */
  private noteHeld(actuator: number, by: string, host: ControlHost): void {
    const before = this.held[actuator]!
    if (by === before) return
    this.held[actuator] = by
    const { id } = this.program.scenario.actuators[actuator]!
    if (by !== '') host.event('held', id, by)
    else if (this.running[actuator] || this.calls[actuator]! > 0) host.event('freed', id)
  }
}
