import {
  type Convention,
  conventions,
  switchingPoints,
  type SwitchingInput,
} from '../../settings/switching/law/switchingPoints'
import { type Action } from '../../control/action'
import { conventionWords } from '../../settings/switching/law/conventionWords'
import { dialContacts, dialMarkings, dialTest, type DialTestInput } from '../../control/dialTest'
import { switchingSequence } from '../../settings/switching/law/switchingSequence'
import { translate } from '../../settings/switching/law/translate'
import { figure } from '../../words/words'
import { defineCalculation } from '../calculation'
import { InputError } from '../checkField'
import { action, difference, temperature } from '../commonFields'
import { choice, list, nullable, optional, text, yes } from '../field'
import type { ScalePicture } from '../picture'

const convention = (title: string) =>
  choice(title, conventions, { says: Object.fromEntries(conventions.map((each) => [each, conventionWords[each]])) })

const split = { input: 'convention', is: ['split'] }
const unsplit = conventions.filter((each) => each !== 'split')

const scale = (acts: Action, onC: number, offC: number, setC?: number): ScalePicture => ({
  kind: 'scale',
  axis: { title: 'Temperature', quantity: 'temperature' },
  marks: [
    { title: 'on', at: onC, look: 'on' },
    { title: 'off', at: offC, look: 'off' },
    ...(setC === undefined ? [] : [{ title: 'set', at: setC, look: 'set' as const }]),
  ],
  bands: [
    {
      title: 'swing',
      from: Math.min(onC, offC),
      to: Math.max(onC, offC),
      look: acts === 'heating' ? 'heat' : 'cold',
    },
  ],
})

export const points = defineCalculation<SwitchingInput>({
  id: 'switching.points',
  title: 'Where it switches',
  find: 'swing differential hysteresis cut-in cut-out setpoint on off deadband thermostat',
  inputs: {
    action: optional(action),
    convention: convention('The set'),
    setpointC: temperature('Setpoint'),
    swingK: optional(difference('Swing as keyed', { when: { input: 'convention', is: unsplit } })),
    aboveK: optional(difference('Above', { min: 0, when: split })),
    belowK: optional(difference('Below', { min: 0, when: split })),
    swingIs: optional(
      choice('The swing counts', ['total', 'each-side'], {
        default: 'total',
        when: { input: 'convention', is: ['centred'] },
        says: { total: 'from cut-in to cut-out', 'each-side': 'once on each side' },
      }),
    ),
  },
  outputs: { onC: temperature('Switches on'), offC: temperature('Switches off'), action },
  formula:
    'cut-out: off = set; cut-in: on = set; below: set − swing … set; above: set … set + swing; centred: half each side; split: set − below … set + above; signed: off = set, on = set + swing',
  source: 'definitions of the seven conventions',
  examples: [
    {
      given: { action: 'heating', convention: 'cut-out', setpointC: 21, swingK: 1 },
      gives: { onC: 20, offC: 21 },
      source: 'by hand: it switches off at the setpoint',
    },
    {
      given: { convention: 'signed', setpointC: 5, swingK: 2 },
      gives: { onC: 7, offC: 5, action: 'cooling' },
      source: 'by hand: a positive swing cools',
    },
    {
      given: { action: 'cooling', convention: 'below', setpointC: 4, swingK: 2 },
      gives: { onC: 4, offC: 2 },
      source: 'by hand: the band hangs under the setpoint, whatever the action',
    },
    {
      given: { action: 'heating', convention: 'centred', setpointC: 60, swingK: 4, swingIs: 'each-side' },
      gives: { onC: 56, offC: 64 },
      source: 'by hand: the keyed swing counts on each side',
    },
  ],
  run: switchingPoints,
  picture: ({ setpointC }, { onC, offC, action: acts }) =>
    scale(acts as Action, onC as number, offC as number, setpointC),
})

export const sequence = defineCalculation<{
  onC: number
  offC: number
  action: Action
  temperaturesC: number[]
  initialOn?: boolean
}>({
  id: 'switching.sequence',
  title: 'On or off over a row of readings',
  find: 'what does the relay do as the temperature goes up and down hysteresis sequence',
  inputs: {
    onC: temperature('Switches on'),
    offC: temperature('Switches off'),
    action,
    temperaturesC: list('Readings in order', temperature('Reading'), { most: 10_000 }),
    initialOn: optional(yes('On at first', { default: false })),
  },
  outputs: { outputs: list('On after each reading', yes('On')) },
  formula:
    'on when on-point is reached, off when off-point is reached, in between as it was; it acts at the threshold itself',
  source: 'definition of a two-point control',
  examples: [
    {
      given: { onC: 20, offC: 21, action: 'heating', temperaturesC: [20.5, 20, 20.5, 21, 20.5] },
      gives: { outputs: [false, true, true, false, false] },
      source: 'by hand',
    },
    {
      given: { onC: 7, offC: 5, action: 'cooling', temperaturesC: [6, 7, 6, 5, 6], initialOn: true },
      gives: { outputs: [true, true, true, false, false] },
      source: 'by hand',
    },
    {
      given: { onC: 20, offC: 21, action: 'heating', temperaturesC: [25, 15, 25] },
      gives: { outputs: [false, true, false] },
      source: 'by hand: jumps over the whole band',
    },
  ],
  run: ({ onC, offC, action: acts, temperaturesC, initialOn }) => ({
    outputs: switchingSequence(onC, offC, acts, temperaturesC, initialOn),
  }),
  picture: ({ onC, offC, temperaturesC }, { outputs }) =>
    temperaturesC.length < 2
      ? null
      : {
          kind: 'lines',
          x: { title: 'Reading', quantity: 'count' },
          y: { title: 'Temperature', quantity: 'temperature' },
          lines: [{ title: 'Readings', look: 'main', points: temperaturesC.map((t, i) => [i + 1, t]) }],
          spots: (outputs as boolean[]).flatMap((on, i, all) =>
            i > 0 && on !== all[i - 1] ? [{ title: on ? 'on' : 'off', at: [i + 1, temperaturesC[i]!] as const }] : [],
          ),
          across: [
            { title: 'on', at: onC },
            { title: 'off', at: offC },
          ],
        },
})

export const translateEntry = defineCalculation<{
  onC: number
  offC: number
  action: Action
  toConvention: Convention
  setpointC?: number
}>({
  id: 'switching.translate',
  title: 'The same behaviour in another convention',
  find: 'replace thermostat other controller swing convention differential convert setpoint new controller',
  inputs: {
    onC: temperature('Switches on'),
    offC: temperature('Switches off'),
    action,
    toConvention: convention('To a controller whose set'),
    setpointC: optional(
      temperature('Setpoint', { hint: 'The middle unless given', when: { input: 'toConvention', is: ['split'] } }),
    ),
  },
  outputs: {
    setpointC: temperature('Setpoint'),
    swingK: optional(difference('Swing')),
    aboveK: optional(difference('Above')),
    belowK: optional(difference('Below')),
  },
  formula: 'the setpoint and swing whose switching points are these',
  source: 'switching.points turned round; a centred swing is total',
  examples: [
    {
      given: { onC: 20, offC: 21, action: 'heating', toConvention: 'centred' },
      gives: { setpointC: 20.5, swingK: 1 },
      source: 'by hand: the middle, the whole width',
    },
    {
      given: { onC: 20, offC: 21, action: 'heating', toConvention: 'signed' },
      gives: { setpointC: 21, swingK: -1 },
      source: 'by hand: off at the setpoint, negative heats',
    },
    {
      given: { onC: 7, offC: 5, action: 'cooling', toConvention: 'split', setpointC: 5.5 },
      gives: { setpointC: 5.5, aboveK: 1.5, belowK: 0.5 },
      source: 'by hand: 5.5 + 1.5 = 7, 5.5 − 0.5 = 5',
    },
  ],
  run: ({ onC, offC, action: acts, toConvention, setpointC }) => translate(onC, offC, acts, toConvention, setpointC),
  picture: ({ onC, offC, action: acts }, { setpointC }) => scale(acts, onC, offC, setpointC as number),
})

export const dialTestEntry = defineCalculation<DialTestInput>({
  id: 'switching.dialTest',
  title: 'Dial test of a mechanical thermostat',
  find: 'bimetal capillary thermostat ohmmeter click dial scale off adjust replace contact',
  inputs: {
    ambientC: temperature('Ambient at the bulb', { hint: 'Steady, beside the reference thermometer' }),
    contact: choice('The contact', dialContacts, {
      says: { 'opens-on-rise': 'opens on rise (heating)', 'closes-on-rise': 'closes on rise (cooling)' },
    }),
    closedAtDialC: temperature('Dial when it closed'),
    openedAtDialC: temperature('Dial when it opened'),
    dialMarks: choice('The dial marks', dialMarkings, {
      says: { 'cut-in': 'where it cuts in', 'cut-out': 'where it cuts out', centre: 'the middle' },
    }),
    toleranceK: difference('Tolerance', { min: 0, hint: 'Field data tol.switch.mech: 1.5 K' }),
    adjustLimitK: optional(difference('Can be adjusted by', { min: 0, hint: 'Beyond it the thermostat is replaced' })),
  },
  outputs: {
    swingK: nullable(difference('Swing')),
    dialErrorK: nullable(difference('Dial off by')),
    verdict: nullable(
      choice('Verdict', ['good', 'adjust', 'replace'], {
        tones: { good: 'fits', adjust: 'look', replace: 'stop' },
        says: { good: 'good', adjust: 'adjust the dial', replace: 'replace it' },
      }),
    ),
    reason: optional(
      choice('Reason', ['wrong-terminals'], {
        says: {
          'wrong-terminals': 'the swing comes out the wrong way round: the meter is on the other pair of terminals',
        },
      }),
    ),
    next: text('What to do', { longest: 2000 }),
  },
  formula:
    'opens on rise: swing = closed − opened; closes on rise: opened − closed; dial error = marked dial − ambient',
  source: 'geometry of the test; tolerance by field data tol.switch.mech',
  cautions: ['Isolate and prove dead before the meter goes on the contact.'],
  examples: [
    {
      given: {
        ambientC: 20,
        contact: 'opens-on-rise',
        closedAtDialC: 21.5,
        openedAtDialC: 20,
        dialMarks: 'cut-out',
        toleranceK: 1,
      },
      gives: { swingK: 1.5, dialErrorK: 0, verdict: 'good' },
      source: 'by hand: it opens with the dial at the ambient',
    },
    {
      given: {
        ambientC: 20,
        contact: 'opens-on-rise',
        closedAtDialC: 25,
        openedAtDialC: 23,
        dialMarks: 'centre',
        toleranceK: 1.5,
        adjustLimitK: 3,
      },
      gives: { swingK: 2, dialErrorK: 4, verdict: 'replace' },
      source: 'by hand: the middle, 24, is 4 over the ambient',
    },
    {
      given: {
        ambientC: 20,
        contact: 'closes-on-rise',
        closedAtDialC: 18,
        openedAtDialC: 20.5,
        dialMarks: 'cut-in',
        toleranceK: 1,
      },
      gives: { swingK: 2.5, dialErrorK: -2, verdict: 'adjust' },
      source: 'by hand: it closes with the dial 2 under the ambient',
    },
    {
      given: {
        ambientC: 20,
        contact: 'opens-on-rise',
        closedAtDialC: 19,
        openedAtDialC: 21,
        dialMarks: 'cut-in',
        toleranceK: 1,
      },
      gives: { swingK: null, reason: 'wrong-terminals' },
      source: 'by hand: 19 − 21 is under 0',
    },
  ],
  run: (input) => {
    const { adjustLimitK, toleranceK } = input
    if (adjustLimitK !== undefined && adjustLimitK < toleranceK)
      throw new InputError(
        'adjustLimitK',
        `is ${figure(adjustLimitK, 'K')}: it must not be under the tolerance, ${figure(toleranceK, 'K')}`,
      )
    const answer = dialTest(input)
    const next =
      answer.dialErrorK === null || answer.verdict === null
        ? 'Put the meter on the other pair and turn the dial again.'
        : answer.verdict === 'good'
          ? 'Leave it as it is.'
          : `The dial reads ${figure(answer.dialErrorK, 'K')} off; ${answer.verdict === 'adjust' ? 'turn the scale by that and test once more.' : 'that is more than its adjustment: replace it.'}`
    return { ...answer, next }
  },
  picture: ({ ambientC, closedAtDialC, openedAtDialC, contact, toleranceK }) => ({
    kind: 'scale',
    axis: { title: 'Dial', quantity: 'temperature' },
    marks: [
      { title: 'ambient', at: ambientC, look: 'set' },
      { title: 'closed', at: closedAtDialC, look: 'on' },
      { title: 'opened', at: openedAtDialC, look: 'off' },
    ],
    bands: [
      {
        title: 'swing',
        from: Math.min(closedAtDialC, openedAtDialC),
        to: Math.max(closedAtDialC, openedAtDialC),
        look: contact === 'opens-on-rise' ? 'heat' : 'cold',
      },
      { title: 'tolerance', from: ambientC - toleranceK, to: ambientC + toleranceK, look: 'plain' },
    ],
  }),
})
