import type { CauseWords, VerdictWords } from '../sentences'

/** Verdicts of this test from their figures. */
export const driveVerdicts = {
  'drive.run-bridged': (): VerdictWords => ({
    head: 'It runs without its run input',
    reason: 'What opens there does not stop it.',
    next: 'Isolate. The run input is bridged, or the drive is keyed to start by its signal.',
  }),
  'drive.turns-back': (f: { readonly motor: string }): VerdictWords => ({
    head: 'It turns against its arrow',
    reason: `A fan or a pump that turns backwards still moves something: ${f.motor} gives much less than it should and looks sound.`,
  }),
  'drive.drive-not-following': (f: { readonly still: boolean; readonly value: readonly string[] }): VerdictWords => ({
    head: f.still ? 'The drive does not follow' : 'Another range of speed',
    reason: `It shows ${f.value.join(' and ')}.`,
  }),
}

/** Causes of this test from their figures. */
export const driveCauses = {
  'drive.run-bridged': (): CauseWords => ({
    says: 'The run input is bridged, or not used by the drive as it is keyed.',
    check: 'Take the bridge off; key the drive to start by its input.',
  }),
  'drive.turns-keyed': (f: { readonly name?: string }): CauseWords => ({
    says: `${f.name ?? 'Which way it turns'} is keyed the other way.`,
    check: 'Key the other one and look again.',
  }),
  'drive.turns-swapped': (f: { readonly drive: string; readonly motor: string }): CauseWords => ({
    says: `Two of the three wires from ${f.drive} to ${f.motor} have changed places.`,
    check: `Isolate, wait out the charge, prove dead: swap two of the three at ${f.drive}.`,
  }),
  'drive.drive-not-following': (): CauseWords => ({
    says: 'It takes its speed from its own keys, or the signal does not arrive.',
    check: 'Which source of speed is keyed? Then the signal at its terminals.',
  }),
  'drive.drive-limits': (f: { readonly wrong: boolean }): CauseWords => ({
    says: `${f.wrong ? 'Slowest' : 'Fastest'} is keyed otherwise.`,
    check: 'Read both on the drive and key them as planned.',
  }),
}
