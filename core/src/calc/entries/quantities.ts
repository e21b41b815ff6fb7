import { convert, units, type UnitSymbol } from '../../units/convert'
import { type DisplayRange, displayRound } from '../../units/displayRound'
import { InputError } from '../checkField'
import { defineCalculation } from '../calculation'
import { choice, list, number, object, optional, text, yes } from '../field'
import { difference, temperature } from '../commonFields'

/** Spellings that are accepted beside those in the forms. */
const spelled = ['gpm(US)', 'gal(US)']
const symbols = Object.keys(units).filter((symbol) => !spelled.includes(symbol))
const unit = (title: string) => choice(title, symbols, { alsoAccepted: spelled })

export const unitsConvert = defineCalculation<{
  value: number
  from: UnitSymbol
  to: UnitSymbol
  difference?: boolean
}>({
  id: 'units.convert',
  title: 'Convert units',
  find: 'fahrenheit celsius kelvin btu kilowatt gpm litres gallons psi bar pascal inch foot awg gauge mm2 wire size swing in degrees',
  inputs: {
    value: number('Value', 'factor', { min: -1e12, max: 1e12 }),
    from: unit('From'),
    to: unit('To'),
    difference: optional(
      yes('A difference of temperatures', { hint: 'A swing or an offset, not a temperature', default: false }),
    ),
  },
  outputs: { value: number('Value', 'factor'), unit: text('Unit') },
  formula: 'temperature: °C = (°F − 32) × 5/9; difference: K = °F × 5/9; others by their factor; AWG by its diameter',
  source: 'exact definitions (inch, pound-force, US gallon, Btu IT); wire gauge by ASTM B258',
  examples: [
    {
      given: { value: 10, from: 'F', to: 'K', difference: true },
      gives: { value: 5.555556 },
      source: 'by hand: 10 × 5/9',
    },
    { given: { value: 10, from: 'F', to: 'C' }, gives: { value: -12.222222 }, source: 'by hand: (10 − 32) × 5/9' },
    {
      given: { value: 14, from: 'AWG', to: 'mm2' },
      gives: { value: 2.08 },
      within: 0.005,
      source: 'ASTM B258 table: 2.08 mm²',
    },
    {
      given: { value: 21.15, from: 'mm2', to: 'AWG' },
      gives: { value: 4 },
      within: 0.005,
      source: 'ASTM B258 table: No. 4 is 21.15 mm²',
    },
    {
      given: { value: 1, from: 'gpm(US)', to: 'L/min' },
      gives: { value: 3.785412 },
      source: 'definition of the US gallon',
    },
    { given: { value: 1, from: 'bar', to: 'psi' }, gives: { value: 14.50377 }, source: 'by hand: 100000/6894.757' },
    {
      given: { value: 10, from: 'kW', to: 'Btu/h' },
      gives: { value: 34121.42 },
      source: 'by hand: 36e6 J/h over 1055.056 J',
    },
  ],
  run: ({ value, from, to, difference: isDifference }) => {
    if (units[from].dimension !== units[to].dimension)
      throw new InputError(
        'to',
        `is ${to}, a ${units[to].dimension}: ${from} is a ${units[from].dimension}, they do not convert`,
      )
    if (from === 'AWG' && !(value >= -3 && value <= 60))
      throw new InputError('value', `is ${value}: gauges go from -3 (0000) to 60`)
    if (units[from].dimension === 'temperature' && units[to].dimension === 'temperature' && !isDifference)
      if (convert(value, from, 'K') < -1e-9)
        throw new InputError('value', `is ${value} ${from}: that is under absolute zero, {-273.15 C}`)
    return { value: convert(value, from, to, isDifference), unit: to }
  },
})

export const displayRoundEntry = defineCalculation<{
  temperatureC: number
  ranges: DisplayRange[]
  otherwiseStepC: number
}>({
  id: 'display.round',
  title: 'What a display shows',
  find: 'resolution tenths rounding digits step display',
  inputs: {
    temperatureC: temperature('Temperature'),
    ranges: list(
      'Ranges with a step of their own',
      object('Range', {
        fromC: temperature('From'),
        toC: temperature('To'),
        stepC: difference('Step', { over: 0, max: 100 }),
      }),
      { most: 20 },
    ),
    otherwiseStepC: difference('Step elsewhere', { over: 0, max: 100 }),
  },
  outputs: { shownC: temperature('Shown') },
  formula: 'nearest multiple of the step, halves away from zero; the rounded value decides whether it lies in a range',
  source: 'rule of the display; leaflet for ranges and steps',
  examples: [
    {
      given: { temperatureC: 9.96, ranges: [{ fromC: -9.9, toC: 9.9, stepC: 0.1 }], otherwiseStepC: 1 },
      gives: { shownC: 10 },
      source: 'by hand: 9.96 rounds to 10.0, which is outside −9.9…9.9, so whole degrees count',
    },
    {
      given: { temperatureC: -0.25, ranges: [{ fromC: -9.9, toC: 9.9, stepC: 0.1 }], otherwiseStepC: 1 },
      gives: { shownC: -0.3 },
      source: 'by hand: halves go away from zero',
    },
    {
      given: { temperatureC: 72.6, ranges: [], otherwiseStepC: 0.5 },
      gives: { shownC: 72.5 },
      source: 'by hand: 72.6/0.5 = 145.2, rounds to 145',
    },
  ],
  run: ({ temperatureC, ranges, otherwiseStepC }) => ({ shownC: displayRound(temperatureC, ranges, otherwiseStepC) }),
})
