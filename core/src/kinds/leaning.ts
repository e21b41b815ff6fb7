import type { Category, Control, Effect, ProbePlace, Sense } from '../choices/deviceChoices'

/** A device that the proposal's chain wants, by what it can do and never by its name. */
export interface Wanted {
  readonly category: Category
  /** What it is for, in words. */
  readonly as: string
  readonly places?: readonly ProbePlace[]
  readonly control?: Control
  readonly does?: Effect
  readonly senses?: Sense
  readonly stages?: number
  readonly measures?: 'temperature' | 'humidity'
  /** An alarm on a supply of its own. */
  readonly alarm?: true
}

/** What a kind leans to before its numbers are known. */
export interface Leaning {
  /** Control that is used when the numbers allow it. */
  readonly control: Control
  /** Why, in one line. */
  readonly because: string
  readonly would: string
  /** Load that the control moves. */
  readonly does: readonly Effect[]
  /** Most stages that make sense. */
  readonly mostStages: number
  readonly also: readonly Wanted[]
  /** Row of the usual proportional band, for the droop that it would bring. */
  readonly band?: string
}
