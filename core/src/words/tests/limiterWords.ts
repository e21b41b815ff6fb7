import type { Words } from '../words'
import type { CauseWords, VerdictWords } from '../sentences'

/** Verdicts of this test from their figures. */
export const limiterVerdicts = {
  'limiter.limiter-on-command': (f: { readonly what: string }, { term }: Words): VerdictWords => ({
    head: `Stop: the ${term('limiter')} does not take the load off`,
    reason: `It opened and ${f.what} runs on.`,
  }),
  'limiter.limiter-dead': (_: object, { term }: Words): VerdictWords => ({
    head: `Stop: the ${term('limiter')} does not open`,
    reason: 'It was taken past its dial and stayed closed.',
  }),
  'limiter.limiter-late': (
    f: { readonly falls: boolean; readonly at: number; readonly dialC: number },
    { say }: Words,
  ): VerdictWords => ({
    head: `Stop: it opens too ${f.falls ? 'low' : 'late'}`,
    reason: `${say(f.at, 'temperature')}; its dial stands at ${say(f.dialC, 'temperature', 0)}.`,
  }),
  'limiter.resets-itself': (_: object, { term }: Words): VerdictWords => ({
    head: 'Stop: it resets by itself',
    reason: `A ${term('limiter')} with manual reset came back alone.`,
  }),
  'limiter.limiter-early': (
    f: { readonly at: number; readonly dialC: number; readonly low: number },
    { say }: Words,
  ): VerdictWords => ({
    head: 'It opens too soon',
    reason: `${say(f.at, 'temperature')}; its dial stands at ${say(f.dialC, 'temperature', 0)}, ${say(Math.abs(f.low), 'difference', 0)} may be missing.`,
  }),
  'limiter.own-protection-open': (f: { readonly nameOf: string }): VerdictWords => ({
    head: 'Stop: its safety chain is not proved',
    reason: `${f.nameOf} is not to run before.`,
    next: 'Have it proved by the licensed trade.',
  }),
}

/** Causes of this test from their figures. */
export const limiterCauses = {
  'limiter.limiter-on-command': (): CauseWords => ({
    says: 'It only takes the command away, or the contactor it opens is welded or by-passed.',
    check:
      'Isolate. Its contact belongs into the load\u2019s own line or into a contactor of its own; then this test again.',
  }),
  'limiter.limiter-dead': (): CauseWords => ({
    says: 'Its capillary has lost its charge, its contact is welded, or the probe is not where you warmed.',
    check: 'Isolate and replace it. Nothing runs without it.',
  }),
  'limiter.limiter-late': (): CauseWords => ({
    says: 'The dial is not what its scale says, or its probe sits in the cool end of your vessel.',
    check: 'Once more, stirred. Still so: replace it.',
  }),
  'limiter.resets-itself': (): CauseWords => ({
    says: 'Another model is fitted than planned, or its reset is jammed in.',
    check: 'Isolate. Fit the one with manual reset.',
  }),
  'limiter.limiter-early': (): CauseWords => ({
    says: 'Warmed too fast, or its scale is off to the safe side.',
    check: 'Once more, slower and stirred. Still so: it will trip in use; replace it.',
  }),
  'limiter.own-protection-open': (): CauseWords => ({
    says: 'Nobody has proved it yet.',
    check: 'Licensed trade, by the maker\u2019s leaflet.',
  }),
}
