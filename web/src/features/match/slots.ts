import type { Category } from '@nachtigal/core/choices/deviceChoices'
import type { DeviceSign } from '../../drawing/Sign'

export interface Slot {
  readonly category: Category
  readonly title: string
  readonly sign: DeviceSign
  /** Said where none is chosen and none is lacked: what it would be for. */
  readonly seldom: string
}

/** Links of a chain in the order in which they are chosen. */
export const slots: readonly Slot[] = [
  { category: 'probe', title: 'Probe', sign: 'probe', seldom: 'the controller feels by itself' },
  { category: 'controller', title: 'Controller', sign: 'controller', seldom: 'what decides' },
  { category: 'load', title: 'Load', sign: 'load', seldom: 'what heats, cools or blows' },
  { category: 'limiter', title: 'Limiter', sign: 'limiter', seldom: 'not asked for here' },
  { category: 'supply', title: 'Supply', sign: 'supply', seldom: 'needs none' },
  { category: 'permissive', title: 'Permissive', sign: 'contact', seldom: 'flow, door, time' },
  { category: 'relay', title: 'Relay', sign: 'contact', seldom: 'where a contact is too small' },
  { category: 'transmitter', title: 'Transmitter', sign: 'probe', seldom: 'humidity, long leads' },
  { category: 'drive', title: 'Drive', sign: 'controller', seldom: 'for motors' },
]
