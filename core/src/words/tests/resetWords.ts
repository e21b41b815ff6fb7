import type { Words } from '../words'
import type { CauseWords, VerdictWords } from '../sentences'

/** Verdicts of this test from their figures. */
export const resetVerdicts = {
  'reset.outdoor-kind': (): VerdictWords => ({
    head: 'The outdoor input reads wrong',
    reason: 'Right ohms on the box, wrong degrees on the display.',
  }),
  'reset.fixed-supply': (f: { readonly value: number }, { say }: Words): VerdictWords => ({
    head: 'It does not follow the weather',
    reason: `It asks for ${say(f.value, 'temperature')} whatever is dialled.`,
  }),
  'reset.line-shifted': (f: { readonly error: number }, { say }: Words): VerdictWords => ({
    head: 'The whole line is shifted',
    reason: `${say(Math.abs(f.error), 'difference')} ${f.error > 0 ? 'too warm' : 'too cold'} everywhere.`,
  }),
  'reset.line-limited': (
    f: { readonly top: number; readonly cold: number; readonly expected: number },
    { say }: Words,
  ): VerdictWords => ({
    head: 'The cold end is off',
    reason: `${say(f.top, 'temperature')} at ${say(f.cold, 'temperature')} outside; ${say(f.expected, 'temperature')} is planned.`,
  }),
  'reset.line-mild-end': (
    f: { readonly value: number; readonly mild: number; readonly expected: number },
    { say }: Words,
  ): VerdictWords => ({
    head: 'The mild end is off',
    reason: `${say(f.value, 'temperature')} at ${say(f.mild, 'temperature')} outside; ${say(f.expected, 'temperature')} is planned.`,
  }),
  'reset.line-not-keyed': (): VerdictWords => ({ head: 'Another line', reason: 'Both ends are off.' }),
  'reset.outdoor-place': (f: { readonly shown: number; readonly air: number }, { say }: Words): VerdictWords => ({
    head: 'The outdoor probe reads wrong',
    reason: `It shows ${say(f.shown, 'temperature')}; the thermometer ${say(f.air, 'temperature')}.`,
  }),
  'reset.supply-not-following': (
    f: { readonly supplyNow: number; readonly air: number; readonly expected: number },
    { say }: Words,
  ): VerdictWords => ({
    head: 'The line is right, the water is not',
    reason: `${say(f.supplyNow, 'temperature')} at the pipe; at ${say(f.air, 'temperature')} the line asks for ${say(f.expected, 'temperature')}.`,
  }),
}

/** Causes of this test from their figures. */
export const resetCauses = {
  'reset.outdoor-kind': (): CauseWords => ({
    says: 'The input is set to another kind of probe.',
    check: 'Key the kind of the outdoor probe, or change the probe.',
  }),
  'reset.fixed-supply': (f: {
    readonly resetLeastParameter: string
    readonly resetMostParameter: string
  }): CauseWords => ({
    says: 'A fixed supply is keyed, or a limit holds it: the outdoor probe is not used.',
    check: `Read ${f.resetLeastParameter}, ${f.resetMostParameter} and the way of control.`,
  }),
  'reset.line-shifted': (f: { readonly resetShiftParameter: string }, { term }: Words): CauseWords => ({
    says: `The parallel shift is not as planned, or a night ${term('setback')} holds.`,
    check: `Read ${f.resetShiftParameter} and which period of the week runs.`,
  }),
  'reset.line-limited': (f: { readonly resetMostParameter: string }): CauseWords => ({
    says: 'The highest supply is keyed lower than the line.',
    check: `Read ${f.resetMostParameter}.`,
  }),
  'reset.line-cold-end': (f: {
    readonly resetColdSupplyParameter: string
    readonly resetColdOutdoorParameter: string
  }): CauseWords => ({
    says: 'The cold end of the line is keyed otherwise.',
    check: `Read ${f.resetColdSupplyParameter} and ${f.resetColdOutdoorParameter}.`,
  }),
  'reset.line-mild-end': (f: {
    readonly resetMildSupplyParameter: string
    readonly resetMildOutdoorParameter: string
    readonly resetLeastParameter: string
  }): CauseWords => ({
    says: 'The mild end of the line, or the least supply, is keyed otherwise.',
    check: `Read ${f.resetMildSupplyParameter}, ${f.resetMildOutdoorParameter} and ${f.resetLeastParameter}.`,
  }),
  'reset.line-not-keyed': (): CauseWords => ({
    says: 'The line in the controller is another one.',
    check: 'Read all four of its numbers and key them as planned.',
  }),
  'reset.outdoor-place': (f: { readonly shown: number; readonly air: number }): CauseWords => ({
    says:
      f.shown > f.air
        ? 'Sun, a vent or a warm wall on the outdoor probe, or wet in its lead.'
        : 'A bad connection or a long lead on the outdoor probe.',
    check: 'Shade it for 20 minutes: falls it more than 3 K, it hangs wrong. Else its ohms with both leads lifted.',
  }),
  'reset.supply-not-following': (
    f: { readonly supplyNow: number; readonly expected: number; readonly averageH: number },
    { say }: Words,
  ): CauseWords => ({
    says:
      f.supplyNow < f.expected
        ? 'The plant does not give it: burner, mixing valve, flow, or the outdoor mean is still colder.'
        : 'A mixing valve that does not close, a minimum of the burner, or the outdoor mean is still behind.',
    check: `Before and after the mixing valve; and what outdoor mean the controller reckons with${f.averageH > 0 ? ` (${say(f.averageH, 'hours')})` : ''}.`,
  }),
}
