import type { Words } from '../words'
import type { CauseWords, VerdictWords } from '../sentences'

/** Verdicts of this test from their figures. */
export const batteryVerdicts = {
  'battery.supply-cut': (): VerdictWords => ({
    head: 'Stop: the after-run is cut short',
    reason: 'The burner stands hot without its fan.',
  }),
  'battery.cut-off-not-keyed': (): VerdictWords => ({
    head: 'It never cuts off',
    reason: 'Lowered past its limit, it ran on.',
  }),
  'battery.system-volts': (f: { readonly off: number; readonly cutOffV: number }, { say }: Words): VerdictWords => ({
    head: 'Cuts off at other volts',
    reason: `${say(f.off, 'voltage', 2)}; ${say(f.cutOffV, 'voltage', 2)} is planned.`,
  }),
  'battery.hold-keyed': (
    f: { readonly hold: null | number; readonly holdS: number },
    { say }: Words,
  ): VerdictWords => ({
    head: f.hold !== null && f.hold < f.holdS ? 'Cut off too soon' : 'Held too long',
    reason: f.hold === null ? 'It never stopped.' : `${say(f.hold, 'seconds')}; ${say(f.holdS, 'seconds')} is planned.`,
  }),
  'battery.restart-keyed': (
    f: { readonly back: null | number; readonly restartV: number },
    { say }: Words,
  ): VerdictWords => ({
    head: 'Comes back elsewhere',
    reason:
      f.back === null
        ? 'It did not come back.'
        : `${say(f.back, 'voltage', 2)}; ${say(f.restartV, 'voltage', 2)} is planned.`,
  }),
  'battery.lead-drop': (f: { readonly difference: number }, { say }: Words): VerdictWords => ({
    head: 'Volts are lost on the way',
    reason: `${say(f.difference, 'voltage', 2)} between battery and controller while it runs.`,
  }),
}

/** Causes of this test from their figures. */
export const batteryCauses = {
  'battery.supply-cut': (): CauseWords => ({
    says: 'The cut-off switches the heater\u2019s supply instead of its run input.',
    check: 'Isolate. Supply straight from the fused battery; the cut-off into the run input.',
  }),
  'battery.cut-off-not-keyed': (f: { readonly batteryCutOffParameter: string }): CauseWords => ({
    says: 'The cut-off is off, or its contact is not in the run input.',
    check: `Read ${f.batteryCutOffParameter}; then the wire of the run input.`,
  }),
  'battery.system-volts': (f: { readonly batteryCutOffParameter: string }): CauseWords => ({
    says: 'It is keyed for a battery of twice or half the volts.',
    check: `Read ${f.batteryCutOffParameter}.`,
  }),
  'battery.cut-off-keyed': (f: { readonly batteryCutOffParameter: string }): CauseWords => ({
    says: 'Another voltage is keyed, or the meter was at the battery and not at the terminals.',
    check: `Read ${f.batteryCutOffParameter}; meter at the controller\u2019s terminals.`,
  }),
  'battery.hold-keyed': (f: { readonly batteryHoldParameter: string }): CauseWords => ({
    says: 'The hold time is keyed otherwise: without one a glow pin\u2019s start trips it.',
    check: `Read ${f.batteryHoldParameter}.`,
  }),
  'battery.restart-keyed': (f: { readonly batteryRestartParameter: string }): CauseWords => ({
    says: 'The restart voltage is keyed otherwise.',
    check: `Read ${f.batteryRestartParameter}.`,
  }),
  'battery.lead-drop': (): CauseWords => ({
    says: 'A thin or long lead, a brown fuse holder, a loose lug.',
    check: 'Millivolts over each connection at full current; over 100 mV renew it.',
  }),
}
