/**
 * The kinds of loop by their ids, as they are listed. They stand apart from what is known of each, so that a page that only opens documents
 * does not fetch all of that.
 */
export const loopKinds = [
  'floor',
  'boiler',
  'pool',
  'fan',
  'enclosure',
  'room',
  'cold-room',
  'chiller',
  'cabinet',
  'cabin',
  'thermostat',
] as const

/** A kind of loop, by its id. */
export type LoopKind = (typeof loopKinds)[number]
