import type { Category } from '@nachtigal/core/choices/deviceChoices'
import type { DeviceSign } from '../../instruments/Chain'

interface Slot {
  readonly category: Category
  readonly title: string
  readonly sign: DeviceSign
  /** Said where none is chosen: it is only wanted sometimes. */
  readonly seldom?: string
}

/** Links of a chain in the order in which they are chosen. */
export const slots: readonly Slot[] = [
  { category: 'probe', title: 'Probe', sign: 'probe' },
  { category: 'controller', title: 'Controller', sign: 'controller' },
  { category: 'load', title: 'Load', sign: 'load' },
  { category: 'limiter', title: 'Limiter', sign: 'limiter' },
  { category: 'supply', title: 'Supply', sign: 'supply' },
  { category: 'permissive', title: 'Permissive', sign: 'contact', seldom: 'flow, door, time' },
  { category: 'relay', title: 'Relay', sign: 'contact', seldom: 'where a contact is too small' },
  { category: 'transmitter', title: 'Transmitter', sign: 'probe', seldom: 'humidity, long leads' },
  { category: 'drive', title: 'Drive', sign: 'controller', seldom: 'for motors' },
]
