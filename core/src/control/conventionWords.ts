import type { Convention } from './switchingPoints'

/** Each convention in a fitter's words, to follow "the set". */
export const conventionWords: Record<Convention, string> = {
  'cut-out': 'cuts out',
  'cut-in': 'cuts in',
  below: 'has the swing below it',
  above: 'has the swing above it',
  centred: 'is in the middle',
  split: 'splits the swing',
  signed: 'cuts out, swing signed',
}
