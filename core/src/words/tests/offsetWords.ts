import type { Words } from '../words'
import type { CauseWords, VerdictWords } from '../sentences'

/** Verdicts of this test from their figures. */
export const offsetVerdicts = {
  'offset.one-reading-waits': (): VerdictWords => ({
    head: 'One reading waits',
    reason: 'What does the display show?',
    next: 'Read the display beside the reference.',
  }),
  'offset.leave-it': (
    f: { readonly lay: number; readonly pairsCount: number; readonly toleranceK: number },
    { say }: Words,
  ): VerdictWords => ({
    head: 'Leave it',
    reason: `It reads ${say(Math.abs(f.lay), 'difference', 2)} ${f.lay > 0 ? 'low' : 'high'} at ${f.pairsCount} of 3 points; ${say(f.toleranceK, 'difference')} may be.`,
    next: 'Nothing to do.',
  }),
  'offset.other-kind': (
    f: { readonly value: number; readonly pairsCount: number; readonly slope: number },
    { say }: Words,
  ): VerdictWords => ({
    head: 'Not an offset',
    reason: `The error changes by ${say(f.value, 'difference', 2)} from point to point${f.pairsCount > 1 ? ` (${say(f.slope, 'difference', 2)} in ${say(10, 'difference', 0)})` : ''}.`,
    next: 'Do not key it away. Find what makes it: kind of probe, lead, damp, place.',
  }),
  'offset.lead-resistance': (f: { readonly lay: number; readonly limitK: number }, { say }: Words): VerdictWords => ({
    head: 'Too far off for an offset',
    reason: `It reads ${say(Math.abs(f.lay), 'difference', 2)} ${f.lay > 0 ? 'low' : 'high'}; over ${say(f.limitK, 'difference')} is a cause.`,
    next: 'Find the cause first: wire resistance of a two-wire platinum probe, another kind, the wrong place.',
  }),
  'offset.offset': (
    f: { readonly keyed: number; readonly lay: number; readonly pairsCount: number },
    { say }: Words,
  ): VerdictWords => ({
    head: `Key offset ${say(f.keyed, 'difference')}`,
    reason: `It reads ${say(Math.abs(f.lay), 'difference', 2)} ${f.lay > 0 ? 'low' : 'high'}, the same at ${f.pairsCount === 1 ? 'one point' : `${f.pairsCount} points`}.`,
    next: `Key ${say(f.keyed, 'difference')}, then read both once more.`,
  }),
}

/** Causes of this test from their figures. */
export const offsetCauses = {
  'offset.other-kind': (): CauseWords => ({
    says: 'Another kind of probe than the input is set to.',
    check: 'Ohms with both leads lifted at a known temperature: which kind is it?',
  }),
  'offset.lead-or-damp': (_: object, { term }: Words): CauseWords => ({
    says: 'Damp in the splice (an NTC then reads warm), or a bad connection.',
    check: `Ohms core to core and to ${term('earth')} at 50 V at most; splice anew, dry.`,
  }),
  'offset.lead-resistance': (): CauseWords => ({
    says: 'The lead\u2019s own ohms, a long thin one or two wires where three belong.',
    check: 'Ohms of the pair shorted at the far end; three wires, or a transmitter.',
  }),
  'offset.other-kind-by-ohms': (): CauseWords => ({
    says: 'Another kind of probe.',
    check: 'Which kind is it, by its ohms?',
  }),
  'offset.offset': (f: { readonly lay: number; readonly keyed: number }, { say }: Words): CauseWords => ({
    says: `It reads ${say(Math.abs(f.lay), 'difference', 2)} ${f.lay > 0 ? 'low' : 'high'}.`,
    check: `Key offset ${say(f.keyed, 'difference')}.`,
  }),
}
