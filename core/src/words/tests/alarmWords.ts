import type { Words } from '../words'
import type { CauseWords, VerdictWords } from '../sentences'

/** Verdicts of this test from their figures. */
export const alarmVerdicts = {
  'alarm.alarm-not-keyed': (f: { readonly atC: number }, { say }: Words): VerdictWords => ({
    head: 'No alarm',
    reason: `Past ${say(f.atC, 'temperature')} nothing came.`,
  }),
  'alarm.alarm-relative': (f: { readonly at: number; readonly atC: number }, { say }: Words): VerdictWords => ({
    head: 'Alarm elsewhere',
    reason: `It came at ${say(f.at, 'temperature')}; ${say(f.atC, 'temperature')} is planned.`,
  }),
  'alarm.alarm-wire': (): VerdictWords => ({ head: 'Nobody hears it', reason: 'It comes on the display only.' }),
  'alarm.alarm-latched': (): VerdictWords => ({
    head: 'The alarm stays',
    reason: 'Back inside the limits it does not go.',
  }),
}

/** Causes of this test from their figures. */
export const alarmCauses = {
  'alarm.alarm-not-keyed': (f: { readonly name: string }): CauseWords => ({
    says: 'The alarm is off, keyed further out, or still in its delay.',
    check: `Read ${f.name} and its delay.`,
  }),
  'alarm.alarm-relative': (f: { readonly name: string; readonly difference: number }, { say }: Words): CauseWords => ({
    says: 'The controller counts the alarm from the setpoint, the plan as a temperature.',
    check: `Key ${f.name} as ${say(Math.abs(f.difference), 'difference')} from the setpoint.`,
  }),
  'alarm.alarm-otherwise': (f: { readonly name: string; readonly atC: number }, { say }: Words): CauseWords => ({
    says: 'Another limit is keyed.',
    check: `Read ${f.name}, key ${say(f.atC, 'temperature')}.`,
  }),
  'alarm.alarm-wire': (): CauseWords => ({
    says: 'The alarm device has no supply, or hangs on the other terminal of the contact.',
    check: 'Licensed: volts at the alarm device while the display shows the alarm.',
  }),
  'alarm.alarm-latched': (): CauseWords => ({
    says: 'It latches and is acknowledged by a key.',
    check: 'Acknowledge it; tell the owner which key.',
  }),
}
