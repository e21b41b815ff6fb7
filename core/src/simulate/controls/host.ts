import type { Program } from '../program'
import type { SimulationEvent } from '../scenario'

/** What an actuator is told besides its calls: by a defrost, or by a fault. */
export type Told = 'on' | 'off' | undefined

/** A control whose temperatures may count from a reset line, and be set back by a schedule. */
export interface Following {
  readonly follows?: string
  readonly setback?: { readonly while: string; readonly byK: number }
}

/** The temperature that a control's own temperatures count from. */
export interface Base {
  /** `null` while its reset line is shut down. */
  now(): number | null
  /** Whether it moves with the weather. */
  readonly moves: boolean
}

/** Where a control stands: the moment, what it reads, what it may move, and how it says what it waits for. */
export interface ControlHost {
  readonly program: Program
  readonly tick: number
  readonly tickS: number
  readonly atS: number
  readonly sampleTicks: number
  /** Alarms that were raised so far. */
  alarms: number
  readonly position: Float64Array
  ticksOf(seconds: number): number
  /** What a probe shows; nothing when it is broken. */
  reading(probe: number): number | null
  isBroken(probe: number): boolean
  isRunning(actuator: number): boolean
  /** Whether an input, a schedule, a timer or another control holds. @throws RangeError naming one that is not there */
  condition(name: string): () => boolean
  base(control: Following): Base
  call(actuator: number, share?: number): void
  /** A defrost's word goes before any call. */
  tell(actuator: number, what: Told): void
  event(what: SimulationEvent['what'], of: string, why?: string): void
  /** Something may act at this tick. */
  timer(tick: number): void
  /** Something may act once a probe shows this much (sign 1: and more, −1: and less). */
  watch(probe: number, shownC: number, sign: number): void
  /** The same where the temperature moves with a reset line. */
  watchMoving(probe: number, thresholdC: () => number | null, sign: number): void
  withinHours(hours: readonly number[]): boolean
  nextEdge(hours: readonly (readonly number[])[]): number
}
