import type { Words } from '../words'
import type { CauseWords, VerdictWords } from '../sentences'

/** Verdicts of this test from their figures. */
export const fanVerdicts = {
  'fan.least-too-low': (f: { readonly given: boolean }): VerdictWords => ({
    head: 'It stands at its minimum',
    reason: f.given ? 'The signal is there and it does not turn.' : 'It stops, and the signal is not what is planned.',
  }),
  'fan.fan-not-following': (): VerdictWords => ({
    head: 'Signal and no air',
    reason: 'The output gives and the fan stands.',
  }),
  'fan.least-not-keyed': (): VerdictWords => ({
    head: 'Another minimum',
    reason: 'With nothing asking, the output is not what is planned.',
  }),
  'fan.humidity-not-felt': (): VerdictWords => ({
    head: 'Humidity is not felt',
    reason: 'By temperature it goes to full, by humidity it does not.',
  }),
  'fan.temperature-not-felt': (): VerdictWords => ({
    head: 'Temperature is not felt',
    reason: 'By humidity it goes to full, by temperature it does not.',
  }),
}

/** Causes of this test from their figures. */
export const fanCauses = {
  'fan.least-too-low': (f: { readonly value: string }): CauseWords => ({
    says: 'Less than this fan needs to start: dirt, a heavy impeller, a phase-cut regulator, a start without boost.',
    check: f.value,
  }),
  'fan.least-not-keyed': (
    f: { readonly leastParameter: string | undefined; readonly minimumPercent: number | 'off' },
    { say }: Words,
  ): CauseWords => ({
    says: 'The minimum is not keyed, or keyed as off.',
    check: `Read ${f.leastParameter ?? 'the minimum'} and key ${f.minimumPercent === 'off' ? 'off' : say(f.minimumPercent, 'percent')}.`,
  }),
  'fan.fan-not-following': (): CauseWords => ({
    says: 'Supply, its own fuse, the common of the signal, or its run input.',
    check: 'Licensed: volts at the fan, then the signal at its terminals.',
  }),
  'fan.least-otherwise': (f: { readonly full: boolean; readonly leastParameter: string | undefined }): CauseWords => ({
    says: `The minimum in the controller is another one${f.full ? '; both demands are right' : ''}.`,
    check: `Read ${f.leastParameter ?? 'the minimum'} and key it as planned.`,
  }),
  'fan.humidity-not-felt': (): CauseWords => ({
    says: 'The signal of the humidity sensor does not arrive, or its range is keyed otherwise.',
    check:
      'What does the display show for humidity? Right: set or span of damp; wrong: signal, common and range of the input.',
  }),
  'fan.humidity-not-keyed': (f: {
    readonly humidityParameter: string | undefined
    readonly humidityBandParameter: string | undefined
  }): CauseWords => ({
    says: 'Set or span of humidity are not as planned.',
    check: `Read ${f.humidityParameter ?? 'the humidity set'} and ${f.humidityBandParameter ?? 'its span'}.`,
  }),
  'fan.temperature-not-felt': (): CauseWords => ({
    says: 'The probe is of another kind, on another input, or its set and span are keyed otherwise.',
    check: 'What does the display show for temperature? Right: set and span; wrong: probe and terminals.',
  }),
}
