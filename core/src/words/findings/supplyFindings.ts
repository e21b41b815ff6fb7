import { capital } from '../terms'
import type { Words } from '../words'
import type { Sentences } from '../sentences'

interface DrawFigures {
  readonly tag: string
  /** What hangs on it, each in VA. */
  readonly draws: readonly { readonly tag: string; readonly va: number }[]
  readonly loadVa: number
  readonly ratedVa: number
}

const drawn = ({ draws, loadVa, ratedVa }: DrawFigures, { say }: Words): string =>
  `${draws.map(({ tag, va }) => `${tag} ${say(va, 'apparentPower')}`).join(', ')}: ${say(loadVa, 'apparentPower')} of ${say(ratedVa, 'apparentPower', 0)}.`

const rectified = {
  reason: 'One rectifies half a wave, the other both: a common wire between them shorts the secondary every half wave.',
  remedy:
    'A transformer of its own for one of them. Bridge only where all are half-wave and in phase, or isolated, and the leaflets say so.',
}

/** Sentences of the findings about what feeds the chain. */
export const supplyFindings = {
  C030_VA_OVER: (f: DrawFigures, words: Words): Sentences => ({
    head: `${f.tag} is too small.`,
    reason: drawn(f, words),
    remedy: 'A larger transformer, or a second one for part of it.',
  }),
  C026_VA_CLOSE: (
    f: DrawFigures & { readonly reserve: { readonly low: number; readonly high: number; readonly source: string } },
    words: Words,
  ): Sentences => ({
    head: `${f.tag} has little to spare.`,
    reason: `${drawn(f, words)} ${f.reserve.low} to ${f.reserve.high} % should stay free (${f.reserve.source}).`,
    remedy: 'The next size of transformer.',
  }),
  C055_RECTIFIERS_MIXED: (f: { readonly tags: readonly string[] }): Sentences => ({
    head: `${f.tags.join(' and ')} hang on one secondary: never join their commons.`,
    ...rectified,
  }),
  C056_RECTIFIERS_BRIDGED: (f: { readonly tags: readonly string[] }): Sentences => ({
    head: `${f.tags.join(' and ')} share a secondary and a common.`,
    ...rectified,
  }),
  C054_MIXED_ON_ONE_BODY: (
    f: { readonly tag: string; readonly highV: number; readonly lowV: number },
    { term }: Words,
  ): Sentences => ({
    head: `${capital(term('mains'))} and ${term('extraLow')} meet on ${f.tag}.`,
    reason: `${f.highV} V and ${f.lowV} V on one relay that is not made for both: a fault puts ${term('mains')} on the small side.`,
    remedy: 'A relay with reinforced insulation between coil and contact.',
  }),
  C057_AFTER_RUN_CUT: (f: {
    readonly tag: string
    readonly contacts: readonly string[]
    readonly afterRunS: number
  }): Sentences => ({
    head: `The supply of ${f.tag} is cut by ${f.contacts.join(', ')}.`,
    reason: `It runs after for ${Math.round(f.afterRunS / 60)} min to cool down; cut off it cooks itself and fills with fuel gas.`,
    remedy: 'Feed it straight from the fuse and switch it by its run input.',
  }),
}
