import { capital } from '../terms'
import type { Words } from '../words'
import type { CauseWords, VerdictWords } from '../sentences'

/** Verdicts of this test from their figures. */
export const dialVerdicts = {
  'dial.contact-never-closes': (): VerdictWords => ({
    head: 'Replace: a contact does not move',
    reason: 'Turned over its whole dial, it stays as it is.',
  }),
  'dial.contact-worn': (f: { readonly ohm: null | number }, { say }: Words): VerdictWords => ({
    head: 'Replace: the contact is worn',
    reason: `${f.ohm === null ? 'Open' : say(f.ohm, 'resistance', 2)} over a closed contact.`,
  }),
  'dial.wrong-terminals': (_: object, { term }: Words): VerdictWords => ({
    head: 'The other pair of terminals',
    reason: `It closes where it should open: ${term('differential')} comes out as nothing or less.`,
  }),
  'dial.contacts-apart': (f: { readonly slip: number }, { say }: Words): VerdictWords => ({
    head: 'Replace: the contacts do not change over together',
    reason: `They move ${say(f.slip, 'difference')} apart.`,
  }),
  'dial.other-differential': (
    f: { readonly swingK: number; readonly plannedK: number },
    { say, term }: Words,
  ): VerdictWords => ({
    head: `${capital(term('differential'))} ${say(f.swingK, 'difference')}, not ${say(f.plannedK, 'difference')}`,
    reason: 'The dial is where it should be; it switches back at another point than planned.',
  }),
  'dial.good': (
    f: { readonly swingK: number; readonly dialErrorK: number; readonly typical: number },
    { say, term }: Words,
  ): VerdictWords => ({
    head: 'Good',
    reason: `${capital(term('differential'))} ${say(f.swingK, 'difference')}, dial ${say(Math.abs(f.dialErrorK), 'difference')} ${f.dialErrorK > 0 ? 'high' : 'low'}; within ${say(f.typical, 'difference')}.`,
    next: 'Nothing to do.',
  }),
  'dial.dial-far-off': (
    f: { readonly swingK: number; readonly dialErrorK: number; readonly high: number },
    { say, term }: Words,
  ): VerdictWords => ({
    head: 'Replace: too far off its dial',
    reason: `${capital(term('differential'))} ${say(f.swingK, 'difference')}, dial ${say(Math.abs(f.dialErrorK), 'difference')} ${f.dialErrorK > 0 ? 'high' : 'low'}; over ${say(f.high, 'difference')}.`,
  }),
  'dial.dial-slipped': (
    f: { readonly swingK: number; readonly dialErrorK: number; readonly typical: number },
    { say, term }: Words,
  ): VerdictWords => ({
    head: 'Adjust the dial',
    reason: `${capital(term('differential'))} ${say(f.swingK, 'difference')}, dial ${say(Math.abs(f.dialErrorK), 'difference')} ${f.dialErrorK > 0 ? 'high' : 'low'}; good is within ${say(f.typical, 'difference')}.`,
  }),
}

/** Causes of this test from their figures. */
export const dialCauses = {
  'dial.contact-never-closes': (): CauseWords => ({
    says: 'The contact does not close any more, or the meter sits on the other pair.',
    check: 'Replace it: a bimetal cannot be mended on site.',
  }),
  'dial.contact-welded': (): CauseWords => ({
    says: 'The contact is welded: it never opens.',
    check: 'Replace it: a bimetal cannot be mended on site.',
  }),
  'dial.contact-worn': (): CauseWords => ({
    says: 'Burnt or oxidised: it warms itself and drops volts.',
    check: 'Replace it: a bimetal cannot be mended on site.',
  }),
  'dial.wrong-terminals': (f: {
    readonly breaks: string
    readonly make: string
    readonly common: string
  }): CauseWords => ({
    says: `The meter, or the load, sits on ${f.breaks || 'the other contact'} instead of ${f.make}.`,
    check: `Land the load on ${f.common} and ${f.make}.`,
  }),
  'dial.contacts-apart': (): CauseWords => ({
    says: 'A worn snap: the two contacts do not move as one.',
    check: 'Replace it: a bimetal cannot be mended on site.',
  }),
  'dial.other-differential': (
    f: { readonly swingK: number; readonly plannedK: number; readonly turned: string | undefined },
    { say, term }: Words,
  ): CauseWords =>
    f.turned === undefined
      ? {
          says: `Its ${term('differential')} is its own and cannot be turned.`,
          check: `Plan with ${say(f.swingK, 'difference')}: starts and excursions follow. Or take a control of another ${term('differential')}.`,
        }
      : {
          says: `Its ${term('differential')} dial stands elsewhere.`,
          check: `Turn ${f.turned} to ${say(f.plannedK, 'difference')}, and turn the dial over once more.`,
        },
  'dial.dial-far-off': (): CauseWords => ({
    says: 'The bimetal is bent or the dial has slipped beyond its stop.',
    check: 'Replace it: a bimetal cannot be mended on site.',
  }),
  'dial.dial-slipped': (f: { readonly at: number }, { say }: Words): CauseWords => ({
    says: 'The dial has slipped on its shaft, or wall and anticipator warm it.',
    check: `Set the knob so that it points to ${say(f.at, 'temperature')} where it acts, or write the difference beside it.`,
  }),
}
