import type { ResetLine } from '../control/resetLine'

/** How the stages of one controller follow one another. */
export interface StagePlan {
  /** Between one stage and the next. */
  readonly waitS: number
  /** Always the same first, or the one that rested longest. */
  readonly lead: 'fixed' | 'rotate'
}

/** An outdoor reset line with what belongs to it. */
export interface ResetPlan extends ResetLine {
  /** Outdoor temperature averaged over this; 0 takes that of now. */
  readonly averageH: number
  /** All supply temperatures up or down, what an owner turns. */
  readonly shiftK: number
  /** Down by this in the periods of the week that say so. */
  readonly setbackK: number
}

/** Melting a coil: when, until when, and what waits for it. */
export interface DefrostPlan {
  /** Started by the clock, or when the coil is this cold. */
  readonly by: 'time' | 'coil'
  readonly everyH: number
  readonly coilC?: number
  readonly endC: number
  readonly longestMin: number
  readonly dripMin: number
  readonly fanBackC: number
  readonly blindMin: number
  /** Of a group: whether this one starts the others, and whether cooling waits for all of them. */
  readonly leads?: boolean
  readonly waits?: boolean
}

/** When a battery is too low to run on. */
export interface BatteryPlan {
  readonly cutOffV: number
  readonly holdS: number
  readonly restartV: number
}

/** One period of a week. */
export interface WeekPeriod {
  readonly order: number
  /** What it does: runs, or a mode of the controller. */
  readonly mode: string
  /** Days on which it starts, 1 Monday to 7 Sunday, each as a digit: "12345". */
  readonly days: string
  /** Wall time, "06:30". */
  readonly start: string
  readonly minutes: number
}

export interface WeekPlan {
  readonly periods: Readonly<Record<string, WeekPeriod>>
  /** Run time of the timer that runs once. */
  readonly onceMin?: number
}

/** A timer that counts down once, or repeats A and B. */
export interface TimerPlan {
  readonly mode: 'once' | 'repeat'
  readonly aS: number
  readonly bS: number
  /** Starts with a key, or when the set is reached. */
  readonly from: 'key' | 'heat'
  readonly counts: 'down' | 'up'
}

/** What is planned for a controller as a whole, besides its outputs. What is left out is as it comes by its kind of loop. */
export interface ControllerPlan {
  readonly stages?: StagePlan
  readonly reset?: ResetPlan
  readonly defrost?: DefrostPlan
  readonly battery?: BatteryPlan
  readonly week?: WeekPlan
  readonly timer?: TimerPlan
  /** Parameters that no instrument holds, by code: a number in the contract's unit, or what is meant. */
  readonly values?: Readonly<Record<string, number | string>>
  /** Parameters that the owner may touch and the keys are to keep from him, or the other way round, by code. */
  readonly owner?: Readonly<Record<string, boolean>>
  /** What keeps the installer's level shut. */
  readonly lock?: { readonly shut: boolean }
}
