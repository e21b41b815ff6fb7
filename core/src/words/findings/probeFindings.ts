import { capital } from '../terms'
import type { ProbePlace } from '../../choices/deviceChoices'
import { placeTitles } from '../../choices/placeTitles'
import type { Words } from '../words'
import type { Sentences } from '../sentences'

/** Sentences of the findings about what feels the temperature. */
export const probeFindings = {
  C012_PROBE_RANGE: (
    f: {
      readonly tag: string
      readonly name: string
      readonly lowC: number
      readonly highC: number
      readonly targetC: number
    },
    { say }: Words,
  ): Sentences => ({
    head: `${f.tag} does not bear the target.`,
    reason: `${f.name} is made for ${say(f.lowC, 'temperature', 0)} to ${say(f.highC, 'temperature', 0)}; the target is ${say(f.targetC, 'temperature', 0)}.`,
    remedy: 'Choose a probe that is made for it.',
  }),
  C029_INPUT_RANGE: (
    f: { readonly tag: string; readonly lowC: number; readonly highC: number; readonly targetC: number },
    { say }: Words,
  ): Sentences => ({
    head: `${f.tag} does not read the target.`,
    reason: `Its input reads ${say(f.lowC, 'temperature', 0)} to ${say(f.highC, 'temperature', 0)}; the target is ${say(f.targetC, 'temperature', 0)}.`,
    remedy: 'Choose a controller with a wider range.',
  }),
  C031_SET_RANGE: (
    f: {
      readonly tag: string
      readonly name: string
      readonly lowC: number
      readonly highC: number
      readonly targetC: number
    },
    { say }: Words,
  ): Sentences => ({
    head: `${f.tag} cannot be set to the target.`,
    reason: `${f.name} takes ${say(f.lowC, 'temperature', 0)} to ${say(f.highC, 'temperature', 0)}; the target is ${say(f.targetC, 'temperature', 0)}.`,
    remedy: 'Choose a controller whose range holds it.',
  }),
  C032_STEP_OVER_TOLERANCE: (
    f: { readonly tag: string; readonly stepK: number; readonly tolerance: number },
    { say }: Words,
  ): Sentences => ({
    head: `${f.tag} steps wider than the tolerance.`,
    reason: `Display step ${say(f.stepK, 'difference')}; may stray ${say(f.tolerance, 'difference')}.`,
    remedy: 'Choose one that shows tenths, or agree a wider tolerance.',
  }),
  C033_PROBE_ACCURACY: (
    f: { readonly tag: string; readonly toleranceK: number; readonly tolerance: number },
    { say }: Words,
  ): Sentences => ({
    head: `${f.tag} is less sure than what is asked for.`,
    reason: `Good for ${say(f.toleranceK, 'difference', 2)}; may stray ${say(f.tolerance, 'difference', 2)}.`,
    remedy: 'A better probe, or an offset found against a reference thermometer.',
  }),
  C039_ACCURACY_OVER_SWING: (
    f: { readonly tag: string; readonly leastK: number; readonly toleranceK: number },
    { say, term }: Words,
  ): Sentences => ({
    head: `The ${term('differential')} is narrower than ${f.tag} is sure.`,
    reason: `${capital(term('differential'))} ${say(f.leastK, 'difference', 2)}, probe good for ${say(f.toleranceK, 'difference', 2)}: it switches evenly, but the whole band may lie off.`,
    remedy: 'Find the offset against a reference thermometer in Prove.',
  }),
  C038_LEAD_LONG: (
    f: { readonly tag: string; readonly leadM: number; readonly mostM: number },
    { say, term }: Words,
  ): Sentences => ({
    head: `Long lead to ${f.tag}.`,
    reason: `${say(f.leadM, 'length', 0)}; over ${say(f.mostM, 'length', 0)} it picks up what runs beside it.`,
    remedy: `Screened pair, shield at one end, away from ${term('mains')}; or a transmitter at the probe.`,
  }),
  C037_FEELS_ELSEWHERE: (f: {
    readonly tag: string
    readonly place: ProbePlace
    readonly wanted: readonly ProbePlace[]
  }): Sentences => ({
    head: `${f.tag} feels another place than was chosen.`,
    reason: `It sits in ${placeTitles[f.place]}; by the survey it belongs in ${f.wanted.map((each) => placeTitles[each]).join(' or ')}.`,
    remedy: 'Move it, choose another probe, or change the answer.',
  }),
  C063_INPUT_ELSEWHERE: (f: {
    readonly tag: string
    readonly place: ProbePlace
    readonly deviceTag: string
    readonly feels: ProbePlace
  }): Sentences => ({
    head: `${f.tag} sits in ${placeTitles[f.place]}.`,
    reason: `This input of ${f.deviceTag} is for ${placeTitles[f.feels]}.`,
    remedy: 'Move the probe, or take it to another input.',
  }),
  C042_FAILS_THE_WRONG_WAY: (f: {
    readonly goes: 'heat' | 'cold'
    readonly probeFault: 'off' | 'on'
    readonly offersDuty: boolean
    readonly offersOn: boolean
  }): Sentences => ({
    head: `A broken probe lets it get ${f.goes === 'cold' ? 'cold' : 'warm'}.`,
    reason: `The output goes ${f.probeFault}; what is kept here minds the ${f.goes === 'cold' ? 'cold' : 'heat'} more.`,
    remedy: f.offersDuty
      ? 'Choose the fixed duty on probe fault, and an alarm.'
      : f.offersOn
        ? 'Choose on at probe fault with an end by something else, or an alarm that is heard.'
        : 'An alarm that is heard, or a second thermostat that takes over.',
  }),

  C062_INPUT_EMPTY: (f: { readonly feels: ProbePlace; readonly tag: string; readonly name: string }): Sentences => ({
    head: `Nothing feels ${placeTitles[f.feels]} for ${f.tag}.`,
    reason:
      f.feels === 'coil'
        ? 'Without it defrost ends by its longest time alone.'
        : `${f.name} takes its empty input for a broken probe.`,
    remedy: `Choose a probe for ${placeTitles[f.feels]}, or switch that input off in its menu.`,
  }),
  C064_PROBE_ERRS: (f: { readonly tag: string; readonly readsCold: boolean }): Sentences => ({
    head: `A bad connection at ${f.tag} reads ${f.readsCold ? 'cold' : 'hot'}.`,
    reason: `${f.readsCold ? 'It heats on' : 'It cools on'} before the display says that the probe is broken.`,
    remedy: 'Sound connections, and a high or low alarm outside the working band.',
  }),
}
