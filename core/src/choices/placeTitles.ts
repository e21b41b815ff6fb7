import type { ProbePlace } from './deviceChoices'

/** Places of a probe as they are chosen. */
export const placeTitles: Readonly<Record<ProbePlace, string>> = {
  air: 'the room\u2019s air',
  'return-air': 'the return air',
  floor: 'the floor',
  pipe: 'the pipe',
  pocket: 'a pocket in the water',
  water: 'the open water',
  outdoor: 'the open, outdoors',
  coil: 'the coil',
  surface: 'a surface',
  oven: 'the moving hot air',
}
