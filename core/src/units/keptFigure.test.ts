import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { keptFigure } from './keptFigure'
import { parseQuantity } from './parseQuantity'

const metric = { temperatureUnit: 'C', system: 'metric' } as const
const us = { temperatureUnit: 'F', system: 'us' } as const

describe('a figure as it is kept', () => {
  it.each([
    ['21.50', 'temperature', metric, '21.50', '°C'],
    ['82.9 °F', 'temperature', metric, '28.278', '°C'],
    ['21 °C', 'temperature', us, '69.8', '°F'],
    ['5\' 6"', 'length', metric, '1.6764', 'm'],
    ['12.5k', 'resistance', metric, '12500', 'ohm'],
    ['warm', 'temperature', metric, 'warm', '°C'],
  ] as const)('%s, %s: %s', (typed, quantity, preferences, text, unit) =>
    expect(keptFigure(typed, quantity, preferences)).toMatchObject({ text, unit }),
  )
  it('no figure has no value', () => expect(keptFigure('warm', 'temperature', metric).value).toBeUndefined())
  it('what is kept reads as what was typed, to what an instrument shows', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: -4000, max: 9000 }),
        fc.constantFrom('°C', '°F', ''),
        fc.constantFrom(metric, us),
        (tenths, unit, preferences) => {
          const { text, value } = keptFigure(`${tenths / 10} ${unit}`.trim(), 'temperature', preferences)
          const again = parseQuantity(text, 'temperature', preferences)
          if (!again.ok || value === undefined) throw new Error(`${text} is no figure`)
          expect(Math.abs(again.si - value)).toBeLessThan(0.06)
        },
      ),
    )
  })
})
