import type { LoopKind } from './ids'

/** How a kind of loop is shown where one is chosen. */
interface KindSign {
  /** Path of its line drawing, in a box of 36 by 32. */
  readonly path: string
  /** What it is called in a word or two. */
  readonly word: string
}

const signs: Readonly<Partial<Record<LoopKind, KindSign>>> = {
  floor: { path: 'M2 5h28a4 4 0 0 1 0 8H8a4 4 0 0 0 0 8h26M2 28h32', word: 'warm floor' },
  boiler: { path: 'M6 2h24v28H6ZM18 24c-7-2-4-8 0-12 4 4 7 10 0 12Z', word: 'boiler' },
  pool: { path: 'M2 8v20h32V8M2 14c5-4 6 4 11 0s6 4 11 0 5 2 10-1', word: 'pool, tank' },
  fan: {
    path: 'M18 2a14 14 0 1 0 .1 0ZM18 16c-2-6 2-11 7-9-1 5-4 7-7 9Zm0 0c6-2 11 2 9 7-5-1-7-4-9-7Zm0 0c2 6-2 11-7 9 1-5 4-7 7-9Zm0 0c-6 2-11-2-9-7 5 1 7 4 9 7Z',
    word: 'fan',
  },
  enclosure: { path: 'M8 2h20v28H8ZM13 9h10M13 14h10M13 19h10', word: 'panel, enclosure' },
  room: { path: 'M2 16 18 3l16 13M6 13v16h24V13', word: 'room' },
  'cold-room': { path: 'M18 2v28M6 9l24 14M30 9 6 23M14 4l4 4 4-4M14 28l4-4 4 4', word: 'cold room' },
  chiller: { path: 'M18 2a14 14 0 1 0 .1 0ZM7 10l22 4M7 22l22-4', word: 'chiller' },
  cabinet: { path: 'M6 2h24v28H6ZM10 21l5-8 4 6 3-5 4 7', word: 'heated cabinet' },
  cabin: {
    path: 'M2 24V9h20v15M22 13h7l5 6v5h-3M10 24h13M7 24a3 3 0 1 0 .1 0ZM27 24a3 3 0 1 0 .1 0Z',
    word: 'cabin heater',
  },
  thermostat: { path: 'M18 2v16a6 6 0 1 1-.1 0M12 8h3M12 13h3M24 6h8M28 2v8', word: 'just a thermostat' },
}

/**
 * A plain line drawing of what a kind of loop holds warm, cold or dry, and what it is called in a word or two. They stand apart from what is
 * known of each kind, so that the first screen does not fetch all of that; a kind without one has an empty box and its id.
 */
export const kindSign = (kind: LoopKind): KindSign => signs[kind] ?? { path: 'M6 4h24v24H6Z', word: kind }
