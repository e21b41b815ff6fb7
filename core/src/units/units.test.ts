import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { displayRound, roundToStep } from './displayRound'
import { parseNumber } from './parseNumber'
import { formatQuantity, quantities, quantityView } from './quantity'
import { wordsFor } from '../words/words'

const metric = { temperatureUnit: 'C', system: 'metric' } as const
const us = { temperatureUnit: 'F', system: 'us' } as const

describe('parseNumber', () => {
  it.each([
    ['4,5', 4.5],
    ['4.5', 4.5],
    [' −12 ', -12],
    ['-0,25', -0.25],
    ['.5', 0.5],
    ['7.', 7],
  ])('reads %s', (text, value) => {
    expect(parseNumber(text)).toEqual({ ok: true, value })
  })
  it.each(['', 'warm', '12o', '1.2.3', '1e5', '--1', '1 000', 'Infinity', 'NaN', '0x10', '9'.repeat(400)])(
    'refuses %p',
    (text) => {
      expect(parseNumber(text)).toEqual({ ok: false, given: text })
    },
  )
  it('reads back whatever a screen shows', () => {
    fc.assert(
      fc.property(fc.double({ min: -5000, max: 5000, noNaN: true }), (value) => {
        const shown = formatQuantity(value, 'temperature', metric).split('\u00a0')[0]!
        const read = parseNumber(shown)
        expect(read.ok && Math.abs(read.value - value) <= 0.0501).toBe(true)
      }),
    )
  })
})

describe('formatQuantity', () => {
  it.each([
    [2.777778, 'difference', us, '5.0\u00a0°F'],
    [2.777778, 'difference', metric, '2.8\u00a0K'],
    [28, 'temperature', us, '82.4\u00a0°F'],
    [-0.04, 'temperature', metric, '0.0\u00a0°C'],
    [-4.3, 'temperature', metric, '\u22124.3\u00a0°C'],
    [1000, 'power', us, '3412\u00a0Btu/h'],
    [1000, 'electricPower', us, '1000\u00a0W'],
    [38, 'area', us, '409\u00a0ft²'],
    [1.899, 'loss', us, '3.6\u00a0Btu/h°F'],
  ] as const)('%d as %s', (value, quantity, preferences, text) => {
    expect(formatQuantity(value, quantity, preferences)).toBe(text)
  })
  it.each(quantities.flatMap((q) => [metric, us].map((p) => [q, p] as const)))(
    '%s goes out and back',
    (quantity, preferences) => {
      const view = quantityView(quantity, preferences)
      expect(view.toSi(view.toShown(21.5))).toBeCloseTo(21.5, 9)
    },
  )
})

describe('words', () => {
  it.each([
    ['not over {55 C}, room + {9 K}', metric, 'not over 55\u00a0°C, room + 9\u00a0K'],
    ['not over {55 C}, room + {9 K}', us, 'not over 131\u00a0°F, room + 16\u00a0°F'],
    ['{-10 C} and {brackets} that are none', us, '14\u00a0°F and {brackets} that are none'],
  ])('%s', (text, preferences, told) => expect(wordsFor(preferences).tell(text)).toBe(told))
})

describe('displayRound', () => {
  it.each([
    [0.25, 0.1, 0.3],
    [-0.25, 0.1, -0.3],
    [21.04, 0.1, 21],
    [82.45, 0.1, 82.5],
    [7.4, 5, 5],
    [-0.04, 0.1, 0],
  ])('%d in steps of %d shows %d', (value, step, shown) => {
    expect(roundToStep(value, step)).toBe(shown)
  })
  it('lets the rounded value decide the range', () => {
    const ranges = [{ fromC: -9.9, toC: 9.9, stepC: 0.1 }]
    expect(displayRound(9.94, ranges, 1)).toBe(9.9)
    expect(displayRound(9.96, ranges, 1)).toBe(10)
  })
  it('refuses a step of nothing', () => expect(() => roundToStep(1, 0)).toThrow('step 0 must be over 0'))
})
