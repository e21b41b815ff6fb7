import type { ContactExpression } from '../wiring/contactLogic'
import type { ResetLine } from '../settings/reset/law/resetLine'
import type { ThermalFlow, ThermalGain, ThermalLink, ThermalNode } from '../plant/thermalNetwork'

/** What is simulated, as open data. Powers and conductances in SI; times from the start of the run. */
export interface Scenario {
  /** Wall-clock start and zone; hours and weekdays of schedules are counted from it (default Monday 00:00). */
  readonly start?: string
  readonly zone?: string
  readonly durationS: number
  /** 0 keeps no trace: only the summary and the events. */
  readonly traceS: number
  /** Fixed step of continuous control and plants; left out, it is chosen from the fastest time constant. */
  readonly stepS?: number
  readonly network: Network
  readonly probes: readonly ScenarioProbe[]
  readonly actuators: readonly Actuator[]
  readonly controls: readonly Control[]
  readonly inputs?: Readonly<Record<string, Input>>
  readonly permissives?: readonly { readonly drives: string; readonly expression: Expression }[]
  readonly lines?: readonly ContactLine[]
  readonly alarms?: readonly Alarm[]
  readonly faults?: readonly Fault[]
}

interface Network {
  readonly nodes: readonly (ThermalNode & { readonly startC: number })[]
  readonly links: readonly ThermalLink[]
  readonly boundaries: Readonly<Record<string, Boundary>>
  /** Constant, or an hourly line that repeats. */
  readonly gains?: readonly ThermalGain[]
  /** Flows that are not straight: they make the step engine run. */
  readonly flows?: readonly ThermalFlow[]
}

type Boundary =
  { readonly constantC: number } | { readonly hourlyC: readonly number[] } | { readonly supply: SupplyBoundary }

/** Water of a reset line: a mixing valve with a perfect actuator. Where it is shut down for warm weather the water is as warm as `restC`. */
export interface SupplyBoundary {
  readonly outdoor: string
  readonly line: ResetLine
  readonly shiftK?: number
  readonly restC?: number
}

export interface ScenarioProbe {
  readonly id: string
  /** A node or a boundary. */
  readonly node: string
  readonly lagS: number
  /** Pure dead time of whoever reads it. */
  readonly deadS?: number
  readonly offsetK?: number
  readonly bias?: { readonly towards: string; readonly share: number }
  /** It shows the relative humidity of `node`, whose moisture (g/kg) is this node. */
  readonly moisture?: string
  /** Shown less while these run: what a battery's own resistance takes, volts a running actuator. */
  readonly sags?: Readonly<Record<string, number>>
}

/**
 * Power counts positive; what a cooling control drives takes it out of its node. An actuator with no power of its own works through the
 * links it switches.
 */
export interface Actuator {
  readonly id: string
  readonly node?: string
  readonly powerW?: number
  readonly takesOut?: boolean
  /** End to end. */
  readonly travelS?: number
  /** More of its power by this share for each kelvin that `of` is over `atC`. */
  readonly perK?: { readonly of: string; readonly share: number; readonly atC: number }
  /** What it takes from a node that stores charge: amperes while it runs, ampere-seconds at each start. */
  readonly draws?: { readonly node: string; readonly runA: number; readonly startAs?: number }
}

type Action = 'heating' | 'cooling'

interface Probed {
  readonly id: string
  readonly probe: string
  readonly action: Action
  /** Temperatures count from this reset line, K. */
  readonly follows?: string
  /** All temperatures are lower by this while a schedule or input holds. */
  readonly setback?: { readonly while: string; readonly byK: number }
}

/** What an output does without its probe; `duty` runs its share of a 20-minute cycle, or at that share. */
interface ProbeFaultPlan {
  readonly probeFault: 'off' | 'on' | 'last' | 'duty'
  readonly dutyShare?: number
}

export interface OnOffControl extends Probed, ProbeFaultPlan {
  readonly kind: 'on-off'
  readonly drives: string
  readonly onC: number
  readonly offC: number
  readonly minimumOnS?: number
  readonly minimumOffS?: number
}

export interface StagedControl extends Probed, ProbeFaultPlan {
  readonly kind: 'staged'
  readonly stages: readonly { readonly drives: string; readonly onC: number; readonly offC: number }[]
  /** Between one stage and the next. */
  readonly waitS?: number
  readonly lead?: 'fixed' | 'rotate'
  readonly minimumOnS?: number
  readonly minimumOffS?: number
}

interface Band extends Probed, ProbeFaultPlan {
  readonly drives: string
  /** Temperature of nothing and of everything. */
  readonly zeroC: number
  readonly fullC: number
  readonly leastShare?: number
  readonly mostShare?: number
  /** Under the least it stands still instead. */
  readonly stopsBelow?: boolean
}

/** How often a continuous control looks and acts. */
interface Sampled {
  readonly sampleS?: number
}

export interface ProportionalControl extends Band, Sampled {
  readonly kind: 'proportional'
}

export interface PiControl extends Band, Sampled {
  readonly kind: 'pi'
  readonly setC: number
  readonly integralS: number
}

/** On for its share of a cycle; with an integral it is a PI whose output is the share. */
export interface TimeProportionedControl extends Band {
  readonly kind: 'time-proportioned'
  readonly cycleS: number
  readonly setC?: number
  readonly integralS?: number
}

/** A valve driven open and closed: it moves only when what is asked is further off than the neutral zone. */
export interface ThreePointControl extends Band, Sampled {
  readonly kind: 'three-point'
  readonly setC?: number
  readonly integralS?: number
  readonly neutralShare: number
}

export interface FanControl extends Sampled {
  readonly id: string
  readonly kind: 'fan'
  readonly drives: string
  /** The stronger one rules; values in the unit of the probe. */
  readonly demands: readonly { readonly probe: string; readonly zeroAt: number; readonly fullAt: number }[]
  readonly leastShare: number
  /** It stands where nothing is asked, instead of running at its least. */
  readonly stops?: boolean
  /** Straight from the least at nothing to full. */
  readonly scaled?: boolean
  readonly probeFault: 'off' | 'on' | 'least'
}

/** A heater that lights, runs up, gives less near the setpoint, stops above it and runs its fan on. */
export interface RampedControl extends Probed, Sampled {
  readonly kind: 'ramped'
  readonly drives: string
  readonly onC: number
  readonly offC: number
  /** Full up to here, least at `offC`. */
  readonly fullC: number
  readonly leastShare: number
  readonly igniteS: number
  readonly rampS: number
  readonly minimumOffS?: number
  readonly probeFault: 'off' | 'on'
}

/** A temperature of its own by the weather, for those that follow it. */
interface ResetControl {
  readonly id: string
  readonly kind: 'reset'
  readonly probe: string
  readonly line: ResetLine
  readonly shiftK?: number
}

/** True in its periods; named in expressions and set-backs. */
export interface ScheduleControl {
  readonly id: string
  readonly kind: 'schedule'
  /** Days on which it starts, 1 Monday to 7 Sunday. */
  readonly periods: readonly { readonly days: string; readonly start: string; readonly minutes: number }[]
}

/** True while it waits and while A runs: once, or A and B in turn. */
export interface TimerControl {
  readonly id: string
  readonly kind: 'timer'
  readonly mode: 'once' | 'repeat'
  readonly aS: number
  readonly bS: number
  /** Counts from when this probe first gets there. */
  readonly from?: { readonly probe: string; readonly action: Action; readonly atC: number }
}

export interface DefrostControl {
  readonly id: string
  readonly kind: 'defrost'
  readonly by: 'time' | 'coil'
  readonly cooling: string
  readonly fan?: string
  /** Control whose contact it opens, where others call for cooling too. Left out, none of them calls while it melts. */
  readonly opens?: string
  /** Electric; without one the running fan melts. */
  readonly heater?: string
  readonly coil: string
  /** Start to start; for `coil` the longest time without one. 0 is never. */
  readonly everyS: number
  readonly coilC?: number
  /** After a defrost, or after cooling starts, the coil is not looked at. */
  readonly blindS?: number
  readonly endC: number
  readonly longestS: number
  readonly dripS: number
  readonly fanBackC: number
  /** The fan comes back at the latest after this. */
  readonly fanDelayS?: number
}

/** Coils that melt together: the leader starts all, and cooling may wait for the last. */
export interface GroupControl {
  readonly id: string
  readonly kind: 'group'
  readonly leader: string
  readonly members: readonly string[]
  readonly waits: boolean
}

/** False once the probe's volts were under `cutOffV` for `holdS`, until they are over `restartV`. */
export interface BatteryControl {
  readonly id: string
  readonly kind: 'battery'
  readonly probe: string
  readonly cutOffV: number
  readonly holdS: number
  readonly restartV: number
}

/** Always on: a fan that runs whenever nothing says otherwise. */
export interface ConstantControl {
  readonly id: string
  readonly kind: 'constant'
  readonly drives: string
}

export type Control =
  | ConstantControl
  | OnOffControl
  | StagedControl
  | ProportionalControl
  | PiControl
  | TimeProportionedControl
  | ThreePointControl
  | FanControl
  | RampedControl
  | ResetControl
  | ScheduleControl
  | TimerControl
  | DefrostControl
  | GroupControl
  | BatteryControl

/** Controls that give a share of full and so need steps. */
export const continuousKinds = ['proportional', 'pi', 'three-point', 'fan', 'ramped'] as const

export type Input = ThresholdInput | { readonly constant: boolean } | { readonly hours: readonly (readonly number[])[] }

/** True while the probe is under `belowC` (over `aboveC`); then true again only `differentialK` back, or never when latched. */
interface ThresholdInput {
  readonly probe: string
  readonly belowC?: number
  readonly aboveC?: number
  /** Default 2 K: a limit without any would chatter. */
  readonly differentialK?: number
  readonly latched?: boolean
}

export type Expression = ContactExpression

/** In a line: whatever calls the actuator, a defrost's word before it. */
export const CALLED = 'called'

/**
 * All the contacts before an actuator, those of its controls among them, in series and in parallel: it runs exactly while they carry, at the share
 * that is called, and at full where nothing calls. A control's name is its own contact, `CALLED` is all that call it.
 */
export interface ContactLine {
  readonly drives: string
  readonly expression: Expression
}

export interface Alarm {
  readonly id: string
  readonly probe: string
  readonly aboveC?: number
  readonly belowC?: number
  readonly delayS?: number
}

interface At {
  readonly atS: number
  /** Left out, it stays to the end. */
  readonly untilS?: number
}

export type Fault = At &
  (
    | { readonly kind: 'open' | 'short'; readonly probe: string }
    | { readonly kind: 'drifted'; readonly probe: string; readonly byK: number }
    /** The probe hangs in `place` instead. */
    | { readonly kind: 'fallen-off'; readonly probe: string; readonly place: string }
    /** What is shown for what is there, straight in between, held beyond the ends. */
    | { readonly kind: 'wrong-kind'; readonly probe: string; readonly shows: readonly (readonly number[])[] }
    /** Sun on the probe between two hours of each day. */
    | { readonly kind: 'sun'; readonly probe: string; readonly byK: number; readonly hours: readonly number[] }
    | { readonly kind: 'welded' | 'dead'; readonly actuator: string }
    | { readonly kind: 'stage-missing'; readonly control: string; readonly stage: number }
    /** Share of the nominal voltage; power goes with its square. */
    | { readonly kind: 'supply-low'; readonly share: number }
    | { readonly kind: 'stuck-open' | 'stuck-closed'; readonly input: string }
    | { readonly kind: 'door-open'; readonly node: string; readonly to: string; readonly wPerK: number }
  )

export interface SimulationEvent {
  readonly atS: number
  readonly what: 'on' | 'off' | 'trip' | 'reset' | 'alarm' | 'alarm-over' | 'fault' | 'fault-over' | DefrostStep | Mode
  readonly of: string
  /** More words, such as which fault. */
  readonly why?: string
}
type DefrostStep = 'melts' | 'drips' | 'cools-again'
/** `held`: called, and kept from running by the contacts in `why`. */
type Mode = 'cut-off' | 'restart' | 'time-over' | 'held' | 'freed'

export interface SimulationResult {
  readonly summary: {
    /** Which engine ran, and its step. */
    readonly engine: 'events' | 'steps'
    readonly stepS: number
    readonly energyKwh: Readonly<Record<string, number>>
    readonly starts: Readonly<Record<string, number>>
    readonly onS: Readonly<Record<string, number>>
    readonly minimumC: Readonly<Record<string, number>>
    readonly maximumC: Readonly<Record<string, number>>
    readonly meanC: Readonly<Record<string, number>>
    /** Mean of the last day, or of the last third of a shorter run. */
    readonly settlesC: Readonly<Record<string, number>>
    readonly alarms: number
    /** Frost left, by flow, kg. */
    readonly frostKg: Readonly<Record<string, number>>
  }
  readonly trace: {
    readonly timeS: Float64Array
    readonly nodes: Readonly<Record<string, Float64Array>>
    /** As the control sees it, faults and offset in it; a probe that shows nothing is NaN. */
    readonly probes: Readonly<Record<string, Float64Array>>
    /** What each reset line asks for; NaN while it is shut down. */
    readonly lines: Readonly<Record<string, Float64Array>>
    /** 0 and 1, or a share. */
    readonly drives: Readonly<Record<string, Float32Array>>
    /** Whatever stands in permissives and lines by its name, 1 while it holds; `CALLED` with the id of each actuator that has some. */
    readonly contacts: Readonly<Record<string, Uint8Array>>
    /** What each demand of a fan with several asks for, a share; the strongest rules. By control and number, from one. */
    readonly demands: Readonly<Record<string, Float32Array>>
  }
  readonly events: readonly SimulationEvent[]
  /** Set where more happened than is kept. */
  readonly eventsLeftOut?: number
}
