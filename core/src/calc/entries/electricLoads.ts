import { electricDerate, electricLoad } from '../../wiring/electricLoad'
import { type ElementConnection, elementConnections, heatingElements } from '../../wiring/heatingElements'
import { defineCalculation } from '../calculation'
import { InputError } from '../checkField'
import { choice, number, optional } from '../field'
import { evenly, type Spot } from '../picture'

const volts = (title: string) => number(title, 'voltage', { over: 0, max: 100_000, symbol: 'V' })

interface LoadInput {
  volts: number
  phases: 1 | 3
  powerW?: number
  amps?: number
  powerFactor?: number
}

export const electricLoadEntry = defineCalculation<LoadInput>({
  id: 'electric.load',
  title: 'Watts, amps and volt-amperes',
  find: 'amps current from watts kw power three phase 400 v 208 v nameplate va power factor',
  inputs: {
    volts: volts('Volts, line to line for three phases'),
    phases: number('Phases, 1 or 3', 'count', { min: 1, max: 3, integer: true }),
    powerW: optional(
      number('Power', 'electricPower', { min: 0, max: 1e9, symbol: 'P', hint: 'This or the current, not both' }),
    ),
    amps: optional(number('Current', 'current', { min: 0, max: 1e6, symbol: 'I' })),
    powerFactor: optional(
      number('Power factor', 'factor', { over: 0, max: 1, default: 1, hint: 'Heating 1; a motor’s is on its plate' }),
    ),
  },
  outputs: {
    powerW: number('Power', 'electricPower'),
    amps: number('Current', 'current'),
    va: number('Apparent power', 'apparentPower'),
  },
  formula: 'P = V I cos φ; three phases √3 V I cos φ',
  source: 'definition',
  cautions: ['Conductor and breaker are sized by local code, with the time that it runs: a licensed trade decides.'],
  examples: [
    {
      given: { volts: 400, phases: 3, powerW: 6000 },
      gives: { amps: 8.660254, va: 6000 },
      source: 'by hand: 6000/(√3 × 400)',
    },
    {
      given: { volts: 240, phases: 1, amps: 18.75 },
      gives: { powerW: 4500, va: 4500 },
      source: 'by hand: 240 × 18.75',
    },
    {
      given: { volts: 208, phases: 3, amps: 10, powerFactor: 0.8 },
      gives: { powerW: 2882.13254, va: 3602.66568 },
      source: 'by hand: √3 × 208 × 10, times 0.8',
    },
  ],
  run: (input) => {
    if (input.phases === (2 as number)) throw new InputError('phases', 'is 2: 1 or 3')
    return electricLoad(input)
  },
})

export const electricDerateEntry = defineCalculation<{ ratedW: number; ratedV: number; volts: number }>({
  id: 'electric.derate',
  title: 'An element at other volts',
  find: 'heater 240 v on 208 v derate watts lower voltage element nameplate gives less',
  inputs: {
    ratedW: number('Rated', 'electricPower', { over: 0, max: 1e9 }),
    ratedV: volts('Rated at'),
    volts: volts('On'),
  },
  outputs: { powerW: number('Gives', 'electricPower'), percent: number('Of its rating', 'percent') },
  formula: 'P = rated (V/rated V)²: its ohms stay',
  source: 'Ohm’s law',
  cautions: ['Over its rated volts it gives more than its wires, its contact and its limiter were chosen for.'],
  examples: [
    {
      given: { ratedW: 4500, ratedV: 240, volts: 208 },
      gives: { powerW: 3380, percent: 75.111111 },
      source: 'by hand: (208/240)² = 0.75111',
    },
    {
      given: { ratedW: 2000, ratedV: 240, volts: 220 },
      gives: { powerW: 1680.55556 },
      source: 'by hand: 2000 × (220/240)²',
    },
    {
      given: { ratedW: 2000, ratedV: 230, volts: 240 },
      gives: { powerW: 2177.69376, percent: 108.884688 },
      source: 'by hand: 2000 × (240/230)²',
    },
  ],
  run: ({ ratedW, ratedV, volts: on }) => electricDerate(ratedW, ratedV, on),
  picture: ({ ratedW, ratedV, volts: on }, { powerW }) => ({
    kind: 'lines',
    x: { title: 'On', quantity: 'voltage' },
    y: { title: 'Gives', quantity: 'electricPower' },
    lines: [
      {
        title: 'Gives',
        look: 'main',
        points: evenly(0, Math.max(ratedV, on) * 1.2, 61).map((v): Spot => [
          v,
          electricDerate(ratedW, ratedV, v).powerW,
        ]),
      },
    ],
    spots: [{ title: 'Here', at: [on, powerW as number] }],
    across: [{ title: 'rated', at: ratedW }],
  }),
})

export const electricElements = defineCalculation<{
  elementOhm: number
  count?: number
  connection: ElementConnection
  volts: number
}>({
  id: 'electric.elements',
  title: 'Heating elements and what a meter reads',
  find: 'element ohms star delta wye parallel resistance between terminals line current broken element',
  inputs: {
    elementOhm: number('Each element', 'resistance', { over: 0, max: 1e6, symbol: 'R' }),
    connection: choice('Connected', elementConnections, {
      says: { single: 'one by itself', parallel: 'side by side', star: 'star', delta: 'delta' },
    }),
    count: optional(
      number('Elements', 'count', { min: 1, max: 300, integer: true, hint: 'Left out: 1, and 3 in star and delta' }),
    ),
    volts: volts('Volts, line to line for three phases'),
  },
  outputs: {
    powerW: number('Gives', 'electricPower'),
    lineA: number('In a line', 'current'),
    betweenOhm: number('Between two terminals', 'resistance', {
      hint: 'Dead, disconnected, every element in place: each pair reads the same. Where one reads otherwise an element is broken',
    }),
  },
  formula:
    'one and side by side V²/R, R/n on the meter; star V²/R, V/(√3 R) a line, 2 R on the meter; delta 3 V²/R, √3 V/R a line, 2/3 R',
  source: 'Ohm’s law',
  cautions: [
    'Measure ohms dead, locked out and proved dead, with the lines taken off: a meter on live elements hurts.',
  ],
  examples: [
    {
      given: { elementOhm: 26.45, connection: 'single', volts: 230 },
      gives: { powerW: 2000, lineA: 8.695652, betweenOhm: 26.45 },
      source: 'by hand: 230²/26.45',
    },
    {
      given: { elementOhm: 19.2, connection: 'parallel', count: 2, volts: 240 },
      gives: { powerW: 6000, lineA: 25, betweenOhm: 9.6 },
      source: 'by hand: two of 3000 W at 240 V',
    },
    {
      given: { elementOhm: 80, connection: 'delta', volts: 400 },
      gives: { powerW: 6000, lineA: 8.660254, betweenOhm: 53.333333 },
      source: 'by hand: 3 × 400²/80; 80 beside 160 ohm',
    },
    {
      given: { elementOhm: 80, connection: 'star', volts: 400 },
      gives: { powerW: 2000, lineA: 2.886751, betweenOhm: 160 },
      source: 'by hand: a third of what delta gives; 80 + 80 ohm',
    },
  ],
  run: heatingElements,
  picture: ({ elementOhm, connection, count, volts: on }) => {
    if (connection === 'single' || connection === 'parallel') return null
    return {
      kind: 'bars',
      value: { title: 'Gives', quantity: 'electricPower' },
      bars: (['star', 'delta'] as const).map((each) => ({
        title: each,
        value: heatingElements({ elementOhm, connection: each, volts: on, ...(count === undefined ? {} : { count }) })
          .powerW,
      })),
    }
  },
})
