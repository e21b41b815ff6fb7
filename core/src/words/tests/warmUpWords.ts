import type { Words } from '../words'
import type { CauseWords, VerdictWords } from '../sentences'

/** Verdicts of this test from their figures. */
export const warmUpVerdicts = {
  'warmUp.no-power': (
    f: { readonly rose: number; readonly s: number; readonly should: number },
    { say }: Words,
  ): VerdictWords => ({
    head: 'It does not move',
    reason: `${say(f.rose, 'difference')} in ${say(f.s, 'minutes')}; ${say(f.should, 'difference')} was expected.`,
  }),
  'warmUp.power-low': (
    f: {
      readonly rose: number
      readonly s: number
      readonly should: number
      readonly early: number
      readonly powerW: number
    },
    { say }: Words,
  ): VerdictWords => ({
    head: 'Slow from the start: power',
    reason: `${say(f.rose, 'difference')} in the first ${say(f.s, 'minutes')}, ${say(f.should, 'difference')} expected: about ${say(f.early, 'power')} of ${say(f.powerW, 'power')}.`,
  }),
  'warmUp.capacity-less': (
    f: { readonly rose: number; readonly s: number; readonly should: number },
    { say }: Words,
  ): VerdictWords => ({
    head: 'Faster than surveyed',
    reason: `${say(f.rose, 'difference')} in the first ${say(f.s, 'minutes')}, ${say(f.should, 'difference')} expected.`,
  }),
  'warmUp.loss-high': (
    f: { readonly rose: number; readonly s: number; readonly should: number },
    { say }: Words,
  ): VerdictWords => ({
    head: 'Right at first, slow later: loss',
    reason: `${say(f.rose, 'difference')} in ${say(f.s, 'minutes')}, ${say(f.should, 'difference')} expected.`,
  }),
}

/** Causes of this test from their figures. */
export const warmUpCauses = {
  'warmUp.no-power': (): CauseWords => ({
    says: 'Nothing arrives: no power, no flow, or the probe is not where it warms.',
    check: 'The two questions: commanded? answered?',
  }),
  'warmUp.power-low': (): CauseWords => ({
    says: 'Less power than surveyed: volts (power goes with their square), an element open, little flow, a lock-out.',
    check: 'Volts and amperes, or the gas meter and a stopwatch; then flow.',
  }),
  'warmUp.capacity-less': (): CauseWords => ({
    says: 'Less to warm than surveyed, or more power: it will cycle faster than reckoned.',
    check: 'Correct power or heat capacity in the survey; look at the starts an hour again.',
  }),
  'warmUp.loss-high': (): CauseWords => ({
    says: 'It loses more than surveyed: open door, wind, wet insulation, no cover.',
    check: 'Shut and cover it, look again; then correct the loss in the survey.',
  }),
}
