import { withArticle } from '../terms'
import type { Words } from '../words'
import type { CauseWords, VerdictWords } from '../sentences'

/** Verdicts of this test from their figures. */
export const permissiveVerdicts = {
  'permissive.closed-dry': (f: {
    readonly tag: string
    readonly what: 'line' | 'call'
    readonly loads: string
  }): VerdictWords => ({
    head: `Stop: ${f.tag} is closed without flow`,
    reason: `The ${f.what} of ${f.loads} comes with the pump off.`,
  }),
  'permissive.not-running': (): VerdictWords => ({
    head: 'It does not run to begin with',
    reason: 'Nothing can be proved of a load that stands.',
  }),
  'permissive.permissive-bypassed': (f: {
    readonly protects: boolean
    readonly tag: string
    readonly loads: string
  }): VerdictWords => ({
    head: `${f.protects ? 'Stop: ' : ''}${f.tag} does not take it off`,
    reason: `${f.loads} runs on with ${f.tag} open.`,
  }),
  'permissive.override-bypasses': (
    f: { readonly loads: string; readonly tag: string },
    { term }: Words,
  ): VerdictWords => ({
    head: `Stop: a switch ${term('bypasses')} what protects`,
    reason: `${f.loads} ran with ${f.tag} open.`,
  }),
  'permissive.out-of-reach': (f: { readonly tag: string }): VerdictWords => ({
    head: `${f.tag} does not hear its switch from there`,
    reason: 'A switch that acts now and then is no switch.',
  }),
  'permissive.radio-lost': (f: { readonly tag: string; readonly stays: boolean }): VerdictWords => ({
    head: `${f.tag} ${f.stays ? 'stays closed' : 'opens'} without its radio`,
    reason: 'It was chosen the other way.',
  }),
  'permissive.drops-late': (): VerdictWords => ({ head: 'It drops late', reason: 'Longer than 10 s.' }),
  'permissive.does-not-return': (f: { readonly tag: string }): VerdictWords => ({
    head: 'It does not come back',
    reason: `${f.tag} is closed again and nothing starts.`,
  }),
}

/** Causes of this test from their figures. */
export const permissiveCauses = {
  'permissive.closed-dry': (f: { readonly tag: string; readonly loads: string }): CauseWords => ({
    says: 'Its paddle sticks, it sits the wrong way round, or its contact is bridged.',
    check: `Off, dead. Ohms over ${f.tag} with the pump off: closed is the switch or a bridge. ${f.loads} stays lifted.`,
  }),
  'permissive.not-running': (): CauseWords => ({
    says: 'Another contact in its line is open, or the control does not call.',
    check: 'The two questions first: commanded? answered?',
  }),
  'permissive.permissive-bypassed': (f: { readonly tag: string }): CauseWords => ({
    says: 'Its contact is bridged, lies in parallel, or is wired into another line; or the switch does not open.',
    check: `Isolate. Ohms over ${f.tag} opened: open is wiring, closed is the switch or a bridge.`,
  }),
  'permissive.override-bypasses': (_: object, { term }: Words): CauseWords => ({
    says: `The hand switch lies across the ${term('permissive')} too.`,
    check: `Isolate. Put the switch across the control\u2019s contact only, behind the ${term('permissive')}.`,
  }),
  'permissive.out-of-reach': (): CauseWords => ({
    says: 'Steel, foil or too many walls between, or a battery near its end.',
    check: 'A new battery first. Then the receiver out of its steel box, dead, or a wire in place of the radio.',
  }),
  'permissive.radio-lost': (f: { readonly tag: string }): CauseWords => ({
    says: `The link of ${f.tag} stands otherwise, or it heard another switch.`,
    check: 'Isolate, look at the link against its leaflet; teach it its own switch alone.',
  }),
  'permissive.drops-late': (): CauseWords => ({
    says: 'A delay is set too long, or the paddle sticks.',
    check: 'Delay 5 to 10 s; trim or free the paddle.',
  }),
  'permissive.does-not-return': (f: { readonly tag: string }, { term }: Words): CauseWords => ({
    says: `Its contact does not close cleanly, ${withArticle(term('minimumOffTime'))} runs, or its protection locked out.`,
    check: `Wait out the ${term('minimumOffTime')}; then ohms over ${f.tag} closed, with a low-current meter.`,
  }),
}
