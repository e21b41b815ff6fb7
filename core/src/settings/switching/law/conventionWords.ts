import { type Convention, conventions } from './switchingPoints'

/**
 * A convention in a fitter's words, to follow "the setpoint".
 * @param differential what the practice calls the distance between the two points
 * @example conventionSays('below', 'differential') // 'has the differential below it'
 */
export const conventionSays = (convention: Convention, differential: string): string =>
  ({
    'cut-out': 'cuts out',
    'cut-in': 'cuts in',
    below: `has the ${differential} below it`,
    above: `has the ${differential} above it`,
    centred: 'is in the middle',
    split: `splits the ${differential}`,
    signed: `cuts out, ${differential} signed`,
  })[convention]

/** Each convention where no practice is chosen: in lists of choices and leaflets. */
export const conventionWords = Object.fromEntries(
  conventions.map((convention) => [convention, conventionSays(convention, 'swing')]),
) as Readonly<Record<Convention, string>>
