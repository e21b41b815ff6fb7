import type { Convention } from '../control/switchingPoints'
import type { PlantKind } from '../plant/estimatePlant'
import type { ResistiveProbe, Thermocouple } from '../probes/probe'
import type { Signal } from '../signal/signal'
import type { Quantity } from '../units/quantity'
import type { MenuFacts } from './menu'

/** A controller, probe, load … as data, the way its leaflet describes it. Collections are maps with an order key. */
export interface DeviceProfile {
  readonly format: 1
  readonly id: string
  /** Counts up with each change on the shelf; 1 where left out. */
  readonly version?: number
  readonly category: Category
  readonly name: string
  readonly summary: string
  /** Practice it is made for: a circuit of its voltage is found nowhere else. Left out where it suits any. */
  readonly practice?: 'iec' | 'us'
  /** Kinds of loop it is made for; left out where it suits any. */
  readonly kinds?: Readonly<Partial<Record<PlantKind, true>>>
  readonly terminals: Readonly<Record<string, Terminal>>
  readonly ports: Readonly<Record<string, Port>>
  /** What is chosen on the device itself before it is keyed: its model, its links, a parameter that turns an input into another. */
  readonly options?: Readonly<Record<string, DeviceOption>>
  readonly probe?: ProbeFacts
  readonly controller?: ControllerFacts
  readonly limiter?: LimiterFacts
  readonly load?: LoadFacts
  readonly relay?: RelayFacts
  readonly permissive?: PermissiveFacts
  readonly body?: BodyFacts
  /** Holds electronics or surge protection beside what its ports tell: insulation voltage would break it. */
  readonly electronics?: true
  /** Made to stand in water that people or animals touch, at its own voltage: reinforced insulation. */
  readonly waterSafe?: true
  /** Its terminals are marked for conductors at 75 °C. */
  readonly marked75?: true
  readonly note?: string
}

export const categories = [
  'controller',
  'probe',
  'transmitter',
  'relay',
  'limiter',
  'permissive',
  'drive',
  'load',
  'supply',
] as const
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
  readonly phases?: 1 | 3
  /** Current at switching on over running current. */
  readonly inrush?: number
}

export interface SupplyVariant {
  readonly order: number
  readonly lowV: number
  readonly highV: number
  readonly current: 'ac' | 'dc' | 'ac-dc'
  readonly line: string
  readonly neutral: string
  readonly earth?: string
  /** Second and third phase of a three-phase device. */
  readonly l2?: string
  readonly l3?: string
}

/** A port is where a device meets another: a set of terminals with one meaning. */
export type Port =
  | SupplyOutPort
  | SupplyInPort
  | ProbeOutPort
  | ProbeInPort
  | MeasureOutPort
  | MeasureInPort
  | SignalOutPort
  | SignalInPort
  | ContactPort
  | ContactInPort
  | LoadPort
  | PairPort

/** A port may be another one by an option: what the choice changes of it. */
interface Optioned {
  readonly title: string
  readonly by?: {
    readonly option: string
    readonly choices: Readonly<Record<string, Readonly<Record<string, unknown>>>>
  }
}

export interface SupplyOutPort extends Optioned {
  readonly kind: 'supply-out'
  readonly volts: number
  readonly current: 'ac' | 'dc'
  readonly protectionA: number
  readonly line: string
  readonly neutral: string
  readonly earth?: string
  readonly l2?: string
  readonly l3?: string
  /** Port that moves it, where it is the output of a drive. */
  readonly movedBy?: string
  /** What a transformer, a power supply or a battery can give. */
  readonly ratedVa?: number
  /** Safety extra-low voltage: separated from mains by double or reinforced insulation. */
  readonly safety?: true
  readonly batteryAh?: number
  /** Residual-current device before this circuit, mA. */
  readonly residualMa?: number
  /** Class A ground-fault protection: trips at 4 to 6 mA, for circuits up to 150 V to ground. */
  readonly classA?: true
  /** Two hots: `line` and `neutral` carry the full voltage between them, half of it each to the neutral named here. */
  readonly midpoint?: string
  /** The return of its extra-low secondary is earthed at one point. */
  readonly earthedCommon?: true
}

export interface SupplyInPort extends Optioned {
  readonly kind: 'supply-in'
  readonly drawsVa: number
  readonly variants: Readonly<Record<string, SupplyVariant>>
}

export interface ProbeOutPort extends Optioned {
  readonly kind: 'probe-out'
  readonly a: string
  readonly b: string
}

export interface ProbeInPort extends Optioned {
  readonly kind: 'probe-in'
  readonly accepts: ResistiveProbe | Thermocouple
  readonly lowC: number
  readonly highC: number
  readonly a: string
  readonly b: string
  /** Which place of the loop this input is for, where it is not the controlled one. */
  readonly feels?: ProbePlace
}

/** Signal of a transmitter: runs straight from `low` to `high`, °C or % RH. */
export interface MeasureOutPort extends Optioned {
  readonly kind: 'measure-out'
  readonly measures: 'temperature' | 'humidity'
  readonly signal: Signal
  readonly low: number
  readonly high: number
  readonly plus: string
  readonly minus: string
  /** Two-wire: fed through its own loop, dropping this much. */
  readonly loop?: { readonly dropV: number }
}

export interface MeasureInPort extends Optioned {
  readonly kind: 'measure-in'
  readonly measures: 'temperature' | 'humidity'
  readonly signal: Signal
  readonly low: number
  readonly high: number
  readonly plus: string
  readonly minus: string
  readonly burdenOhm?: number
  /** Feeds a two-wire transmitter with this much. */
  readonly loopV?: number
}

export interface SignalOutPort extends Optioned {
  readonly kind: 'signal-out'
  readonly signal: Signal
  readonly plus: string
  readonly minus: string
  /** Most it can source into a voltage input. */
  readonly sourceMa?: number
  /** Most burden of a current loop. */
  readonly mostOhm?: number
  /** Its common is the supply's own: two devices on one secondary then share it. */
  readonly common?: 'supply' | 'isolated'
  readonly action?: 'heating' | 'cooling'
  /** Port that moves it, where it is the far side of a converter. */
  readonly movedBy?: string
}

export interface SignalInPort extends Optioned {
  readonly kind: 'signal-in'
  readonly signal: Signal
  readonly plus: string
  readonly minus: string
  readonly does: Effect
  readonly givesW?: number
  readonly needMa?: number
  readonly burdenOhm?: number
  /** Current that the input itself pushes out, mA. */
  readonly pushesMa?: number
  /** Least that moves it, share of its span. */
  readonly leastPercent?: number
}

export const contactRoles = ['alarm', 'defrost', 'fan', 'timer', 'open', 'close', 'pump', 'backup', 'light'] as const
export type ContactRole = (typeof contactRoles)[number]

export interface ContactPort extends Optioned {
  readonly kind: 'contact'
  /** Where the current comes in; of a fed contact where it goes back. */
  readonly common: string
  readonly make: string
  /** Third terminal of a changeover contact. */
  readonly breaks?: string
  /** Second pole, moved together with the first: it breaks the other leg. */
  readonly second?: { readonly common: string; readonly make: string }
  readonly ratings: Readonly<Record<string, ContactRating>>
  readonly ratedOperations: number
  /** What moves it: the control, the port of a coil on the same device, its own limit, flow, a door, a hand. */
  readonly movedBy: string
  /** What else it is than a stage of the control. */
  readonly role?: ContactRole
  /** Action it is made for, where it cannot be keyed. */
  readonly action?: 'heating' | 'cooling'
  /** Switches the device's own supply (or its own low voltage) out: not a dry contact. */
  readonly fed?: { readonly from: 'supply' | 'own'; readonly volts: number; readonly current: 'ac' | 'dc' }
  /** A solid-state output: leaks when off, and fails closed. */
  readonly solidState?: { readonly leakMa: number }
  /** Least that keeps it clean; left out for a plain power contact. */
  readonly least?: { readonly volts: number; readonly amps: number }
}

/** An input that wants a dry contact, wetted by itself. */
export interface ContactInPort extends Optioned {
  readonly kind: 'contact-in'
  readonly a: string
  readonly b: string
  readonly wets: { readonly volts: number; readonly amps: number }
  readonly does: Effect
  readonly givesW?: number
}

export const effects = ['element', 'fuel', 'water-flow', 'cooling', 'air-flow', 'defrost', 'light', 'none'] as const
/** What a load does to the loop: heats by its own power, burns fuel, moves heating water, takes heat out, moves air … or nothing (a coil). */
export type Effect = (typeof effects)[number]

export interface LoadPort extends Optioned {
  readonly kind: 'load'
  readonly load: ElectricLoad
  readonly does: Effect
  /** Heat or cold it gives, where that is not its electric power. */
  readonly givesW?: number
  readonly line: string
  readonly neutral: string
  readonly earth?: string
  readonly l2?: string
  readonly l3?: string
  /** Which of a three-point drive's two inputs it is. */
  readonly role?: 'open' | 'close'
}

/** Three wires on which controllers of one group talk. */
export interface PairPort extends Optioned {
  readonly kind: 'pair'
  readonly a: string
  readonly b: string
  readonly common: string
}

export interface DeviceOption {
  readonly order: number
  readonly title: string
  readonly by: 'model' | 'link' | 'parameter'
  /** Code of the parameter that sets it. */
  readonly parameter?: string
  readonly choices: Readonly<Record<string, { readonly order: number; readonly title: string; readonly does: string }>>
}

export const probePlaces = [
  'air',
  'return-air',
  'floor',
  'pipe',
  'pocket',
  'water',
  'outdoor',
  'coil',
  'surface',
  'oven',
] as const
export type ProbePlace = (typeof probePlaces)[number]

export interface ProbeFacts {
  readonly curve: ResistiveProbe | Thermocouple
  readonly lagS: number
  readonly toleranceK: number
  readonly lowC?: number
  readonly highC?: number
  /** Where it is made to sit. */
  readonly places?: Readonly<Partial<Record<ProbePlace, true>>>
  readonly wires?: 2 | 3
}

export interface DisplayStep {
  readonly stepC: number
  readonly stepF: number
}

export const controls = [
  'on-off',
  'staged',
  'modulating',
  'time-proportioned',
  'reset',
  'fan',
  'defrost',
  'timer',
  'battery',
  'group',
] as const
export type Control = (typeof controls)[number]

export const faultActions = ['off', 'on', 'last', 'duty'] as const

export interface ControllerFacts {
  readonly display: DisplayStep
  /** Ways it can control. */
  readonly controls?: Readonly<Partial<Record<Control, true>>>
  /** What its set can be. */
  readonly range?: { readonly lowC: number; readonly highC: number }
  /** Conventions it can be keyed to; the first is how it comes. */
  readonly conventions: Readonly<
    Record<
      string,
      { readonly order: number; readonly convention: Convention; readonly swingIs?: 'total' | 'each-side' }
    >
  >
  readonly faultDisplay: { readonly open: string; readonly short: string }
  readonly faultOutputs: Readonly<
    Record<string, { readonly order: number; readonly does: (typeof faultActions)[number] }>
  >
  readonly parameters: Readonly<Record<string, Parameter>>
  readonly menu?: MenuFacts
  /** How it makes its own voltage from the supply: what may share a secondary with it. */
  readonly rectifies?: 'half' | 'full' | 'isolated'
  /** Inputs separated from mains by double or reinforced insulation. */
  readonly probeSafe?: true
  /** Starts by itself after a power loss, with the values it had. */
  readonly restarts?: boolean
}

export const parameterQuantities = [
  'setpoint',
  'swing',
  'above',
  'below',
  'offset',
  'lowest',
  'highest',
  'alarmHigh',
  'alarmLow',
  'minimumOff',
  'probeFault',
  'duty',
  'convention',
  'action',
  'unit',
  'input',
  'stageCount',
  'stageWait',
  'lead',
  'band',
  'anchor',
  'integral',
  'least',
  'most',
  'cycle',
  'travel',
  'humidity',
  'humidityBand',
  'minimumMode',
  'reset.coldOutdoor',
  'reset.coldSupply',
  'reset.mildOutdoor',
  'reset.mildSupply',
  'reset.least',
  'reset.most',
  'reset.shutdown',
  'reset.frostOutdoor',
  'reset.frostSupply',
  'reset.average',
  'reset.shift',
  'reset.setback',
  'defrost.by',
  'defrost.every',
  'defrost.coil',
  'defrost.end',
  'defrost.longest',
  'defrost.drip',
  'defrost.fanBack',
  'defrost.blind',
  'defrost.leads',
  'defrost.waits',
  'battery.cutOff',
  'battery.hold',
  'battery.restart',
  'timer.mode',
  'timer.a',
  'timer.b',
  'timer.from',
  'timer.counts',
  'period1.mode',
  'period1.days',
  'period1.start',
  'period1.run',
  'period2.mode',
  'period2.days',
  'period2.start',
  'period2.run',
  'period3.mode',
  'period3.days',
  'period3.start',
  'period3.run',
  'once.run',
  'lock',
] as const
export type ParameterQuantity = (typeof parameterQuantities)[number]

/** One parameter as the controller shows it. `binds` says which quantity of the planned behaviour it carries. */
export interface Parameter {
  readonly order: number
  readonly name: string
  readonly meaning: string
  readonly level: 'owner' | 'installer'
  readonly binds?: ParameterQuantity
  /** Port of the output or input this parameter belongs to; left out when it holds for the whole controller. */
  readonly port?: string
  /** Level of the menu where it stands; left out where it is set by hand. */
  readonly menu?: string
  /** What it is set with where there is no menu for it: a dial, a link, a screw. */
  readonly hand?: string
  readonly quantity?: Quantity
  /** Numbers: what it accepts, in the contract's unit, and its step as shown. */
  readonly low?: number
  readonly high?: number
  readonly step?: number
  /** As it comes: a number, or what the display shows. */
  readonly comes?: number | string
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
  readonly places?: Readonly<Partial<Record<ProbePlace, true>>>
  /** Opens on rise unless it guards against frost. */
  readonly opens?: 'rise' | 'fall'
  /** A bulb with its capillary that can be laid into a bath, or a bimetal that feels at its own body. A bulb where nothing is said. */
  readonly sensing?: 'bulb' | 'bimetal'
}

/** What a load asks of whoever switches it, and what it brings along. */
export interface LoadFacts {
  readonly minimumOffS?: number
  readonly minimumOnS?: number
  readonly startsPerHour?: number
  /** It times its own least rest from its stop. */
  readonly timesOwnRest?: true
  readonly fuel?: 'gas' | 'oil' | 'diesel' | 'pellet'
  /** The maker's own safety chain, in its words. */
  readonly ownSafety?: string
  /** An own limiter with own probe, own contactor and reset by hand. */
  readonly ownLimiter?: string
  readonly afterRun?: { readonly s: number; readonly ah: number }
  readonly glowA?: number
  readonly glowS?: number
  readonly runA?: number
  /** Return that it wants at steady run. */
  readonly returnMinC?: number
  readonly condensing?: true
  readonly inverter?: true
  readonly refrigerant?: 'plain' | 'flammable'
  readonly movesM3h?: number
  readonly openFlame?: true
  /** An alarm, and whether it hangs on a supply of its own. */
  readonly alarm?: 'own-supply' | 'same-supply'
}

export interface RelayFacts {
  /** Coil and contacts, or two contacts, may carry mains and safety extra-low voltage side by side. */
  readonly separated?: true
}

export interface PermissiveFacts {
  readonly senses: 'flow' | 'pressure' | 'door' | 'time' | 'hand' | 'frost' | 'air-flow' | 'co' | 'level'
  /** Temperature at which it opens as it comes, where it feels one, and what it can be set to. */
  readonly opensAtC?: number
  readonly lowC?: number
  readonly highC?: number
}

/** Outside of a device: what a panel, a box or a wall must know. */
export interface BodyFacts {
  readonly mount: 'panel' | 'wall' | 'rail' | 'pipe' | 'box'
  readonly widthMm: number
  readonly heightMm: number
  readonly depthMm: number
  readonly cutOut?: { readonly widthMm: number; readonly heightMm: number; readonly toleranceMm: number }
  /** First figure against solids, second against water, as on the nameplate. */
  readonly protection?: number
  readonly lowC?: number
  readonly highC?: number
}
