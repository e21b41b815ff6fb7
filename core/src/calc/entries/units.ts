import { convert, units, type UnitSymbol } from '../../units/convert'
import { type DisplayRange, displayRound } from '../../units/displayRound'
import { defineCalculation } from '../calculation'
import { choice, number, optional } from '../field'

const symbols = Object.keys(units)

export const unitsConvert = defineCalculation<{
  value: number
  from: UnitSymbol
  to: UnitSymbol
  difference?: boolean
}>({
  id: 'units.convert',
  title: 'Convert units',
  inputs: {
    value: number('Value', 'factor'),
    from: choice('From', symbols),
    to: choice('To', symbols),
    difference: optional({ type: 'boolean', title: 'A difference of temperatures, not a temperature' }),
  },
  outputs: { value: number('Value', 'factor') },
  formula: 'temperature: °C = (°F − 32) · 5/9; difference: K = °F · 5/9; others by their factor',
  source: 'exact definitions; AWG by ASTM B258',
  examples: [
    { given: { value: 10, from: 'F', to: 'C', difference: true }, gives: { value: 5.5556 } },
    { given: { value: 10, from: 'F', to: 'C' }, gives: { value: -12.2222 } },
    { given: { value: 14, from: 'AWG', to: 'mm2' }, gives: { value: 2.0811 } },
  ],
  run: ({ value, from, to, difference }) => ({ value: convert(value, from, to, difference) }),
})

export const displayRoundEntry = defineCalculation<{
  temperatureC: number
  ranges: DisplayRange[]
  otherwiseStepC: number
}>({
  id: 'display.round',
  title: 'What a display shows',
  inputs: {
    temperatureC: number('Temperature', 'temperature'),
    ranges: {
      type: 'list',
      title: 'Ranges',
      of: {
        type: 'object',
        title: 'Range',
        fields: {
          fromC: number('From', 'temperature'),
          toC: number('To', 'temperature'),
          stepC: number('Step', 'difference', { over: 0 }),
        },
      },
    },
    otherwiseStepC: number('Step elsewhere', 'difference', { over: 0 }),
  },
  outputs: { shownC: number('Shown', 'temperature') },
  formula: 'nearest multiple of the step, halves away from zero; the rounded value decides the range',
  source: 'contract',
  examples: [
    {
      given: { temperatureC: 9.96, ranges: [{ fromC: -9.9, toC: 9.9, stepC: 0.1 }], otherwiseStepC: 1 },
      gives: { shownC: 10 },
    },
  ],
  run: ({ temperatureC, ranges, otherwiseStepC }) => ({ shownC: displayRound(temperatureC, ranges, otherwiseStepC) }),
})
