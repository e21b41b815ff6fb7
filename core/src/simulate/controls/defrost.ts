import type { Keys } from '../check/checkPart'
import type { ControlHost } from './host'
import type { DefrostControl } from '../scenario'
import { Comparator } from './comparator'
import type { Unit } from './unit'

/** What is written of it in a scenario. */
export const defrostKeys = {
  by: 'text',
  cooling: 'text',
  fan: 'text?',
  opens: 'text?',
  heater: 'text?',
  coil: 'text',
  everyS: 'from0',
  coilC: 'number?',
  blindS: 'from0?',
  endC: 'number',
  longestS: 'over0',
  dripS: 'from0',
  fanBackC: 'number',
  fanDelayS: 'from0?',
} as const satisfies Keys

type Phase = 'cools' | 'melts' | 'drips' | 'waits' | 'fan-waits'

/** Melts a coil: cooling off, heater (or the running fan) on until the coil is warm, drip, then the fan held back until it is cold. */
export class DefrostUnit implements Unit {
  /** Holds while it cools. */
  holds = true
  /** Set by a group: whose word starts it, and what it waits for. */
  led: { readonly starts: boolean; readonly mayCool: () => boolean } | undefined
  private phase: Phase = 'cools'
  private since = 0
  private startedAt = 0
  private cooledSince = 0
  private ordered = false
  private readonly warm: Comparator
  private readonly frozen: Comparator
  private readonly cold: Comparator
  private readonly cooling: number
  private readonly fan: number
  private readonly heater: number

  constructor(
    private readonly m: ControlHost,
    private readonly control: DefrostControl,
  ) {
    const { program } = m
    const coil = program.probe(control.coil)
    this.warm = new Comparator(m, coil, 1)
    this.frozen = new Comparator(m, coil, -1)
    this.cold = new Comparator(m, coil, -1)
    this.cooling = program.actuator(control.cooling)
    this.fan = control.fan === undefined ? -1 : program.actuator(control.fan)
    this.heater = control.heater === undefined ? -1 : program.actuator(control.heater)
  }

  get melted(): boolean {
    return this.phase !== 'melts'
  }
  get melting(): boolean {
    return this.phase === 'melts'
  }

  /** A leader's word. */
  start(): void {
    this.ordered = true
  }

  private go(phase: Phase): void {
    this.phase = phase
    this.since = this.m.tick
  }

  private startsAt(): number {
    return this.control.everyS > 0 ? this.startedAt + this.m.ticksOf(this.control.everyS) : Infinity
  }

  private due(): boolean {
    const { m, control } = this
    if (this.led && !this.led.starts) return this.ordered
    if (m.tick >= this.startsAt()) return true
    if (control.by !== 'coil' || control.coilC === undefined) return false
    return m.tick >= this.seesFrom() && this.frozen.is(control.coilC)
  }

  /** The coil is looked at only a while after it began to cool. */
  private seesFrom(): number {
    return this.cooledSince + this.m.ticksOf(this.control.blindS ?? 0)
  }

  act(): void {
    const { m, control } = this
    const sinceS = (m.tick - this.since) * m.tickS
    if (!m.isRunning(this.cooling)) this.cooledSince = m.tick
    if (this.phase === 'cools' && this.due()) {
      this.go('melts')
      this.startedAt = m.tick
      this.ordered = false
      m.event('melts', control.id)
    } else if (this.phase === 'melts' && (this.warm.is(control.endC) || sinceS >= control.longestS - m.tickS / 2)) {
      const why = this.warm.is(control.endC) ? 'coil' : 'time'
      this.go('drips')
      m.event('drips', control.id, why)
    }
    if (this.phase === 'drips' && (m.tick - this.since) * m.tickS >= control.dripS - m.tickS / 2) this.go('waits')
    if (this.phase === 'waits' && (this.led?.mayCool() ?? true)) {
      this.go('fan-waits')
      this.cooledSince = m.tick
      m.event('cools-again', control.id)
    }
    if (
      this.phase === 'fan-waits' &&
      (this.fan < 0 ||
        this.cold.is(control.fanBackC) ||
        (m.tick - this.since) * m.tickS >= this.fanDelayS() - m.tickS / 2)
    )
      this.go('cools')
    this.holds = this.phase === 'cools' || this.phase === 'fan-waits'
  }

  private fanDelayS(): number {
    return this.control.fanDelayS ?? 600
  }

  arm(): void {
    const { m, control } = this
    const after = (seconds: number) => m.timer(this.since + Math.max(0, m.ticksOf(seconds)))
    if (this.phase === 'cools') {
      if (!(this.led && !this.led.starts)) m.timer(this.startsAt())
      if (control.by === 'coil' && control.coilC !== undefined) {
        if (m.tick >= this.seesFrom()) this.frozen.arm(control.coilC)
        else m.timer(this.seesFrom())
      }
    } else if (this.phase === 'melts') {
      this.warm.arm(control.endC)
      after(control.longestS)
    } else if (this.phase === 'drips') after(control.dripS)
    else if (this.phase === 'fan-waits') {
      this.cold.arm(control.fanBackC)
      after(this.fanDelayS())
    }
  }

  give(): void {
    const { m } = this
    const resting = !this.holds
    m.tell(this.cooling, resting ? 'off' : undefined)
    if (this.heater >= 0) m.tell(this.heater, this.phase === 'melts' ? 'on' : 'off')
    if (this.fan >= 0)
      m.tell(
        this.fan,
        this.phase === 'melts' ? (this.heater >= 0 ? 'off' : 'on') : this.phase === 'cools' ? undefined : 'off',
      )
  }
}
