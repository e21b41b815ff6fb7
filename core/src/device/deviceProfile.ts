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
