import type { Words } from '../words'
import type { CauseWords, VerdictWords } from '../sentences'

/** Verdicts of this test from their figures. */
export const restartVerdicts = {
  'restart.values-lost': (): VerdictWords => ({ head: 'It forgot', reason: 'Values are not as before.' }),
  'restart.restart-differs': (f: { readonly restarts: boolean | undefined }): VerdictWords => ({
    head: f.restarts ? 'It stays off' : 'It comes back by itself',
    reason: 'Not what its leaflet says.',
  }),
  'restart.no-stagger': (): VerdictWords => ({
    head: 'All together',
    reason: 'The start of all at once trips breakers and dips volts.',
  }),
}

/** Causes of this test from their figures. */
export const restartCauses = {
  'restart.values-lost': (): CauseWords => ({
    says: 'It was not left by its keys after keying, so nothing was stored; or its memory is worn.',
    check: 'Key again, leave the menu by its key, power off and on.',
  }),
  'restart.restart-differs': (): CauseWords => ({
    says: 'A key is needed after a power cut, or a load of its own locks out.',
    check: 'Look what the load shows; tell the owner.',
  }),
  'restart.no-stagger': (f: { readonly waitS: number }, { say }: Words): CauseWords => ({
    says: 'No wait between stages is keyed, or the integral was not reset.',
    check: `Key ${say(f.waitS, 'seconds')} between stages.`,
  }),
}
