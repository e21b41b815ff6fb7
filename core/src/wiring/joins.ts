import type { Port } from '../device/deviceProfile'

/** Which kinds of port can be joined at all, the giving side first. Whether they also fit is judged afterwards. */
const pairs: Readonly<Partial<Record<Port['kind'], readonly Port['kind'][]>>> = {
  'supply-out': ['supply-in', 'contact', 'load'],
  'probe-out': ['probe-in', 'measure-in'],
  'measure-out': ['measure-in', 'probe-in'],
  contact: ['contact', 'load', 'contact-in'],
  'signal-out': ['signal-in'],
  pair: ['pair'],
}

/** Whether one port can give to another. */
export const joins = (giver: Port, taker: Port) => (accepts(taker) && pairs[giver.kind]?.includes(taker.kind)) ?? false

/** Sides of a port: contacts and pairs have both, but a contact that feeds its line itself takes nothing. */
export const gives = (port: Port) => pairs[port.kind] !== undefined
/** Whether anything can be joined to a port from another one. */
export const accepts = (port: Port) =>
  !(port.kind === 'contact' && port.fed) && Object.values(pairs).some((kinds) => kinds?.includes(port.kind))
