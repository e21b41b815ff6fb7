/** Emitters: row of the design supply, design drop, exponent row. */
export const emitters = {
  'radiators-low': { supply: 'reset.rad.low', dropK: 8, exponent: 'n.radiator' },
  'radiators-old': { supply: 'reset.rad.old', dropK: 15, exponent: 'n.radiator' },
  convectors: { supply: 'reset.convector', dropK: 12, exponent: 'n.convector' },
  floor: { supply: 'reset.floor', dropK: 7, exponent: 'n.floor' },
  coils: { supply: 'reset.coil', dropK: 8, exponent: 'n.fancoil' },
} as const
export type EmitterId = keyof typeof emitters
export const emitterIds = Object.keys(emitters) as EmitterId[]
