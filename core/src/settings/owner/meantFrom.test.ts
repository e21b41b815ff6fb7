import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { parameterView } from '../../device/parameterView'
import { meantFrom } from './meantFrom'

const viewIn = (temperatureUnit: 'C' | 'F') =>
  parameterView(
    { order: 1, name: 'Set', meaning: '', level: 'owner', quantity: 'temperature', low: -10, high: 40 },
    { display: { stepC: 0.5, stepF: 1 } },
    { temperatureUnit, system: 'metric' },
  )!
const made = (low: string, high: string, unit: 'C' | 'F' = 'C') =>
  meantFrom({ name: 'Set', view: viewIn(unit), low, high })

describe('the range that an owner is meant to keep', () => {
  it.each([
    ['', '', { meant: undefined }],
    ['18', '', { waits: true }],
    ['', '24', { waits: true }],
    ['18', '24', { meant: { low: 18, high: 24 } }],
    ['18,5', '24', { meant: { low: 18.5, high: 24 } }],
    ['\u22124', '2', { meant: { low: -4, high: 2 } }],
    ['20', '20', { meant: { low: 20, high: 20 } }],
    ['warm', '24', { problem: 'Set, meant from: "warm" is no number.' }],
    ['18', '60', { problem: 'Set, meant to: 60 °C is not between \u221210.0 and 40.0 °C.' }],
    ['24', '18', { problem: 'Set, meant from: 24 °C is over what it is meant to, 18 °C.' }],
  ])('%j to %j', (low, high, expected) => {
    expect(made(low, high)).toEqual(expected)
  })
  it('is typed in the unit of the display and kept in one', () => {
    expect(made('68', '77', 'F')).toEqual({ meant: { low: 20, high: 25 } })
    expect(made('68', '200', 'F')).toEqual({ problem: 'Set, meant to: 200 °F is not between 14 and 104 °F.' })
  })
  it('whatever is typed is kept within the keys and in order, or told', () =>
    fc.assert(
      fc.property(fc.string({ maxLength: 12 }), fc.string({ maxLength: 12 }), (low, high) => {
        const result = made(low, high)
        if ('problem' in result) expect(result.problem).toMatch(/^Set, meant (from|to): /)
        else if ('meant' in result && result.meant) {
          expect(result.meant.low).toBeLessThanOrEqual(result.meant.high)
          expect(result.meant.low).toBeGreaterThanOrEqual(-10)
          expect(result.meant.high).toBeLessThanOrEqual(40)
        }
      }),
    ))
})
