import type { Words } from '../words'
import type { CauseWords, VerdictWords } from '../sentences'

/** Verdicts of this test from their figures. */
export const stagesVerdicts = {
  'stages.stages-crossed': (f: { readonly a: string; readonly b: string }): VerdictWords => ({
    head: `Stages ${f.a} and ${f.b} are crossed`,
    reason: `${f.b} runs where ${f.a} should.`,
  }),
  'stages.stage-wire': (f: {
    readonly n: string
    readonly missingCount: number
    readonly lamp: boolean | undefined
  }): VerdictWords => ({
    head: `Stage ${f.n} is dead`,
    reason: `${f.missingCount > 0 ? `A later stage runs without it. ` : ''}It never ran where it should${f.lamp === true ? ', and its lamp was on' : f.lamp === false ? ', and its lamp stayed dark' : ''}.`,
  }),
  'stages.stage-welded': (f: { readonly s: string }): VerdictWords => ({
    head: `Stage ${f.s} never stops`,
    reason: 'It runs at every temperature.',
  }),
  'stages.stage-set': (
    f: {
      readonly name: string
      readonly temperatureC: number
      readonly way: 'rising' | 'falling'
      readonly on: boolean
    },
    { say }: Words,
  ): VerdictWords => ({
    head: `Stage ${f.name} switches elsewhere`,
    reason: `At ${say(f.temperatureC, 'temperature')} ${f.way} it is ${f.on ? 'on' : 'off'}.`,
  }),
  'stages.lamps': (): VerdictWords => ({ head: 'The lamps say otherwise', reason: 'Loads are right, lamps are not.' }),
}

/** Causes of this test from their figures. */
export const stagesCauses = {
  'stages.stages-crossed': (f: { readonly a: string; readonly b: string }): CauseWords => ({
    says: `The wires of outputs ${f.a} and ${f.b} are swapped, or the lead rotates.`,
    check: 'Is the lead fixed? Then swap the two wires, dead, and correct the list.',
  }),
  'stages.stage-not-keyed': (
    f: {
      readonly n: string
      readonly setpointParameter: string | undefined
      readonly swingParameter: string | undefined
      readonly setpointC: number
    },
    { say, term }: Words,
  ): CauseWords => ({
    says: `Stage ${f.n} is not used, or its set is keyed far off.`,
    check: `Read ${f.setpointParameter ?? `the set of stage ${f.n}`} and ${f.swingParameter ?? `its ${term('differential')}`}; key ${say(f.setpointC, 'temperature')}.`,
  }),
  'stages.stage-relay': (f: { readonly output: string }): CauseWords => ({
    says: `The relay of ${f.output} does not close.`,
    check: 'Does it click? Licensed: volts over the contact while its lamp is on; full volts is an open contact.',
  }),
  'stages.stage-wire': (f: { readonly output: string; readonly loadName: string }): CauseWords => ({
    says: `The wire from ${f.output} to ${f.loadName}, or what protects it, is open.`,
    check: `Isolate; continuity from ${f.output} to the load, contact by contact.`,
  }),
  'stages.stage-welded': (f: { readonly outputName: string }, { term }: Words): CauseWords => ({
    says: `The contact of ${f.outputName} is welded, or a ${term('bypass')} lies across it.`,
    check: 'Isolate, lift the load wire, ohms over the contact: under 1 ohm is welded.',
  }),
  'stages.stage-forced': (): CauseWords => ({
    says: 'The stage is in hand.',
    check: 'Look for hand mode on the controller and at the load.',
  }),
  'stages.stage-set': (
    f: { readonly name: string; readonly setpointC: number; readonly setpointParameter: string | undefined },
    { say }: Words,
  ): CauseWords => ({
    says: `The set of stage ${f.name} is not ${say(f.setpointC, 'temperature')}.`,
    check: `Read ${f.setpointParameter ?? 'its set'} and key it as planned.`,
  }),
  'stages.stage-swing': (f: { readonly swingParameter: string | undefined }, { term }: Words): CauseWords => ({
    says: `Its ${term('differential')} is another one.`,
    check: `Read ${f.swingParameter ?? `its ${term('differential')}`}.`,
  }),
  'stages.stage-swing-otherwise': (
    f: {
      readonly name: string
      readonly swingK: number
      readonly onlyStop: boolean
      readonly swingParameter: string | undefined
    },
    { say, term }: Words,
  ): CauseWords => ({
    says: `The ${term('differential')} of stage ${f.name} is not ${say(f.swingK, 'difference')}: it ${f.onlyStop ? 'starts where it should and stops elsewhere' : 'stops where it should and starts elsewhere'}.`,
    check: `Read ${f.swingParameter ?? `its ${term('differential')}`} and key ${say(f.swingK, 'difference')}.`,
  }),
  'stages.stage-waits': (_: object, { term }: Words): CauseWords => ({
    says: 'It had not waited out its delay when you looked.',
    check: `Wait out the stage delay and the ${term('minimumOffTime')}, look again.`,
  }),
  'stages.lamps': (): CauseWords => ({
    says: 'A lamp stands for another output than its number says.',
    check: 'Correct the labels.',
  }),
}
