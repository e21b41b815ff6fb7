import { withArticle } from '../terms'
import type { Words } from '../words'
import type { CauseWords, VerdictWords } from '../sentences'

/** Verdicts of this test from their figures. */
export const beforeVerdicts = {
  'before.runs-uncommanded': (): VerdictWords => ({
    head: 'It runs uncommanded',
    reason: 'The load runs though the control says off.',
  }),
  'before.not-commanded': (): VerdictWords => ({
    head: 'Not commanded: the control',
    reason: 'The plant was not asked.',
  }),
  'before.plant': (
    f: { readonly amps: number; readonly wants: 'cools' | 'warms' | 'turns' },
    { say }: Words,
  ): VerdictWords => ({
    head: 'Answered by current, not by the plant',
    reason: `${say(f.amps, 'current')} flows and nothing ${f.wants}.`,
  }),
  'before.contact-or-fuse': (f: { readonly amps: null | number | undefined }): VerdictWords => ({
    head: 'Commanded, not answered',
    reason: f.amps === undefined ? 'The control asks and the load stands.' : 'The control asks and no current flows.',
  }),
  'before.element-open': (
    f: { readonly low: boolean; readonly amps: number; readonly plateAmps: number },
    { say }: Words,
  ): VerdictWords => ({
    head: f.low ? 'Too little current' : 'Too much current',
    reason: `${say(f.amps, 'current')}; the nameplate says ${say(f.plateAmps, 'current')}.`,
  }),
}

/** Causes of this test from their figures. */
export const beforeCauses = {
  'before.runs-uncommanded': (f: { readonly load: string }): CauseWords => ({
    says: `${f.load} runs while nothing commands it: a welded contact, a shorted solid-state relay, or an override in parallel.`,
    check:
      'Isolate. Lift the load wire dead and measure over the contact: under 1 ohm is welded. Then look for an override across it.',
  }),
  'before.not-commanded': (_: object, { term }: Words): CauseWords => ({
    says: `The control does not call: setpoint not reached, ${withArticle(term('minimumOffTime'))} still runs, an input holds it, or the probe reads wrong.`,
    check: `Read what the display shows against a thermometer; wait out the ${term('minimumOffTime')}; look which input holds it.`,
  }),
  'before.plant': (): CauseWords => ({
    says: 'The load draws current and the plant does not follow: no flow, air, a shut valve, an empty or fouled exchanger.',
    check: 'Supply and return: both cold is no flow; hot supply and cold return is little flow.',
  }),
  'before.contact-or-fuse': (_: object, { term }: Words): CauseWords => ({
    says: `Something in its line is open: fuse, ${term('limiter')}, contact, or the wire sits on the other terminal of a changeover.`,
    check: 'Licensed: volts along the line from supply to load; the first element with full volts over it is open.',
  }),
  'before.load-open': (f: { readonly load: string }): CauseWords => ({
    says: `${f.load} itself is open.`,
    check: 'Isolate, lift it and measure its ohms.',
  }),
  'before.element-open': (f: { readonly motor: boolean }): CauseWords => ({
    says: f.motor
      ? 'It runs without load: belt, impeller, air in the pump.'
      : 'One of several elements is open, or the voltage is low (power goes with its square).',
    check: 'Licensed: volts at the load. Right volts and little current is the load itself.',
  }),
  'before.overloaded': (f: { readonly motor: boolean }): CauseWords => ({
    says: f.motor
      ? 'The motor works too hard: bearing, voltage, a blocked rotor.'
      : 'The voltage is high, or another load hangs on the same wire.',
    check: 'Licensed: volts at the load, then current of each branch.',
  }),
}
