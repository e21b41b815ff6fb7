import type { OfKind, Value } from '../schema/value'
import type { controllerRecord, parameterRecord } from './fields/controllerFields'
import type {
  bodyRecord,
  deviceRecord,
  optionRecord,
  permissiveFactsRecord,
  probeFactsRecord,
  terminalRecord,
} from './fields/deviceFields'
import type { electricLoadRecord, portVariant, ratingRecord, supplyVariantRecord } from './fields/portFields'

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

export const loadKinds = ['resistive', 'motor', 'compressor', 'lamp', 'capacitive', 'coil', 'dc'] as const
export type LoadKind = (typeof loadKinds)[number]

export const contactRoles = ['alarm', 'defrost', 'fan', 'timer', 'open', 'close', 'pump', 'backup', 'light'] as const
export type ContactRole = (typeof contactRoles)[number]

export const effects = ['element', 'fuel', 'water-flow', 'cooling', 'air-flow', 'defrost', 'light', 'none'] as const
/** What a load does to the loop: heats by its own power, burns fuel, moves heating water, takes heat out, moves air … or nothing (a coil). */
export type Effect = (typeof effects)[number]

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

/** A controller, probe, load … as data, the way its leaflet describes it. Collections are maps with an order key. */
export interface DeviceProfile extends Value<typeof deviceRecord> {}
export interface Terminal extends Value<typeof terminalRecord> {}
export interface ContactRating extends Value<typeof ratingRecord> {}
export interface ElectricLoad extends Value<typeof electricLoadRecord> {}
export interface SupplyVariant extends Value<typeof supplyVariantRecord> {}

/** A port is where a device meets another: a set of terminals with one meaning. */
export type Port = Value<typeof portVariant>
type PortOf<K extends Port['kind']> = OfKind<typeof portVariant, K>
export interface SupplyOutPort extends PortOf<'supply-out'> {}
export interface ProbeInPort extends PortOf<'probe-in'> {}
export interface SignalOutPort extends PortOf<'signal-out'> {}
export interface SignalInPort extends PortOf<'signal-in'> {}
export interface ContactPort extends PortOf<'contact'> {}
export interface ContactInPort extends PortOf<'contact-in'> {}
export interface LoadPort extends PortOf<'load'> {}

export interface DeviceOption extends Value<typeof optionRecord> {}
export interface ProbeFacts extends Value<typeof probeFactsRecord> {}
export interface ControllerFacts extends Value<typeof controllerRecord> {}
/** One parameter as the controller shows it. `binds` says which quantity of the planned behaviour it carries. */
export interface Parameter extends Value<typeof parameterRecord> {}
export interface PermissiveFacts extends Value<typeof permissiveFactsRecord> {}
/** Outside of a device: what a panel, a box or a wall must know. */
export interface BodyFacts extends Value<typeof bodyRecord> {}
