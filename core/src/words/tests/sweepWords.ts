import type { Quantity } from '../../units/quantity'
import type { SignalDiagnosis } from '../../signal/diagnoseSignal'
import type { Words } from '../words'
import type { CauseWords, VerdictWords } from '../sentences'

interface SignalFound {
  readonly found: SignalDiagnosis['cause']
  readonly gives: string | undefined
  readonly shift: number
  readonly quantity: Quantity
  readonly scale: number
  readonly worstPercent: number
}

interface BeyondRange {
  readonly value: number
  readonly low: number
  readonly high: number
  readonly quantity: Quantity
  readonly decimals: number
}

function signalHead({ found, gives }: SignalFound): string {
  if (found === 'other-signal') return `It gives ${gives}`
  if (found === 'reversed') return 'The signal is reversed'
  if (found === 'shifted') return 'The signal is shifted'
  if (found === 'scaled') return 'The output is loaded'
  if (found === 'stuck-low') return 'The output stays low'
  return found === 'stuck-high' ? 'The output stays high' : 'The output is unsteady'
}

function signalReason({ found, shift, quantity, scale, worstPercent }: SignalFound, { say }: Words): string {
  if (found === 'shifted') return `All readings are ${say(Math.abs(shift), quantity, 2)} ${shift > 0 ? 'high' : 'low'}.`
  if (found === 'scaled')
    return `All read ${say(Math.abs(100 * (scale - 1)), 'percent', 1)} ${scale < 1 ? 'low' : 'high'}: the gap grows with the signal${scale < 1 ? ', so something else hangs on the pair' : ''}.`
  return `Furthest off by ${say(worstPercent, 'percent')} of the span.`
}

/** Verdicts of this test from their figures. */
export const sweepVerdicts = {
  'sweep.the-output-does-not-follow': (
    f: {
      readonly value: number
      readonly quantity: Quantity
      readonly decimals: number
      readonly percent: number
      readonly meter: number
    },
    { say }: Words,
  ): VerdictWords => ({
    head: 'The output does not follow',
    reason: `${say(f.value, f.quantity, f.decimals)} at ${say(f.percent, 'percent')}; ${say(f.meter, f.quantity, f.decimals)} is planned.`,
  }),
  'sweep.signal': (f: SignalFound, words: Words): VerdictWords => ({
    head: signalHead(f),
    reason: signalReason(f, words),
  }),
  'sweep.beyond-range': (f: BeyondRange, { say }: Words): VerdictWords => ({
    head: 'The signal is beyond its range',
    reason: `${say(f.value, f.quantity, f.decimals)}; the signal goes from ${say(f.low, f.quantity, 0)} to ${say(f.high, f.quantity, 0)}.`,
  }),
  'sweep.action-reversed': (): VerdictWords => ({
    head: 'It acts the wrong way round',
    reason: 'The display rises where it should fall.',
  }),
  'sweep.band-not-as-planned': (
    f: { readonly difference: number; readonly bandK: number },
    { say }: Words,
  ): VerdictWords => ({
    head: 'Another band',
    reason: `Full output comes over ${say(f.difference, 'difference')}; planned is ${say(f.bandK, 'difference')}.`,
  }),
  'sweep.set-not-as-planned': (f: { readonly shift: number; readonly byK: number }, { say }: Words): VerdictWords => ({
    head: 'The line is shifted',
    reason: `The display stands ${say(Math.abs(f.shift), 'percent')} ${f.shift > 0 ? 'high' : 'low'} all along: as if it were ${say(Math.abs(f.byK), 'difference')} ${f.byK > 0 ? 'higher set' : 'lower set'}.`,
  }),
  'sweep.input-not-followed': (f: { readonly least: number; readonly most: number }, { say }: Words): VerdictWords => ({
    head: 'The display does not follow',
    reason: `It stands between ${say(f.least, 'percent')} and ${say(f.most, 'percent')}.`,
  }),
}

/** Causes of this test from their figures. */
export const sweepCauses = {
  'sweep.action-reversed': (f: {
    readonly action: 'heating' | 'cooling'
    readonly actionParameter: string | undefined
  }): CauseWords => ({
    says: `The controller is keyed to ${f.action === 'heating' ? 'cool' : 'heat'}.`,
    check: `Read ${f.actionParameter ?? 'the action'} and key it as planned.`,
  }),
  'sweep.band-not-as-planned': (
    f: { readonly bandK: number; readonly bandParameter: string | undefined; readonly planBandK: number },
    { say }: Words,
  ): CauseWords => ({
    says: `The band in the controller is about ${say(f.bandK, 'difference')}.`,
    check: `Read ${f.bandParameter ?? 'the band'}, key ${say(f.planBandK, 'difference')}.`,
  }),
  'sweep.integral-runs': (): CauseWords => ({
    says: 'The integral moved the output while you waited.',
    check: 'Integral to nothing for the test, or read as soon as the display stands.',
  }),
  'sweep.set-not-as-planned': (
    f: {
      readonly setpointC: number
      readonly setpointParameter: string | undefined
      readonly anchorParameter: string | undefined
      readonly offsetParameter: string | undefined
    },
    { say }: Words,
  ): CauseWords => ({
    says: `The set is not ${say(f.setpointC, 'temperature')}, the band sits on the other side of it, or an offset is left in.`,
    check: `Read ${f.setpointParameter ?? 'the setpoint'}, ${f.anchorParameter ?? 'where the band sits'} and ${f.offsetParameter ?? 'the offset'}; key them as planned.`,
  }),
  'sweep.input-not-followed': (): CauseWords => ({
    says: 'The box is on another input than the one that controls, or a fixed output is keyed.',
    check:
      'Does the temperature on the display follow the box? If not: terminals and chosen input. If it does: hand mode or limits of the output.',
  }),
  'sweep.other-signal': (f: {
    readonly signalTitle: string
    readonly planned: string
    readonly what: string
  }): CauseWords => ({
    says: `The output is set to ${f.signalTitle} and ${f.planned} is planned: link, model or parameter.`,
    check: `Set the output to ${f.planned}, or change the plan to ${f.signalTitle} if ${f.what} wants that. Then sweep again.`,
  }),
  'sweep.reversed': (): CauseWords => ({
    says: 'Full signal at nothing: the output is keyed reversed.',
    check: 'Key the output direct; look that the valve turns the right way at 30 % and 70 %.',
  }),
  'sweep.beyond-range': ({ value, high }: BeyondRange): CauseWords => ({
    says:
      value > high
        ? 'An output gives no more than its range: a foreign voltage on the pair, another potential in the common, or the meter.'
        : 'An output gives no less than its range: the pair is reversed, or another potential lies in the common.',
    check:
      'Meter on a known cell first; then lift both cores and read the bare output: right now means the cable or what hangs on it.',
  }),
  'sweep.shifted': (): CauseWords => ({
    says: 'Another potential in the common, or an output with a live zero it should not have.',
    check: 'Volts between the two commons; join them at one point, or use an isolator.',
  }),
  'sweep.loaded': (f: { readonly what: string }): CauseWords => ({
    says: `Something more hangs on the pair, or ${f.what} takes more than the output gives.`,
    check: 'Lift the second core and read again: right now means the load; still low means the output.',
  }),
  'sweep.wrong-resistor': (): CauseWords => ({
    says: 'A resistor of another value across the input.',
    check: 'Power off, one end lifted: measure it.',
  }),
  'sweep.wrong-loop-resistor': (): CauseWords => ({
    says: 'A resistor of another value in the loop, or none.',
    check: 'Power off, one end lifted: measure it.',
  }),
  'sweep.no-signal': (): CauseWords => ({
    says: 'The pair is shorted, reversed or open at the terminal, or the output is dead.',
    check: 'Lift both cores, meter on the bare terminals: signal there means the cable; none means the output.',
  }),
  'sweep.stuck-high': (): CauseWords => ({
    says: 'The output is in hand or forced, or a foreign voltage sits on the pair.',
    check: 'Lift both cores: gone means a foreign voltage; still there means hand mode or the output.',
  }),
  'sweep.unsteady': (_: object, { term }: Words): CauseWords => ({
    says: 'A loose core, noise from a drive or a contactor, or the control still moves.',
    check: `Wait longer at each step; then shield at one end, signal apart from ${term('mains')}.`,
  }),
  'sweep.drive-not-following': (): CauseWords => ({
    says: 'The drive runs in hand, on its own set, or waits for its run input.',
    check: 'Its display: which source of speed? Run input closed?',
  }),
  'sweep.stuck-output': (): CauseWords => ({
    says: 'The output stays as it is: a shorted solid-state relay, or hand mode.',
    check: 'Lift its input: does the load stop? If not, the relay is shorted.',
  }),
  'sweep.drive-limits': (): CauseWords => ({
    says: 'Slowest or fastest of the drive are keyed otherwise.',
    check: 'Read both on the drive and key them as planned.',
  }),
  'sweep.cycle-not-as-planned': (f: { readonly cycleParameter: string | undefined }): CauseWords => ({
    says: 'The cycle time is another one than planned: share right, seconds not.',
    check: `Read ${f.cycleParameter ?? 'the cycle time'}; time one whole cycle.`,
  }),
  'sweep.drive-limits-or-signal': (): CauseWords => ({
    says: 'Slowest or fastest of the drive are keyed otherwise, or its input is set to another signal.',
    check: 'Read slowest, fastest and input on the drive.',
  }),
  'sweep.cycle-or-minimum': (): CauseWords => ({
    says: 'A least on-time, a band or an integral shortens what comes out.',
    check: 'Integral off; read the cycle time and the minimum on time.',
  }),
}
