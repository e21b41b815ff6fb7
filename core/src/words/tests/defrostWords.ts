import type { Words } from '../words'
import type { CauseWords, VerdictWords } from '../sentences'

/** Verdicts of this test from their figures. */
export const defrostVerdicts = {
  'defrost.defrost-not-started': (): VerdictWords => ({
    head: 'It does not melt',
    reason: 'Forced, it goes on cooling.',
  }),
  'defrost.defrost-heater': (): VerdictWords => ({
    head: 'No heat on the coil',
    reason: 'Cooling stopped and nothing melts.',
  }),
  'defrost.group-not-following': (): VerdictWords => ({
    head: 'The others do not follow',
    reason: 'The leader melts alone.',
  }),
  'defrost.end-probe': (f: { readonly took: number }, { say }: Words): VerdictWords => ({
    head: 'It ends at once',
    reason: `${say(f.took, 'minutes', 1)}.`,
  }),
  'defrost.probe-off-coil': (f: { readonly endC: number }, { say }: Words): VerdictWords => ({
    head: 'It runs its whole time',
    reason: `The end of ${say(f.endC, 'temperature')} never came.`,
  }),
  'defrost.defrost-end-keyed': (f: { readonly end: number; readonly endC: number }, { say }: Words): VerdictWords => ({
    head: 'Another end',
    reason: `It ended at ${say(f.end, 'temperature')}; ${say(f.endC, 'temperature')} is planned.`,
  }),
  'defrost.drip-keyed': (f: { readonly drip: number; readonly dripMin: number }, { say }: Words): VerdictWords => ({
    head: f.drip < f.dripMin ? 'No time to drip' : 'It drips too long',
    reason: `${say(f.drip, 'minutes', 1)}; ${say(f.dripMin, 'minutes')} is planned.`,
  }),
  'defrost.fan-early': (): VerdictWords => ({
    head: 'The fan comes too soon',
    reason: 'It blows warm wet air into the room.',
  }),
  'defrost.probe-place': (): VerdictWords => ({ head: 'Ice is left', reason: 'It ended before the coil was clear.' }),
}

/** Causes of this test from their figures. */
export const defrostCauses = {
  'defrost.defrost-not-started': (f: { readonly endC: number }, { say }: Words): CauseWords => ({
    says: 'The coil is warmer than its end, or a blind time runs.',
    check: `What does the coil probe show? Under ${say(f.endC, 'temperature')} it must start.`,
  }),
  'defrost.defrost-heater': (f: { readonly heater: string | undefined }): CauseWords => ({
    says: `${f.heater ?? 'The heater'} gets no current: its wire, its own limit, or the element.`,
    check: 'Amperes of the heater; isolate, ohms of the element.',
  }),
  'defrost.group-not-following': (): CauseWords => ({
    says: 'A follower has another group, no address, or its pair is open or crossed.',
    check: 'Read leader, group and address of each; then the three wires.',
  }),
  'defrost.end-probe': (f: { readonly cold: boolean; readonly defrostEndParameter: string }): CauseWords => ({
    says: `The end probe reads hot (${f.cold ? 'an NTC that is shorted' : 'open, or a connection that has gone'}), is of another kind, or its end is keyed under the coil.`,
    check: `Ohms of the coil probe with both leads lifted; ${f.defrostEndParameter}: 8 °C is usual.`,
  }),
  'defrost.no-frost': (): CauseWords => ({
    says: 'There was no frost on the coil.',
    check: 'Let it frost, force it again.',
  }),
  'defrost.probe-off-coil': (f: { readonly cold: boolean }): CauseWords => ({
    says: `The coil probe reads cold for ever (${f.cold ? 'an NTC that is open' : 'shorted'}), or is not on the coil.`,
    check:
      'Does its reading climb while it melts? Not at all: lift it dead, ohms. A little: clip it where frost goes last.',
  }),
  'defrost.defrost-weak': (): CauseWords => ({
    says: 'Part of the heater is dead.',
    check: 'Amperes of each element.',
  }),
  'defrost.defrost-end-keyed': (f: { readonly defrostEndParameter: string }): CauseWords => ({
    says: 'The end is keyed otherwise.',
    check: `Read ${f.defrostEndParameter}.`,
  }),
  'defrost.drip-keyed': (f: { readonly defrostDripParameter: string }): CauseWords => ({
    says: 'The drip time is keyed otherwise.',
    check: `Read ${f.defrostDripParameter}.`,
  }),
  'defrost.fan-early': (f: { readonly defrostFanBackParameter: string }): CauseWords => ({
    says: 'The temperature at which the fan comes back is keyed too high, or the fan is not on its own output.',
    check: `Read ${f.defrostFanBackParameter}; look which output the fan is on.`,
  }),
  'defrost.probe-place': (): CauseWords => ({
    says: 'The coil probe sits where it warms first.',
    check: 'Move it to where frost goes last; check the drain heater.',
  }),
}
