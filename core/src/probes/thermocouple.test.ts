import { readFileSync } from 'node:fs'
import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { type ThermocoupleType, thermocoupleTypes } from './probe'
import { hotJunctionC, thermocoupleMv, thermocoupleRange } from './thermocouple'

const printed = JSON.parse(readFileSync(new URL('../testing/printedValues.json', import.meta.url), 'utf8')) as {
  values: { thermocouples: { what: string; printed: number }[] }
}
const table = printed.values.thermocouples.map(({ what, printed: mv }) => {
  const [, type, celsius] = /type ([JKT]), mV at (-?\d+) C/.exec(what)!
  return [type as ThermocoupleType, Number(celsius), mv] as const
})

describe('emf against the printed tables of ITS-90', () => {
  it('has the table', () => expect(table.length).toBeGreaterThan(50))
  it.each(table)('type %s at %d °C gives %d mV', (type, celsius, mv) => {
    expect(Math.abs(thermocoupleMv(type, celsius) - mv)).toBeLessThanOrEqual(0.00051)
  })
  it.each([
    ['J', -210, -8.095],
    ['J', -100, -4.633],
    ['J', 500, 27.393],
    ['J', 600, 33.102],
    ['J', 700, 39.132],
    ['J', 760, 42.919],
    ['J', 1000, 57.953],
    ['J', 1200, 69.553],
    ['K', -270, -6.458],
    ['K', -200, -5.891],
    ['K', -100, -3.554],
    ['K', 500, 20.644],
    ['K', 600, 24.905],
    ['K', 800, 33.275],
    ['K', 1000, 41.276],
    ['K', 1200, 48.838],
    ['K', 1372, 54.886],
    ['T', -270, -6.258],
    ['T', -200, -5.603],
    ['T', -100, -3.379],
  ] as const)('type %s at %d °C gives %d mV at the ends of its range', (type, celsius, mv) => {
    expect(Math.abs(thermocoupleMv(type, celsius) - mv)).toBeLessThanOrEqual(0.00051)
  })
})

describe.each(thermocoupleTypes)('type %s', (type) => {
  const [low, high] = thermocoupleRange(type)
  it('is 0 mV at 0 °C and rises all the way', () => {
    expect(thermocoupleMv(type, 0)).toBeCloseTo(0, 9)
    for (let t = low; t < high; t += 1) expect(thermocoupleMv(type, t + 1)).toBeGreaterThan(thermocoupleMv(type, t))
  })
  it('goes there and back over its whole range, ends included', () => {
    fc.assert(
      fc.property(
        fc.oneof(fc.double({ min: low, max: high, noNaN: true }), fc.constantFrom(low, high, 0, -1e-9, 1e-9)),
        (celsius) => {
          const back = hotJunctionC(type, thermocoupleMv(type, celsius), 0)
          // Near absolute zero the curve is so flat that a nanovolt is a thousandth of a kelvin.
          expect(Math.abs(back! - celsius)).toBeLessThan(celsius < -250 ? 1e-2 : 1e-5)
        },
      ),
    )
  })
  it('adds the cold junction as emf, not as degrees', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -40, max: 60, noNaN: true }),
        fc.double({ min: 0, max: 400, noNaN: true }),
        (cold, hot) => {
          const emf = thermocoupleMv(type, hot) - thermocoupleMv(type, cold)
          expect(hotJunctionC(type, emf, cold)).toBeCloseTo(hot, 5)
        },
      ),
    )
  })
  it('knows no temperature off its table', () => {
    expect(hotJunctionC(type, 100, 0)).toBeNull()
    expect(hotJunctionC(type, -20, 0)).toBeNull()
    expect(() => thermocoupleMv(type, high + 1)).toThrow(`from ${low} to ${high} °C`)
  })
})
