import { spell } from '../../time/spell'
import type { CauseWords, VerdictWords } from '../sentences'

/** Verdicts of this test from their figures. */
export const timerVerdicts = {
  'timer.timer-parallel': (f: { readonly load: string }): VerdictWords => ({
    head: 'Stop: it runs on when the time is over',
    reason: `${f.load} heats with nobody there.`,
  }),
  'timer.timer-mode': (f: { readonly mode: 'once' | 'repeat' }): VerdictWords => ({
    head: 'Another way of ending',
    reason: `Planned is ${f.mode === 'once' ? 'off for good' : 'off and on again'}.`,
  }),
  'timer.timer-from': (): VerdictWords => ({
    head: 'The time runs at once',
    reason: 'It counts while it is still warming.',
  }),
  'timer.unit-mixed': (f: {
    readonly timer: 'a' | 'b'
    readonly tookS: number | null
    readonly plannedS: number
  }): VerdictWords => ({
    head: `Timer ${f.timer.toUpperCase()} is not as planned`,
    reason: f.tookS === null ? 'It never ended.' : `${spell(f.tookS)}; ${spell(f.plannedS)} is right.`,
  }),
  'timer.summer-time': (f: { readonly aheadS: number }): VerdictWords => ({
    head: 'The clock is off',
    reason: `${spell(Math.abs(f.aheadS))} ${f.aheadS > 0 ? 'ahead' : 'behind'}.`,
  }),
  'timer.day-set': (): VerdictWords => ({ head: 'Another day', reason: 'Week periods come on the wrong days.' }),
  'timer.week-keyed': (): VerdictWords => ({
    head: 'The period does not switch',
    reason: 'The week is not as planned.',
  }),
  'timer.clock-battery': (): VerdictWords => ({
    head: 'The clock is lost without power',
    reason: 'After each power cut the week is wrong.',
  }),
}

/** Causes of this test from their figures. */
export const timerCauses = {
  'timer.timer-parallel': (): CauseWords => ({
    says: 'The timer\u2019s contact lies in parallel with the control instead of in series, or the contact is welded.',
    check: 'Isolate. Table of contacts in Wire, then ohms over each.',
  }),
  'timer.timer-mode': (f: { readonly timerModeParameter: string }): CauseWords => ({
    says: 'The timer is keyed to the other mode.',
    check: `Read ${f.timerModeParameter}.`,
  }),
  'timer.timer-from': (f: { readonly timerFromParameter: string }): CauseWords => ({
    says: 'It is keyed to count from the key.',
    check: `Read ${f.timerFromParameter}.`,
  }),
  'timer.unit-mixed': (f: { readonly name: string }): CauseWords => ({
    says: 'Minutes were keyed for seconds, or hours for minutes.',
    check: `Read ${f.name} and its unit.`,
  }),
  'timer.times-swapped': (): CauseWords => ({ says: 'A and B are swapped.', check: 'Read both and change them over.' }),
  'timer.time-keyed': (f: { readonly name: string }): CauseWords => ({
    says: 'Another time is keyed.',
    check: `Read ${f.name}.`,
  }),
  'timer.summer-time': (): CauseWords => ({
    says: 'Summer time: it was not changed, or does not change by itself.',
    check: 'Set it; write into the record who changes it twice a year.',
  }),
  'timer.clock-set': (): CauseWords => ({
    says: 'It was never set, or lost its time without power.',
    check: 'Set it; then power off for a minute and look again.',
  }),
  'timer.day-set': (): CauseWords => ({ says: 'The day of the week is set wrong.', check: 'Set day or date.' }),
  'timer.week-keyed': (): CauseWords => ({
    says: 'The period is keyed to other days or times, or the week is off.',
    check: 'Read the periods against the plan.',
  }),
  'timer.clock-battery': (): CauseWords => ({
    says: 'Its reserve is empty or there is none.',
    check: 'A day on power, then again; else its battery. Tell the owner.',
  }),
}
