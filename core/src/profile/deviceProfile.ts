import type { Convention } from '../control/switchingPoints'
import type { ResistiveProbe } from '../probes/probe'

/** A controller, probe, load … as data, the way its leaflet describes it. Collections are maps with an order key. */
export interface DeviceProfile {
  readonly format: 1
  readonly id: string
  readonly category: Category
  readonly name: string
  readonly summary: string
  readonly terminals: Readonly<Record<string, Terminal>>
  readonly ports: Readonly<Record<string, Port>>
  readonly probe?: ProbeFacts
  readonly controller?: ControllerFacts
  readonly limiter?: LimiterFacts
  readonly note?: string
}

export const categories = ['controller', 'probe', 'relay', 'limiter', 'load', 'supply'] as const
export type Category = (typeof categories)[number]

export interface Terminal {
  readonly order: number
  readonly label: string
  readonly voltageClass: 'mains' | 'extra-low'
}

export interface ContactRating {
  readonly load: LoadKind
  readonly volts: number
  readonly amps: number
}

export const loadKinds = ['resistive', 'motor', 'compressor', 'lamp', 'capacitive', 'coil', 'dc'] as const
export type LoadKind = (typeof loadKinds)[number]

export interface ElectricLoad {
  readonly kind: LoadKind
  readonly powerW: number
  readonly volts: number
  readonly amps?: number
  readonly powerFactor?: number
}

export interface SupplyVariant {
  readonly order: number
  readonly lowV: number
  readonly highV: number
  readonly current: 'ac' | 'dc' | 'ac-dc'
  readonly line: string
  readonly neutral: string
  readonly earth?: string
}

/** A port is where a device meets another: a set of terminals with one meaning. */
export type Port =
  | SupplyOutPort
  | {
      readonly kind: 'supply-in'
      readonly title: string
      readonly drawsVa: number
      readonly variants: Readonly<Record<string, SupplyVariant>>
    }
  | { readonly kind: 'probe-out'; readonly title: string; readonly a: string; readonly b: string }
  | ProbeInPort
  | ContactPort
  | LoadPort

export interface SupplyOutPort {
  readonly kind: 'supply-out'
  readonly title: string
  readonly volts: number
  readonly current: 'ac' | 'dc'
  readonly protectionA: number
  readonly line: string
  readonly neutral: string
  readonly earth?: string
}

export interface ProbeInPort {
  readonly kind: 'probe-in'
  readonly title: string
  readonly accepts: ResistiveProbe
  readonly lowC: number
  readonly highC: number
  readonly a: string
  readonly b: string
}

export interface ContactPort {
  readonly kind: 'contact'
  readonly title: string
  readonly common: string
  readonly make: string
  readonly ratings: Readonly<Record<string, ContactRating>>
  readonly ratedOperations: number
  /** What moves it: the control, the port of a coil on the same device, or its own limit. */
  readonly movedBy: string
}

export interface LoadPort {
  readonly kind: 'load'
  readonly title: string
  readonly load: ElectricLoad
  /** What it does to the loop's heat: moves heating water, heats by its own power, or nothing (a coil). */
  readonly heat: 'water-flow' | 'element' | 'none'
  readonly line: string
  readonly neutral: string
  readonly earth?: string
}

export interface ProbeFacts {
  readonly curve: ResistiveProbe
  readonly lagS: number
  readonly toleranceK: number
}

export interface DisplayStep {
  readonly stepC: number
  readonly stepF: number
}

export interface ControllerFacts {
  readonly display: DisplayStep
  /** Conventions it can be keyed to; the first is how it comes. */
  readonly conventions: Readonly<
    Record<
      string,
      { readonly order: number; readonly convention: Convention; readonly swingIs?: 'total' | 'each-side' }
    >
  >
  readonly faultDisplay: { readonly open: string; readonly short: string }
  readonly faultOutputs: Readonly<Record<string, { readonly order: number; readonly does: 'off' | 'on' }>>
  readonly parameters: Readonly<Record<string, Parameter>>
}

export type ParameterQuantity =
  | 'setpoint'
  | 'swing'
  | 'above'
  | 'below'
  | 'offset'
  | 'lowest'
  | 'highest'
  | 'alarmHigh'
  | 'minimumOff'
  | 'probeFault'
  | 'convention'
  | 'action'
  | 'unit'

/** One parameter as the controller shows it. `binds` says which quantity of the planned behaviour it carries. */
export interface Parameter {
  readonly order: number
  readonly name: string
  readonly meaning: string
  readonly level: 'owner' | 'installer'
  readonly binds: ParameterQuantity
  /** Port of the output or input this parameter belongs to; left out when it holds for the whole controller. */
  readonly port?: string
  readonly keys: string
  /** Numbers: what it accepts, in °C or K or s. */
  readonly low?: number
  readonly high?: number
  /** Choices: what the display shows for each value. */
  readonly shows?: Readonly<Record<string, string>>
  /** Codes to be keyed again when this one changes. */
  readonly resets?: Readonly<Record<string, true>>
}

export interface LimiterFacts {
  /** What it feels with its own probe. */
  readonly feels: string
  readonly lowC: number
  readonly highC: number
  readonly reset: 'manual' | 'self'
}
