import {
  anchors,
  proportionalPercent,
  type ProportionalBand,
  proportionalTemperature,
  bandEnds,
} from '../../settings/band/law/proportional'
import { diagnoseSignal, signalCauses, type SignalRow } from '../../signal/diagnoseSignal'
import { type Signal, signalPercent, signals, signalSpan, signalValue } from '../../signal/signal'
import { defineCalculation } from '../calculation'
import { action, difference, temperature } from '../commonFields'
import { choice, type Fields, list, nullable, number, object, optional, text } from '../field'
import { evenly, type LinesPicture, type Spot } from '../picture'

interface BandInput extends ProportionalBand {
  signal: Signal
  travelS?: number
  minimumPercent?: number
}

const signal = choice('Signal', signals)
const travelS = optional(
  number('Seconds to open or close', 'seconds', {
    over: 0,
    max: 1e5,
    hint: 'Only for three-point',
    when: { input: 'signal', is: ['three-point'] },
  }),
)
const band: Fields = {
  action,
  anchor: choice('The set is', anchors, { says: { 'from-setpoint': 'at 0 %', centred: 'at 50 %' } }),
  setpointC: temperature('Setpoint'),
  bandK: difference('Band', { over: 0 }),
}
const bandSignal: Fields = { ...band, signal, travelS }
const minimumPercent = optional(number('Minimum', 'percent', { min: 0, max: 100, default: 0 }))
const percent = number('Output', 'percent')
const value = number('Signal', 'factor')
const unit = text('Unit')

const bandPicture = (input: BandInput, spot?: Spot): LinesPicture => {
  const { zeroC, fullC } = bandEnds(input)
  const [low, high] = [Math.min(zeroC, fullC) - input.bandK / 2, Math.max(zeroC, fullC) + input.bandK / 2]
  return {
    kind: 'lines',
    x: { title: 'Temperature', quantity: 'temperature' },
    y: { title: 'Output', quantity: 'percent' },
    lines: [
      {
        title: 'Output',
        look: 'main',
        points: evenly(low, high, 81).map((t): Spot => [t, proportionalPercent(input, t, input.minimumPercent)]),
      },
    ],
    spots: spot ? [{ title: 'Here', at: spot }] : [],
  }
}

const heating: ProportionalBand = { action: 'heating', anchor: 'from-setpoint', setpointC: 22, bandK: 4 }
const cooling: ProportionalBand = { action: 'cooling', anchor: 'centred', setpointC: 24, bandK: 4 }

export const modulatingOutput = defineCalculation<BandInput & { temperatureC: number }>({
  id: 'modulating.output',
  title: 'Output at a temperature',
  find: '0-10 2-10 4-20 ma volts proportional band valve signal percent pwm three-point modulating',
  inputs: { ...band, temperatureC: temperature('Temperature'), signal, minimumPercent, travelS },
  outputs: { percent, value, unit },
  formula: '% = 100 (T − T0)/band, limited, never under the minimum; signal = value at 0 % + span × %/100',
  source: 'definition of a proportional band',
  examples: [
    {
      given: { ...heating, temperatureC: 21, signal: '2-10V' },
      gives: { percent: 25, value: 4, unit: 'V' },
      source: 'by hand: a quarter of the band under the setpoint, 2 + 8/4',
    },
    {
      given: { ...cooling, temperatureC: 24, signal: '4-20mA' },
      gives: { percent: 50, value: 12, unit: 'mA' },
      source: 'by hand: half at the setpoint',
    },
    {
      given: { ...cooling, temperatureC: 30, signal: '10-0V' },
      gives: { percent: 100, value: 0, unit: 'V' },
      source: 'by hand: over the band, a reversed signal ends at 0',
    },
    {
      given: { ...heating, temperatureC: 25, signal: '0-10V', minimumPercent: 15 },
      gives: { percent: 15, value: 1.5 },
      source: 'by hand: never under the minimum',
    },
    {
      given: { ...heating, temperatureC: 20, signal: 'three-point', travelS: 140 },
      gives: { percent: 50, value: 70, unit: 's' },
      source: 'by hand: half of 140 s',
    },
  ],
  run: (input) => {
    const span = signalSpan(input.signal, input.travelS)
    const at = proportionalPercent(input, input.temperatureC, input.minimumPercent)
    return { percent: at, value: signalValue(span, at), unit: span.unit }
  },
  picture: (input, { percent: at }) => bandPicture(input, [input.temperatureC, at as number]),
})

const bandReasons = choice('Reason', ['at-minimum', 'at-maximum', 'out-of-range'], {
  says: {
    'at-minimum': 'the output stands at its lower end: any temperature beyond gives the same',
    'at-maximum': 'the output stands at its upper end: any temperature beyond gives the same',
    'out-of-range': 'no value of this signal',
  },
})

export const modulatingTemperature = defineCalculation<
  ProportionalBand & { signal: Signal; value: number; travelS?: number }
>({
  id: 'modulating.temperature',
  title: 'Temperature of an output',
  find: 'what temperature gives this signal volts milliamps back reverse',
  inputs: { ...band, signal, value: number('Signal', 'factor', { min: -1e5, max: 1e5 }), travelS },
  outputs: { temperatureC: nullable(temperature('Temperature')), percent, reason: optional(bandReasons) },
  formula: 'T = T0 ± band × %/100; at either end the temperature is not known',
  source: 'modulating.output turned round',
  examples: [
    { given: { ...heating, signal: '2-10V', value: 4 }, gives: { temperatureC: 21, percent: 25 }, source: 'by hand' },
    {
      given: { ...cooling, signal: '4-20mA', value: 8 },
      gives: { temperatureC: 23, percent: 25 },
      source: 'by hand: 22 + 4/4',
    },
    {
      given: { ...heating, signal: '0-10V', value: 0 },
      gives: { temperatureC: null, reason: 'at-minimum' },
      source: 'by hand',
    },
    {
      given: { ...heating, signal: '4-20mA', value: 2 },
      gives: { temperatureC: null, reason: 'out-of-range' },
      source: 'by hand: under 4 mA',
    },
  ],
  run: (input) => {
    const at = signalPercent(signalSpan(input.signal, input.travelS), input.value)
    const dust = 1e-9
    if (at < -dust || at > 100 + dust)
      return { temperatureC: null, percent: Math.min(100, Math.max(0, at)), reason: 'out-of-range' }
    if (at <= dust) return { temperatureC: null, percent: 0, reason: 'at-minimum' }
    if (at >= 100 - dust) return { temperatureC: null, percent: 100, reason: 'at-maximum' }
    return { temperatureC: proportionalTemperature(input, at), percent: at }
  },
  picture: (input, { temperatureC, percent: at }) =>
    bandPicture(input, typeof temperatureC === 'number' ? [temperatureC, at as number] : undefined),
})

export const modulatingSweep = defineCalculation<BandInput & { points: number }>({
  id: 'modulating.sweep',
  title: 'Sweep of an output',
  find: 'test table expected signal each step 0 25 50 75 100 percent proof',
  inputs: {
    ...bandSignal,
    minimumPercent,
    points: number('Points in the band', 'count', { min: 2, max: 200, integer: true }),
  },
  outputs: {
    rows: list('Rows', object('Row', { temperatureC: temperature('Temperature'), percent, value })),
    unit,
  },
  formula: 'points evenly over the band and one step beyond each end, rising',
  source: 'modulating.output at each',
  examples: [
    {
      given: { ...heating, signal: '0-10V', points: 3 },
      gives: {
        rows: [
          { temperatureC: 16, percent: 100, value: 10 },
          { temperatureC: 18, percent: 100, value: 10 },
          { temperatureC: 20, percent: 50, value: 5 },
          { temperatureC: 22, percent: 0, value: 0 },
          { temperatureC: 24, percent: 0, value: 0 },
        ],
      },
      source: 'by hand',
    },
    {
      given: { ...cooling, signal: '2-10V', points: 2 },
      gives: {
        rows: [
          { temperatureC: 18, percent: 0, value: 2 },
          { temperatureC: 22, percent: 0, value: 2 },
          { temperatureC: 26, percent: 100, value: 10 },
          { temperatureC: 30, percent: 100, value: 10 },
        ],
      },
      source: 'by hand',
    },
    {
      given: { ...heating, signal: '20-4mA', points: 2, minimumPercent: 25 },
      gives: {
        rows: [
          { temperatureC: 14, percent: 100, value: 4 },
          { temperatureC: 18, percent: 100, value: 4 },
          { temperatureC: 22, percent: 25, value: 16 },
          { temperatureC: 26, percent: 25, value: 16 },
        ],
      },
      source: 'by hand: 20 − 16/4',
    },
  ],
  run: (input) => {
    const span = signalSpan(input.signal, input.travelS)
    const { zeroC, fullC } = bandEnds(input)
    const [low, step] = [Math.min(zeroC, fullC), input.bandK / (input.points - 1)]
    const rows = Array.from({ length: input.points + 2 }, (_, i) => {
      const temperatureC = low + (i - 1) * step
      const at = proportionalPercent(input, temperatureC, input.minimumPercent)
      return { temperatureC, percent: at, value: signalValue(span, at) }
    })
    return { rows, unit: span.unit }
  },
  picture: (input, { rows }) => ({
    ...bandPicture(input),
    spots: (rows as { temperatureC: number; percent: number }[])
      .slice(0, 20)
      .map((row, i) => ({ title: String(i + 1), at: [row.temperatureC, row.percent] as const })),
  }),
})

const causeWords = {
  matches: 'as planned',
  'stuck-low': 'stuck low',
  'stuck-high': 'stuck high',
  reversed: 'reversed',
  'other-signal': 'another signal',
  shifted: 'shifted',
  scaled: 'scaled',
  unsteady: 'unsteady',
} as const

const row = (percentAt: number, read: number) => ({ percent: percentAt, value: read })

export const modulatingDiagnose = defineCalculation<{
  signal: Signal
  rows: SignalRow[]
  tolerancePercent: number
  travelS?: number
}>({
  id: 'modulating.diagnose',
  title: 'What is wrong with an output',
  find: 'sweep meter reading wrong signal reversed 0-10 instead of 2-10 loaded resistor stuck jumper',
  inputs: {
    signal: choice('Signal as planned', signals),
    rows: list(
      'Readings',
      object('Row', {
        percent: number('Planned', 'percent', { min: 0, max: 100 }),
        value: number('Meter', 'factor', { min: -1e5, max: 1e5 }),
      }),
      { least: 1, most: 200, hint: 'From the lowest to the highest, five or more' },
    ),
    tolerancePercent: number('Tolerance', 'percent', { min: 0, max: 50, hint: 'Of the span; 0.1 V of 10 V is 1 %' }),
    travelS,
  },
  outputs: {
    cause: choice('Cause', signalCauses, {
      says: causeWords,
      tones: { ...Object.fromEntries(signalCauses.map((cause) => [cause, 'stop' as const])), matches: 'fits' },
    }),
    worstPercent: number('Farthest from the plan', 'percent'),
    signal: optional(choice('It is', signals)),
    shiftPercent: optional(number('Shifted by', 'percent')),
    scale: optional(number('Multiplied by', 'factor')),
    next: text('What to do', { longest: 2000 }),
  },
  formula:
    'judged in order, each within the tolerance at every reading: matches, stuck, reversed, another signal of the same unit, shifted by one amount, scaled by one factor, unsteady',
  source: 'definition; tolerance by field data tol.ao.*',
  examples: [
    {
      given: { signal: '0-10V', rows: [row(0, 0.05), row(50, 4.95), row(100, 10.1)], tolerancePercent: 1 },
      gives: { cause: 'matches' },
      source: 'by hand: never more than 0.1 V of 10 off',
    },
    {
      given: { signal: '0-10V', rows: [row(0, 2), row(25, 4.05), row(50, 5.95), row(100, 10)], tolerancePercent: 1 },
      gives: { cause: 'other-signal', signal: '2-10V' },
      source: 'by hand: 2 V at 0 %, 6 V at 50 %',
    },
    {
      given: { signal: '4-20mA', rows: [row(0, 20), row(50, 12.1), row(100, 4)], tolerancePercent: 1 },
      gives: { cause: 'reversed' },
      source: 'by hand: falls where it should rise',
    },
    {
      given: { signal: '0-10V', rows: [row(0, 0), row(50, 4), row(100, 8)], tolerancePercent: 1 },
      gives: { cause: 'scaled', scale: 0.8 },
      within: 0.01,
      source: 'by hand: four fifths everywhere',
    },
    {
      given: { signal: '0-10V', rows: [row(0, 0.6), row(50, 5.6), row(100, 10.6)], tolerancePercent: 1 },
      gives: { cause: 'shifted', shiftPercent: 6 },
      within: 0.01,
      source: 'by hand: 0.6 V everywhere',
    },
    {
      given: { signal: '0-10V', rows: [row(0, 0.02), row(50, 0), row(100, 0.03)], tolerancePercent: 1 },
      gives: { cause: 'stuck-low' },
      source: 'by hand: nothing moves',
    },
  ],
  run: ({ signal: planned, rows, tolerancePercent, travelS: seconds }) => {
    const answer = diagnoseSignal(planned, rows, tolerancePercent, seconds)
    const unitOf = signalSpan(planned, seconds).unit
    const next = {
      matches: 'Sound: nothing to do.',
      'stuck-low':
        'No signal. Check that the output is commanded, its mode and its wire; then lift the load and measure again.',
      'stuck-high': 'It stands full on. Check hand mode and forced outputs, then look for a bridge to the supply.',
      reversed: 'Change the direction of the output, or the action, in one place only.',
      'other-signal': `It gives ${answer.signal}. Set the output or the input so that both speak the same.`,
      shifted: `Everything lies ${(answer.shiftPercent ?? 0).toFixed(1)} % off. Check meter zero and the common wire, then the output's offset.`,
      scaled: `Everything is ${(answer.scale ?? 1).toFixed(2)} times what is planned. Lift the load and measure again: right then, the load draws too much; else a wrong resistor (250 or 500 ohm).`,
      unsteady: `No one cause fits. Wait until it is steady, check the common wire and the shield, measure in ${unitOf} again.`,
    }[answer.cause]
    return { ...answer, next }
  },
  picture: ({ signal: planned, rows, travelS: seconds }) => {
    const span = signalSpan(planned, seconds)
    return {
      kind: 'lines',
      x: { title: 'Planned', quantity: 'percent' },
      y: { title: 'Signal', quantity: 'factor', unit: span.unit },
      lines: [
        {
          title: 'Planned',
          look: 'other',
          points: [
            [0, span.at0],
            [100, span.at100],
          ],
        },
        {
          title: 'Meter',
          look: 'main',
          points: [...rows].sort((a, b) => a.percent - b.percent).map((r): Spot => [r.percent, r.value]),
        },
      ],
      spots: rows.slice(0, 30).map((r, i) => ({ title: String(i + 1), at: [r.percent, r.value] as const })),
    }
  },
})
