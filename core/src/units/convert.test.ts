import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { convert, units, type UnitSymbol } from './convert'

const symbols = Object.keys(units) as UnitSymbol[]

describe('convert', () => {
  it.each([
    [10, 'F', 'K', true, 5.555556],
    [5, 'F', 'K', true, 2.777778],
    [10, 'F', 'C', false, -12.222222],
    [0, 'C', 'F', false, 32],
    [0, 'K', 'C', false, -273.15],
    [1, 'K', 'F', true, 1.8],
    [1, 'kW', 'Btu/h', false, 3412.1416],
    [1, 'gpm', 'L/min', false, 3.785412],
    [1, 'bar', 'psi', false, 14.503774],
    [1, 'in', 'mm', false, 25.4],
    [1, 'ft2', 'm2', false, 0.09290304],
    [14, 'AWG', 'mm2', false, 2.0811],
    [12, 'AWG', 'mm2', false, 3.3088],
    [2.0811, 'mm2', 'AWG', false, 14],
    [1, 'gal', 'L', false, 3.785412],
  ] as const)('%d %s is %s (difference %s): %d', (value, from, to, difference, expected) => {
    expect(convert(value, from, to, difference)).toBeCloseTo(expected, 3)
  })

  it('goes there and back for every pair of one dimension', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...symbols),
        fc.constantFrom(...symbols),
        fc.double({ min: 0.5, max: 30, noNaN: true }),
        fc.boolean(),
        (from, to, value, difference) => {
          if (units[from].dimension !== units[to].dimension) return
          expect(convert(convert(value, from, to, difference), to, from, difference)).toBeCloseTo(value, 6)
        },
      ),
    )
  })

  it('refuses units that do not belong together', () => {
    expect(() => convert(1, 'C', 'kW')).toThrow('C is a temperature, kW a power')
  })
})
