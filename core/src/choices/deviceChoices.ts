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

/** How the three elements of a three-phase heater are joined. */
export const elementJoins = ['star', 'delta'] as const

/** Which way a motor turns, seen onto its shaft. */
export const motorTurns = ['clockwise', 'against', 'either'] as const

export const contactRoles = [
  'alarm',
  'defrost',
  'fan',
  'timer',
  'open',
  'close',
  'pump',
  'backup',
  'light',
  'changeover',
] as const
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

export const senses = [
  'flow',
  'pressure',
  'door',
  'time',
  'hand',
  'frost',
  'air-flow',
  'co',
  'level',
  'overload',
] as const
/** What a permissive contact feels. */
export type Sense = (typeof senses)[number]

/** What a contact is there for. */
export type ContactDuty = 'control' | 'limit' | 'protection' | 'hand' | 'time' | 'other'
