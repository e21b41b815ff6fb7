import { withArticle } from '../terms'
import type { Words } from '../words'
import type { CauseWords, VerdictWords } from '../sentences'

/** Verdicts of this test from their figures. */
export const minimumOffVerdicts = {
  'minimumOff.never-starts': (
    f: { readonly off: null | number; readonly minimumOffS: number },
    { say }: Words,
  ): VerdictWords => ({
    head:
      f.off === null
        ? 'It does not start again'
        : f.off > f.minimumOffS
          ? 'It stays off too long'
          : 'It starts too soon',
    reason: f.off === null ? 'Nothing came.' : `${say(f.off, 'seconds')}; ${say(f.minimumOffS, 'seconds')} is planned.`,
  }),
}

/** Causes of this test from their figures. */
export const minimumOffCauses = {
  'minimumOff.never-starts': (): CauseWords => ({
    says: 'It does not start again: its own protection locked out, or the setpoint was not turned far enough.',
    check: 'Read what the load itself shows.',
  }),
  'minimumOff.unit-mixed': (f: { readonly key: string }): CauseWords => ({
    says: 'Minutes were keyed for seconds, or seconds for minutes.',
    check: `Read ${f.key} and its unit.`,
  }),
  'minimumOff.both-time-it': (f: { readonly name: string }, { term }: Words): CauseWords => ({
    says: `${f.name} keeps ${withArticle(term('minimumOffTime'))} of its own, or a delay on the call adds to it.`,
    check: `Set the controller\u2019s ${term('minimumOffTime')} to nothing for a trial: what stays is the load\u2019s own.`,
  }),
  'minimumOff.minimum-off-not-keyed': (
    f: { readonly key: string; readonly minimumOffS: number },
    { say, term }: Words,
  ): CauseWords => ({
    says: `Another ${term('minimumOffTime')} is keyed.`,
    check: `Read ${f.key}, key ${say(f.minimumOffS, 'seconds')}.`,
  }),
  'minimumOff.minimum-off-shorter': (
    f: { readonly off: number; readonly key: string; readonly minimumOffS: number },
    { say, term }: Words,
  ): CauseWords => ({
    says: f.off < 2 ? `No ${term('minimumOffTime')} is keyed.` : `Another ${term('minimumOffTime')} is keyed.`,
    check: `Read ${f.key}, key ${say(f.minimumOffS, 'seconds')}.`,
  }),
}
