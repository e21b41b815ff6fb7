import {
  type Action,
  type Convention,
  conventions,
  switchingPoints,
  type SwitchingInput,
} from '../../control/switchingPoints'
import { onOffCycle, type OnOffCycleInput } from '../../control/onOffCycle'
import { translate } from '../../control/translate'
import { relayLifeYears, swingForRate, worstCycling } from '../../control/worstCycling'
import { defineCalculation } from '../calculation'
import { choice, number, optional } from '../field'

const action = choice('Action', ['heating', 'cooling'])
const convention = (title: string) => choice(title, conventions)
const power = number('Power', 'power', { over: 0 })
const capacity = number('Heat stored', 'capacity', { over: 0 })
const swing = number('Swing', 'difference', { over: 0 })

export const points = defineCalculation<SwitchingInput>({
  id: 'switching.points',
  title: 'Where it switches',
  inputs: {
    action: optional(action),
    convention: convention('The set is where it'),
    setpointC: number('Set', 'temperature'),
    swingK: optional(number('Swing as keyed', 'difference')),
    aboveK: optional(number('Above', 'difference', { min: 0 })),
    belowK: optional(number('Below', 'difference', { min: 0 })),
    swingIs: optional(choice('The swing counts', ['total', 'each-side'])),
  },
  outputs: { onC: number('Switches on', 'temperature'), offC: number('Switches off', 'temperature'), action },
  formula:
    'cut-out: off = set; cut-in: on = set; below: set − swing … set; above: set … set + swing; centred: half each side; split: set − below … set + above; signed: off = set, on = set + swing',
  source: 'contract of the core',
  examples: [
    { given: { action: 'heating', convention: 'cut-out', setpointC: 21, swingK: 1 }, gives: { onC: 20, offC: 21 } },
    { given: { convention: 'signed', setpointC: 5, swingK: 2 }, gives: { onC: 7, offC: 5, action: 'cooling' } },
  ],
  run: switchingPoints,
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
  inputs: {
    onC: number('Switches on', 'temperature'),
    offC: number('Switches off', 'temperature'),
    action,
    toConvention: convention('To convention'),
    setpointC: optional(number('Set', 'temperature')),
  },
  outputs: { setpointC: number('Set', 'temperature'), swingK: optional(number('Swing', 'difference')) },
  formula: 'the setpoint and swing whose switching points are these',
  source: 'inverse of switching.points',
  examples: [
    { given: { onC: 20, offC: 21, action: 'heating', toConvention: 'centred' }, gives: { setpointC: 20.5, swingK: 1 } },
  ],
  run: ({ onC, offC, action: acts, toConvention, setpointC }) => translate(onC, offC, acts, toConvention, setpointC),
})

export const cyclingOnOff = defineCalculation<OnOffCycleInput>({
  id: 'cycling.onOff',
  title: 'How often it cycles',
  inputs: {
    powerW: power,
    lossWPerK: number('Heat loss', 'loss', { min: 0 }),
    capacityJPerK: capacity,
    outdoorC: number('Outdoor', 'temperature'),
    lowC: number('Lower switching point', 'temperature'),
    highC: number('Upper switching point', 'temperature'),
    action,
  },
  outputs: {
    onS: number('Runs', 'seconds'),
    offS: number('Rests', 'seconds'),
    periodS: number('One cycle', 'seconds'),
    dutyPercent: number('Duty', 'percent'),
    cyclesPerHour: number('Cycles', 'perHour'),
  },
  formula: 'τ = C/H; rests at outdoor, runs towards outdoor ± P/H; t = τ ln((from − rest)/(to − rest))',
  source: 'first-order plant, closed form',
  examples: [
    {
      given: {
        powerW: 2000,
        lossWPerK: 50,
        capacityJPerK: 1_800_000,
        outdoorC: 0,
        lowC: 19.5,
        highC: 20.5,
        action: 'heating',
      },
      gives: { dutyPercent: 50, onS: 1800.375, offS: 1800.375 },
    },
  ],
  run: onOffCycle,
})

export const cyclingWorst = defineCalculation<{
  powerW: number
  capacityJPerK: number
  swingK: number
  maximumDutyPercent?: number
}>({
  id: 'cycling.worst',
  title: 'Cycles at the worst half load',
  inputs: {
    powerW: power,
    capacityJPerK: capacity,
    swingK: swing,
    maximumDutyPercent: optional(number('Highest duty', 'percent', { min: 0, max: 100 })),
  },
  outputs: { cyclesPerHour: number('Cycles', 'perHour') },
  formula: '3600 P / (4 C ΔT); duty d under a half: 3600 P d(1 − d)/(C ΔT)',
  source: 'first-order plant, straight ramps',
  examples: [{ given: { powerW: 2000, capacityJPerK: 1_800_000, swingK: 1 }, gives: { cyclesPerHour: 1 } }],
  run: ({ powerW, capacityJPerK, swingK, maximumDutyPercent }) => ({
    cyclesPerHour: worstCycling(powerW, capacityJPerK, swingK, maximumDutyPercent),
  }),
})

export const cyclingSwingFor = defineCalculation<{ powerW: number; capacityJPerK: number; cyclesPerHour: number }>({
  id: 'cycling.swingFor',
  title: 'Narrowest swing for a rate',
  inputs: { powerW: power, capacityJPerK: capacity, cyclesPerHour: number('Cycles', 'perHour', { over: 0 }) },
  outputs: { swingK: number('Swing', 'difference') },
  formula: '3600 P / (4 C n)',
  source: 'cycling.worst turned round',
  examples: [{ given: { powerW: 2000, capacityJPerK: 1_800_000, cyclesPerHour: 2 }, gives: { swingK: 0.5 } }],
  run: ({ powerW, capacityJPerK, cyclesPerHour }) => ({ swingK: swingForRate(powerW, capacityJPerK, cyclesPerHour) }),
})

export const relayLife = defineCalculation<{ cyclesPerHour: number; hoursPerYear: number; ratedOperations: number }>({
  id: 'cycling.relayLife',
  title: 'Relay life',
  inputs: {
    cyclesPerHour: number('Cycles', 'perHour', { over: 0 }),
    hoursPerYear: number('Hours a year in use', 'hours', { over: 0, max: 8784 }),
    ratedOperations: number('Rated operations', 'count', { over: 0 }),
  },
  outputs: { years: number('Lasts', 'years') },
  formula: 'rated operations / (cycles an hour × hours a year)',
  source: 'rated operations: leaflet, or field data life.*',
  examples: [{ given: { cyclesPerHour: 2, hoursPerYear: 5000, ratedOperations: 100000 }, gives: { years: 10 } }],
  run: ({ cyclesPerHour, hoursPerYear, ratedOperations }) => ({
    years: relayLifeYears(cyclesPerHour, hoursPerYear, ratedOperations),
  }),
})
