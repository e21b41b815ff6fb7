import {
  diagnoseStages,
  shiftStages,
  type Stage,
  stagePoints,
  type StagePointsInput,
  stagesEnergised,
} from '../../settings/stages/law/stages'
import { requireOrder } from '../../settings/switching/law/switchingSequence'
import { conventions } from '../../settings/switching/law/switchingPoints'
import { type Action } from '../../control/action'
import { conventionWords } from '../../settings/switching/law/conventionWords'
import { defineCalculation } from '../calculation'
import { InputError } from '../checkField'
import { action, difference, temperature } from '../commonFields'
import { choice, list, number, object, optional, text, yes } from '../field'
import type { ScalePicture } from '../picture'

const count = number('Stages', 'count', { min: 1, max: 32, integer: true })
const stageNumber = number('Stage', 'count', { min: 1, max: 32, integer: true })
const onOff = { onC: temperature('Switches on'), offC: temperature('Switches off') }

const scalePicture = (
  acts: Action,
  stages: readonly { onC: number; offC: number }[],
  more: ScalePicture['marks'] = [],
): ScalePicture => ({
  kind: 'scale',
  axis: { title: 'Temperature', quantity: 'temperature' },
  marks: [
    ...stages.flatMap(({ onC, offC }, i) => [
      { title: `${i + 1} on`, at: onC, look: 'on' as const },
      { title: `${i + 1} off`, at: offC, look: 'off' as const },
    ]),
    ...more,
  ],
  bands: stages.map(({ onC, offC }, i) => ({
    title: String(i + 1),
    from: Math.min(onC, offC),
    to: Math.max(onC, offC),
    look: acts === 'heating' ? 'heat' : 'cold',
  })),
})

export const stagePointsEntry = defineCalculation<StagePointsInput>({
  id: 'stages.ladder',
  title: 'Setpoints of a staged control',
  find: 'stages spacing ladder staged chiller boilers cut-in cut-out each stage offset',
  inputs: {
    action,
    count,
    firstSetpointC: temperature('Setpoint of stage 1'),
    spacingK: difference('Spacing', { min: 0 }),
    convention: choice('The set', conventions, {
      says: Object.fromEntries(conventions.map((each) => [each, conventionWords[each]])),
    }),
    swingK: optional(
      difference('Swing', { when: { input: 'convention', is: conventions.filter((each) => each !== 'split') } }),
    ),
    aboveK: optional(difference('Above', { min: 0, when: { input: 'convention', is: ['split'] } })),
    belowK: optional(difference('Below', { min: 0, when: { input: 'convention', is: ['split'] } })),
  },
  outputs: {
    stages: list('Stages', object('Stage', { stage: stageNumber, setpointC: temperature('Setpoint'), ...onOff })),
  },
  formula: 'set of stage n = first ± (n − 1) × spacing: cooling climbs, heating descends; points by the convention',
  source: 'definition; spacing by field data spacing.*',
  examples: [
    {
      given: { action: 'cooling', count: 4, firstSetpointC: 5, spacingK: 2, swingK: 2, convention: 'cut-out' },
      gives: {
        stages: [
          { stage: 1, setpointC: 5, onC: 7, offC: 5 },
          { stage: 2, setpointC: 7, onC: 9, offC: 7 },
          { stage: 3, setpointC: 9, onC: 11, offC: 9 },
          { stage: 4, setpointC: 11, onC: 13, offC: 11 },
        ],
      },
      source: 'by hand',
    },
    {
      given: { action: 'heating', count: 2, firstSetpointC: 60, spacingK: 3, swingK: 4, convention: 'centred' },
      gives: {
        stages: [
          { stage: 1, setpointC: 60, onC: 58, offC: 62 },
          { stage: 2, setpointC: 57, onC: 55, offC: 59 },
        ],
      },
      source: 'by hand',
    },
    {
      given: { action: 'heating', count: 1, firstSetpointC: 20, spacingK: 1, swingK: 1, convention: 'signed' },
      gives: { stages: [{ stage: 1, setpointC: 20, onC: 19, offC: 20 }] },
      source: 'by hand: the sign follows the action',
    },
  ],
  run: (input) => ({ stages: stagePoints(input) }),
  picture: ({ action: acts }, { stages }) => scalePicture(acts, stages as Stage[]),
})

export const stagesShift = defineCalculation<{ setpointsC: number[]; newFirstC: number }>({
  id: 'stages.shift',
  title: 'Move all stages alike',
  find: 'shift setpoints summer winter four setpoints one by one move',
  inputs: {
    setpointsC: list('Setpoints, stage 1 first', temperature('Setpoint'), { least: 1, most: 32 }),
    newFirstC: temperature('New set of stage 1'),
  },
  outputs: { setpointsC: list('New setpoints', temperature('Setpoint')), deltaK: difference('Moved by') },
  formula: 'moved by = new first − first; every setpoint + that',
  source: 'definition',
  examples: [
    {
      given: { setpointsC: [5, 7, 9, 11], newFirstC: 6.5 },
      gives: { setpointsC: [6.5, 8.5, 10.5, 12.5], deltaK: 1.5 },
      source: 'by hand',
    },
    { given: { setpointsC: [60, 57], newFirstC: 55 }, gives: { setpointsC: [55, 52], deltaK: -5 }, source: 'by hand' },
    { given: { setpointsC: [20], newFirstC: 20 }, gives: { setpointsC: [20], deltaK: 0 }, source: 'by hand' },
  ],
  run: ({ setpointsC, newFirstC }) => shiftStages(setpointsC, newFirstC),
})

export const stagesEnergisedEntry = defineCalculation<{
  stages: { onC: number; offC: number }[]
  action: Action
  temperatureC: number
  direction: 'rising' | 'falling'
}>({
  id: 'stages.energised',
  title: 'Which stages are on',
  find: 'staged rising falling temperature how many stages on expected pattern',
  inputs: {
    stages: list('Stages in order', object('Stage', onOff), { least: 1, most: 32 }),
    action,
    temperatureC: temperature('Temperature'),
    direction: choice('Came here', ['rising', 'falling']),
  },
  outputs: { energised: list('Stages on', stageNumber) },
  formula:
    'heating: rising on while t < off, falling on from t ≤ on; cooling: rising on from t ≥ on, falling on while t > off; from far away',
  source: 'definition of a two-point control, each stage by itself',
  examples: [
    {
      given: {
        stages: [
          { onC: 7, offC: 5 },
          { onC: 9, offC: 7 },
        ],
        action: 'cooling',
        temperatureC: 8,
        direction: 'rising',
      },
      gives: { energised: [1] },
      source: 'by hand: over 7, under 9',
    },
    {
      given: {
        stages: [
          { onC: 7, offC: 5 },
          { onC: 9, offC: 7 },
        ],
        action: 'cooling',
        temperatureC: 8,
        direction: 'falling',
      },
      gives: { energised: [1, 2] },
      source: 'by hand: neither has fallen to its off point',
    },
    {
      given: {
        stages: [
          { onC: 58, offC: 62 },
          { onC: 55, offC: 59 },
        ],
        action: 'heating',
        temperatureC: 59,
        direction: 'rising',
      },
      gives: { energised: [1] },
      source: 'by hand: stage 2 acts at its threshold itself',
    },
  ],
  run: ({ stages, action: acts, temperatureC, direction }) => {
    stages.forEach(({ onC, offC }, i) => {
      try {
        requireOrder(onC, offC, acts)
      } catch (error) {
        throw new InputError(`stages[${i}].onC`, `: ${(error as Error).message}`)
      }
    })
    return { energised: stagesEnergised(stages, acts, temperatureC, direction) }
  },
  picture: ({ stages, action: acts, temperatureC }) =>
    scalePicture(acts, stages, [{ title: 'now', at: temperatureC, look: 'set' }]),
})

export const stagesDiagnose = defineCalculation<{ count: number; energised: number[]; order?: number[] }>({
  id: 'stages.diagnose',
  title: 'Is the stage pattern sound?',
  find: 'stage missing skipped gap 1 3 without 2 lead lag rotation sequence',
  inputs: {
    count,
    energised: list('Stages on', stageNumber, { most: 32 }),
    order: optional(list('Order, lead first', stageNumber, { most: 32, hint: 'Left out: 1, 2, 3 …' })),
  },
  outputs: {
    inSequence: yes('In sequence', { tones: { yes: 'fits', no: 'stop' } }),
    missing: list('Missing', stageNumber),
    meaning: text('Meaning', { longest: 2000 }),
  },
  formula: 'only 1, 1-2, 1-2-3 … are sound, in the given order',
  source: 'definition of a sequence',
  examples: [
    { given: { count: 4, energised: [1, 2] }, gives: { inSequence: true, missing: [] }, source: 'by hand' },
    { given: { count: 4, energised: [1, 3] }, gives: { inSequence: false, missing: [2] }, source: 'by hand' },
    {
      given: { count: 3, energised: [3, 1], order: [3, 1, 2] },
      gives: { inSequence: true, missing: [] },
      source: 'by hand: 3 leads',
    },
    {
      given: { count: 3, energised: [1, 2], order: [3, 1, 2] },
      gives: { inSequence: false, missing: [3] },
      source: 'by hand: the lead is off',
    },
  ],
  run: ({ count: stages, energised, order }) => {
    const answer = diagnoseStages(stages, energised, order)
    const [first] = answer.missing
    const meaning = answer.inSequence
      ? energised.length === 0
        ? 'All off: sound.'
        : 'Sound: every stage before the last one is on.'
      : `Stage ${answer.missing.join(' and ')} should be on. Check stage ${first} in this order: setpoint, swing, relay, wire, load.`
    return { ...answer, meaning }
  },
})
