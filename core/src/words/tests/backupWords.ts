import type { CauseWords, VerdictWords } from '../sentences'

/** Verdicts of this test from their figures. */
export const backupVerdicts = {
  'backup.backup-dead': (): VerdictWords => ({
    head: 'Stop: the backup does not come',
    reason: 'With the control off the air stands.',
  }),
  'backup.alarm-supply': (): VerdictWords => ({
    head: 'Stop: no alarm without the supply',
    reason: 'The alarm dies with what it watches.',
  }),
  'backup.air-proof': (): VerdictWords => ({
    head: 'Stop: no alarm without air',
    reason: 'Air stopped and nobody was told.',
  }),
  'backup.no-restart': (): VerdictWords => ({
    head: 'Stop: it stays off after a power cut',
    reason: 'Nobody is there when power comes back at night.',
  }),
}

/** Causes of this test from their figures. */
export const backupCauses = {
  'backup.backup-dead': (): CauseWords => ({
    says: 'The backup thermostat is set too high, wired behind the control, or its fan has no supply of its own.',
    check: 'Its dial; then its line from the supply, past the control.',
  }),
  'backup.alarm-supply': (): CauseWords => ({
    says: 'It hangs on the circuit that feeds the fan, or its own battery is empty.',
    check: 'Its own circuit or battery; then again.',
  }),
  'backup.air-proof': (): CauseWords => ({
    says: 'The air proof does not open, or is not joined to the alarm.',
    check: 'Ohms over the air proof with its tube pulled.',
  }),
  'backup.no-restart': (): CauseWords => ({
    says: 'The control or the drive waits for a key after a power cut.',
    check: 'Key it to start by itself; the leaflet names where.',
  }),
}
