import type { Words } from '../words'
import type { Sentences } from '../sentences'

/** Sentences of the findings about one figure that two sources tell otherwise. */
export const factFindings = {
  C143_POWERS_DIFFER: (
    f: {
      readonly answeredW: number
      readonly measured: boolean
      readonly platesW: number
      readonly tags: readonly string[]
      /** The power that counts. */
      readonly countsW: number
    },
    { say }: Words,
  ): Sentences => ({
    head: `The survey says ${say(f.answeredW, 'power')}, the plates ${say(f.platesW, 'power')}.`,
    reason: `${say(f.countsW, 'power')} counts${f.measured ? ', as it was measured' : ''}; contacts, wires and fuses go by the ${f.tags.length > 1 ? 'plates' : 'plate'} of ${f.tags.join(' and ')}.`,
    remedy: 'Read the plate, and make both the same.',
  }),
}
