import type { CauseWords, VerdictWords } from '../sentences'

/** Verdicts of this test from their figures. */
export const probeFaultVerdicts = {
  'probeFault.other-probe-read': (): VerdictWords => ({
    head: 'It does not notice that its probe is gone',
    reason: 'The display shows a temperature with the probe lifted.',
    next: 'Find what it reads: another probe in parallel, its built-in one, or another input.',
  }),
  'probeFault.fault-action': (f: {
    readonly does: 'Off' | 'On' | 'Stays as it was' | 'On and off by a fixed share'
    readonly does2: 'Off' | 'On' | 'Stays as it was' | 'On and off by a fixed share'
    readonly probeFaultParameter: string | undefined
  }): VerdictWords => ({
    head: `Without its probe it goes: ${(f.does ?? '').toLowerCase()}`,
    reason: `${f.does2} is planned.`,
    next: `Read ${f.probeFaultParameter ?? 'what it does without its probe'} and key it.`,
  }),
  'probeFault.input-kind': (): VerdictWords => ({
    head: 'A short is taken for a temperature',
    reason: 'The display shows a number with the terminals shorted.',
    next: 'Another kind of probe is keyed: its range takes a short for very hot or very cold.',
  }),
  'probeFault.code-differs': (): VerdictWords => ({
    head: 'Another code than the leaflet says',
    reason: 'A fault is seen, by another name.',
    next: 'Write down what it shows; look whether the input is set to the probe that is fitted.',
  }),
  'probeFault.alarm-silent': (): VerdictWords => ({
    head: 'The alarm stays silent',
    reason: 'Nobody would know that the probe is gone.',
    next: 'Alarm contact and its supply; then whether a lost probe is an alarm at all as keyed.',
  }),
  'probeFault.no-return': (): VerdictWords => ({
    head: 'It stays in fault',
    reason: 'The probe is back and the fault is not gone.',
    next: 'Switch it off and on once. Still so: the probe\u2019s ohms, the terminals.',
  }),
}

/** Causes of this test from their figures. */
export const probeFaultCauses = {
  'probeFault.other-probe-read': (f: {
    readonly probe: string | undefined
    readonly inputParameter: string | undefined
  }): CauseWords => ({
    says: 'Another input or the built-in sensor is selected, or a second probe lies in parallel.',
    check: `Warm ${f.probe ?? 'the probe'} by hand: no change means it is not read. ${f.inputParameter ?? 'Its choice of input'}.`,
  }),
  'probeFault.fault-action': (f: {
    readonly probeFaultParameter: string | undefined
    readonly does: 'Off' | 'On' | 'Stays as it was' | 'On and off by a fixed share'
  }): CauseWords => ({
    says: `The safe state in the controller is another one.`,
    check: `Read ${f.probeFaultParameter ?? 'it'}, key ${f.does.toLowerCase()}.`,
  }),
  'probeFault.output-welded': (): CauseWords => ({
    says: 'The contact is welded or in hand: it runs whatever is keyed.',
    check: 'Does its lamp go out while the load runs?',
  }),
  'probeFault.input-kind': (): CauseWords => ({
    says: 'The input is set to another kind of probe.',
    check: 'Key the kind of probe that is fitted.',
  }),
  'probeFault.code-differs': (): CauseWords => ({
    says: 'Another kind of probe is keyed (open and short change places), or another edition of the controller.',
    check: 'Read the kind of the input; correct the code on the shelf.',
  }),
  'probeFault.alarm-silent': (): CauseWords => ({
    says: 'The alarm contact is wired to the other terminal, has no supply, or is still in its delay.',
    check: 'Volts at the alarm while the display shows the fault.',
  }),
  'probeFault.no-return': (): CauseWords => ({
    says: 'A loose lead, or a fault that has to be acknowledged.',
    check: 'Tug each lead; acknowledge by its keys.',
  }),
}
