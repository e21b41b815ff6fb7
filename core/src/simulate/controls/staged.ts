import type { Keys } from '../check/checkPart'
import { faulted, probed } from './keys'
import type { Base, ControlHost } from './host'
import type { StagedControl } from '../scenario'
import { Comparator } from './comparator'
import { Duty } from './duty'
import type { Unit } from './unit'

/** What is written of it in a scenario. */
export const stagedKeys = {
  ...probed,
  ...faulted,
  stages: 'list',
  waitS: 'from0?',
  lead: 'text?',
  minimumOnS: 'from0?',
  minimumOffS: 'from0?',
} as const satisfies Keys

/** Name of the contact of a stage, counted from one, in lines and permissives. */
export const stageContact = (control: string, stage: number) => `${control} ${stage}`

/** Stages that come and go one after another, with rests, a wait between two, and a fixed or changing lead. */
export class StagedUnit implements Unit {
  holds = false
  private readonly probe: number
  private readonly actuators: readonly number[]
  private readonly turnsOn: readonly Comparator[]
  private readonly turnsOff: readonly Comparator[]
  private readonly base: Base
  private readonly duty: Duty
  /** What each step of the ladder asks for. */
  private readonly asked: boolean[]
  private readonly running: boolean[]
  private readonly since: number[]
  private lastAdded = Number.NEGATIVE_INFINITY

  constructor(
    private readonly m: ControlHost,
    private readonly control: StagedControl,
  ) {
    const { stages, action } = control
    this.probe = m.program.probe(control.probe)
    this.actuators = stages.map(({ drives }) => m.program.actuator(drives))
    const sign = action === 'heating' ? 1 : -1
    this.turnsOn = stages.map(() => new Comparator(m, this.probe, sign === 1 ? -1 : 1))
    this.turnsOff = stages.map(() => new Comparator(m, this.probe, sign))
    this.base = m.base(control)
    this.duty = new Duty(m, control.dutyShare ?? 0.5)
    this.asked = stages.map(() => false)
    this.running = stages.map(() => false)
    this.since = stages.map(() => Number.NEGATIVE_INFINITY)
  }

  private count(): number {
    const { m, control, asked } = this
    if (m.isBroken(this.probe)) {
      const { probeFault } = control
      if (probeFault === 'last') return asked.filter(Boolean).length
      return probeFault === 'on' ? asked.length : probeFault === 'duty' && this.duty.on() ? 1 : 0
    }
    this.duty.rest()
    const base = this.base.now()
    control.stages.forEach(({ onC, offC }, i) => {
      const off = base === null || this.turnsOff[i]!.is(base + offC)
      const on = base !== null && this.turnsOn[i]!.is(base + onC)
      asked[i] = asked[i] ? !off : on
    })
    return asked.filter(Boolean).length
  }

  /** Stages that may start, the one that comes first in front. */
  private ready(): number[] {
    const { minimumOffS = 0, lead } = this.control
    const rest = this.m.ticksOf(minimumOffS)
    const idle = this.running.flatMap((on, i) => (!on && this.m.tick >= this.since[i]! + rest ? [i] : []))
    return lead === 'rotate' ? idle.sort((a, b) => this.since[a]! - this.since[b]! || a - b) : idle
  }

  private leaving(): number[] {
    const { minimumOnS = 0, lead } = this.control
    const least = this.m.ticksOf(minimumOnS)
    const busy = this.running.flatMap((on, i) => (on && this.m.tick >= this.since[i]! + least ? [i] : []))
    return lead === 'rotate' ? busy.sort((a, b) => this.since[a]! - this.since[b]! || a - b) : busy.reverse()
  }

  /** Whether each stage's contact is closed. */
  get stages(): readonly boolean[] {
    return this.running
  }

  private turn(stage: number, on: boolean): void {
    this.running[stage] = on
    this.since[stage] = this.m.tick
  }

  act(): void {
    const wanted = this.count()
    const wait = this.m.ticksOf(this.control.waitS ?? 0)
    let now = this.running.filter(Boolean).length
    for (const stage of this.leaving()) {
      if (now <= wanted) break
      this.turn(stage, false)
      now--
    }
    for (const stage of this.ready()) {
      if (now >= wanted || this.m.tick < this.lastAdded + wait) break
      // Without a rotation each stage has its own place in the row: one that rests holds the row up.
      if (this.control.lead !== 'rotate' && this.running.indexOf(false) !== stage) break
      this.turn(stage, true)
      this.lastAdded = this.m.tick
      now++
      if (wait > 0) break
    }
    this.holds = now > 0
  }

  arm(): void {
    const { m, control } = this
    const { minimumOnS = 0, minimumOffS = 0, waitS = 0 } = control
    this.running.forEach((on, i) => m.timer(this.since[i]! + m.ticksOf(on ? minimumOnS : minimumOffS)))
    m.timer(this.lastAdded + m.ticksOf(waitS))
    if (m.isBroken(this.probe)) {
      if (control.probeFault === 'duty') this.duty.arm()
      return
    }
    const base = this.base.now()
    if (base === null) return
    const dead = (m.program.scenario.probes[this.probe]!.deadS ?? 0) > 0
    control.stages.forEach(({ onC, offC }, i) => {
      const wait = (comparator: Comparator, offset: number) =>
        comparator.arm(
          base + offset,
          this.base.moves
            ? () => {
                const now = this.base.now()
                return now === null ? null : now + offset
              }
            : undefined,
        )
      if (this.asked[i] || dead) wait(this.turnsOff[i]!, offC)
      if (!this.asked[i] || dead) wait(this.turnsOn[i]!, onC)
    })
  }

  give(): void {
    this.actuators.forEach((actuator, i) => {
      if (this.running[i]) this.m.call(actuator)
    })
  }
}
