import type { Words } from '../words'
import type { CauseWords, VerdictWords } from '../sentences'

/** Verdicts of this test from their figures. */
export const substituteVerdicts = {
  'substitute.input-kind': (): VerdictWords => ({
    head: 'The input shows a fault',
    reason: 'What was dialled is out of its range.',
  }),
  'substitute.offset-left': (f: { readonly by: number }, { say }: Words): VerdictWords => ({
    head: 'Shifted by the same everywhere',
    reason: `${say(Math.abs(f.by), 'difference', 2)} ${f.by > 0 ? 'high' : 'low'} at each.`,
  }),
  'substitute.it-reads-as': (
    f: { readonly title: string; readonly shown: number; readonly value: number },
    { say }: Words,
  ): VerdictWords => ({
    head: `It reads as ${f.title}`,
    reason: `${say(f.shown, 'temperature')} for ${say(f.value, 'temperature')}: that is ${f.title}.`,
  }),
  'substitute.parallel': (
    f: { readonly damp: boolean; readonly errors: number; readonly errors2: number },
    { say }: Words,
  ): VerdictWords => ({
    head: f.damp ? 'Something lies across the input' : 'The error changes with the temperature',
    reason: `From ${say(f.errors, 'difference', 2)} to ${say(f.errors2, 'difference', 2)}.`,
  }),
  'substitute.range': (
    f: { readonly shown: number; readonly quantity: 'temperature' | 'percent'; readonly value: number },
    { say }: Words,
  ): VerdictWords => ({
    head: 'The display does not follow what is fed',
    reason: `It shows ${say(f.shown, f.quantity)} for ${say(f.value, f.quantity)}.`,
  }),
}

/** Causes of this test from their figures. */
export const substituteCauses = {
  'substitute.input-kind': (): CauseWords => ({
    says: 'The input is set to another kind of probe, or the box is on other terminals.',
    check: 'Key the kind of the input; look at the terminals.',
  }),
  'substitute.offset-left': (): CauseWords => ({
    says: 'An offset is left in.',
    check: 'Read the offset; nothing unless the sheet says otherwise.',
  }),
  'substitute.input-kind-known': (f: { readonly title: string }): CauseWords => ({
    says: `The input is set to ${f.title}.`,
    check: 'Key the kind of the input as the probe is, or change the probe.',
  }),
  'substitute.parallel': (): CauseWords => ({
    says: 'Another probe or damp across the terminals: the box was not alone.',
    check: 'Lift every lead of the input; the box alone.',
  }),
  'substitute.input-kind-or-card': (): CauseWords => ({
    says: 'The input is set to another kind of probe, or its card is faulty.',
    check: 'Key the kind; another input or controller if it stays.',
  }),
  'substitute.range': (): CauseWords => ({
    says: 'The range of the input is keyed otherwise, or it is set to another signal (live zero).',
    check: 'Read low and high of the input and its signal.',
  }),
}
