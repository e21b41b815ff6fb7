import { capital } from '../terms'
import type { Words } from '../words'
import type { CauseWords, VerdictWords } from '../sentences'

/** Verdicts of this test from their figures. */
export const riseAndFallVerdicts = {
  'riseAndFall.action-reversed': (): VerdictWords => ({
    head: 'It acts the wrong way round',
    reason: 'It came on where it should go off.',
  }),
  'riseAndFall.no-switching': (f: { readonly loadName: string }): VerdictWords => ({
    head: 'It does not switch',
    reason: `${f.loadName} stayed as it was.`,
  }),
  'riseAndFall.does-not-repeat': (
    f: { readonly slopK: number; readonly value: number },
    { say }: Words,
  ): VerdictWords => ({
    head: 'Replace: it does not repeat',
    reason: `The same step came ${say(f.slopK, 'difference', 2)} apart; ${say(f.value, 'difference', 2)} is allowed.`,
    next: 'Was the probe warmed slowly? Once more, slower. If it stays so, replace probe or controller.',
  }),
  'riseAndFall.swing-not-as-planned': (
    f: { readonly swingK: number; readonly planSwingK: number; readonly slopK: number; readonly swingLimitK: number },
    { say, term }: Words,
  ): VerdictWords => ({
    head: `${capital(term('differential'))} is not as planned`,
    reason: `${capital(term('differential'))} ${say(f.swingK, 'difference', 2)} found, ${say(f.planSwingK, 'difference', 2)} planned; repeats within ${say(f.slopK, 'difference', 2)}; may stray ${say(f.swingLimitK, 'difference', 2)}. Twice or half of the plan means total against each side.`,
  }),
  'riseAndFall.good': (
    f: { readonly swingK: number; readonly planSwingK: number; readonly slopK: number; readonly errorK: number },
    { say, term }: Words,
  ): VerdictWords => ({
    head: 'Good',
    reason: `${capital(term('differential'))} ${say(f.swingK, 'difference', 2)} found, ${say(f.planSwingK, 'difference', 2)} planned; repeats within ${say(f.slopK, 'difference', 2)}; it switches ${say(Math.abs(f.errorK), 'difference', 2)} ${f.errorK < 0 ? 'low' : 'high'} on average.`,
    next: 'Nothing to do.',
  }),
  'riseAndFall.other-convention': (
    f: {
      readonly swingK: number
      readonly planSwingK: number
      readonly slopK: number
      readonly conventionWords: string
    },
    { say, term }: Words,
  ): VerdictWords => ({
    head: `The ${term('differential')} sits on the other side of the setpoint`,
    reason: `${capital(term('differential'))} ${say(f.swingK, 'difference', 2)} found, ${say(f.planSwingK, 'difference', 2)} planned; repeats within ${say(f.slopK, 'difference', 2)}. It does what a set that ${f.conventionWords} does.`,
  }),
  'riseAndFall.set-not-as-planned': (f: { readonly errorK: number }, { say }: Words): VerdictWords => ({
    head: 'The set is not as planned',
    reason: `The display reads right and it still switches ${say(Math.abs(f.errorK), 'difference', 2)} ${f.errorK > 0 ? 'high' : 'low'}.`,
  }),
  'riseAndFall.warmed-too-fast': (
    f: { readonly swingK: number; readonly planSwingK: number; readonly slopK: number },
    { say, term }: Words,
  ): VerdictWords => ({
    head: 'One point is off',
    reason: `${capital(term('differential'))} ${say(f.swingK, 'difference', 2)} found, ${say(f.planSwingK, 'difference', 2)} planned; repeats within ${say(f.slopK, 'difference', 2)}; read it once more.`,
  }),
  'riseAndFall.probe-or-lead': (
    f: { readonly errorK: number; readonly limitK: number },
    { say }: Words,
  ): VerdictWords => ({
    head: 'Too far off for an offset',
    reason: `It reads ${say(Math.abs(f.errorK), 'difference', 2)} ${f.errorK > 0 ? 'low' : 'high'}; over ${say(f.limitK, 'difference')} is a cause, not an offset.`,
  }),
  'riseAndFall.reads-off': (
    f: {
      readonly errorK: number
      readonly swingK: number
      readonly planSwingK: number
      readonly slopK: number
      readonly offsetK: number
    },
    { say, term }: Words,
  ): VerdictWords => ({
    head: `Adjust the offset by ${say(f.errorK, 'difference')}`,
    reason: `All points lie ${say(Math.abs(f.errorK), 'difference', 2)} ${f.errorK > 0 ? 'high' : 'low'}: it reads that much ${f.errorK > 0 ? 'low' : 'high'}. ${capital(term('differential'))} ${say(f.swingK, 'difference', 2)} found, ${say(f.planSwingK, 'difference', 2)} planned; repeats within ${say(f.slopK, 'difference', 2)}.`,
    next: `Key offset ${say(f.offsetK, 'difference')} and repeat one rise and one fall.`,
  }),
}

/** Causes of this test from their figures. */
export const riseAndFallCauses = {
  'riseAndFall.action-reversed': (f: {
    readonly heats: boolean
    readonly actionParameter: string | undefined
  }): CauseWords => ({
    says: `The controller is keyed to ${f.heats ? 'cool' : 'heat'}, or the wire sits on the other terminal of its changeover.`,
    check: `Read ${f.actionParameter ?? 'the action'} on the display; then look at which terminal the load wire is on.`,
  }),
  'riseAndFall.no-switching': (_: object, { term }: Words): CauseWords => ({
    says: `The output stays: its ${term('minimumOffTime')} runs, the probe does not feel the bag, or the contact is welded or open.`,
    check:
      'Does the output lamp change while the load does not? Then contact and wire; no change at all: probe and set.',
  }),
  'riseAndFall.does-not-repeat': (): CauseWords => ({
    says: 'Warmed too fast, the probe loose in its place, a connection that comes and goes, or a worn control.',
    check: 'Once more, slower. Still apart: probe ohms with both leads lifted while the cable is moved, power off.',
  }),
  'riseAndFall.swing-doubled': (f: { readonly swingParameter: string }, { term }: Words): CauseWords => ({
    says: `Keyed as each side where the total was meant: twice the ${term('differential')}.`,
    check: `Read ${f.swingParameter}: it should stand at what the sheet says, in the way this controller counts it.`,
  }),
  'riseAndFall.swing-halved': (f: { readonly swingParameter: string }, { term }: Words): CauseWords => ({
    says: `Keyed as the total where each side was meant: half the ${term('differential')}.`,
    check: `Read ${f.swingParameter}: it should stand at what the sheet says, in the way this controller counts it.`,
  }),
  'riseAndFall.swing-not-as-planned': (
    f: {
      readonly swingParameter: string
      readonly conventionWords: string
    },
    { term }: Words,
  ): CauseWords => ({
    says: `The ${term('differential')} in the controller is another one than on the sheet.`,
    check: `Read ${f.swingParameter} again, and that the setpoint ${f.conventionWords}; key both, repeat the test.`,
  }),
  'riseAndFall.other-convention': (
    f: {
      readonly conventionWords: string
      readonly conventionWords2: string
      readonly conventionParameter: string | undefined
    },
    { term }: Words,
  ): CauseWords => ({
    says: `The controller counts the ${term('differential')} another way: there the setpoint ${f.conventionWords}, planned is one that ${f.conventionWords2}.`,
    check: `What the display shows when it switches tells: right means this. Key ${f.conventionParameter ?? 'the setpoint so that the same points come out'}, repeat the test.`,
  }),
  'riseAndFall.reads-off': (f: { readonly errorK: number }, { say }: Words): CauseWords => ({
    says: `It reads ${say(Math.abs(f.errorK), 'difference', 2)} ${f.errorK > 0 ? 'low' : 'high'} at the probe.`,
    check: 'Hold the display against the reference; key the offset, or mend what makes it read so.',
  }),
  'riseAndFall.set-not-as-planned': (
    f: { readonly setpointC: number; readonly setpointParameter: string | undefined },
    { say }: Words,
  ): CauseWords => ({
    says: `The set in the controller is not ${say(f.setpointC, 'temperature')}.`,
    check: `Read ${f.setpointParameter ?? 'the setpoint'}, key ${say(f.setpointC, 'temperature')}, repeat one rise and one fall.`,
  }),
  'riseAndFall.warmed-too-fast': (): CauseWords => ({
    says: 'The probe was moved faster than it follows.',
    check: 'Once more, slower, with the thermometer tight on the probe.',
  }),
  'riseAndFall.probe-or-lead': (): CauseWords => ({
    says: 'Another kind of probe than the input is set to, a long thin lead, a connection, damp, or the wrong place.',
    check: 'Measure its ohms with both leads lifted, power off, and hold them against the table.',
  }),
}
