import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { parseQuantity, unitsAlong } from './parseQuantity'
import { formatQuantity, quantities, type Quantity } from './quantity'

const metric = { temperatureUnit: 'C', system: 'metric' } as const
const us = { temperatureUnit: 'F', system: 'us' } as const

const read = (text: string, quantity: Quantity, preferences: typeof metric | typeof us = metric) => {
  const parsed = parseQuantity(text, quantity, preferences)
  return parsed.ok ? parsed.si : undefined
}

describe('a figure as a fitter types it', () => {
  it.each([
    ['60 in', 'length', 1.524],
    ['60in', 'length', 1.524],
    ['5 ft', 'length', 1.524],
    ["5'", 'length', 1.524],
    ['5\' 6"', 'length', 1.6764],
    ['5 ft 6 1/2 in', 'length', 1.6891],
    ['5ft6in', 'length', 1.6764],
    ['-1 ft 6 in', 'length', -0.4572],
    ['1 1/2 in', 'thickness', 0.0381],
    ['150 cm', 'length', 1.5],
    ['1/2 hp', 'electricPower', 372.84993579],
    ['6 kW', 'power', 6000],
    ['20 MBH', 'power', 5861.421403],
    ['70 °F', 'temperature', 21.1111111],
    ['21 c', 'temperature', 21],
    ['2 °F', 'difference', 1.1111111],
    ['3 psi', 'kilopascals', 20.68427188],
    ['1 in. w.c.', 'pressure', 249.08891],
    ['2 gpm', 'waterFlow', 0.454249414],
    ['400 cfm', 'airFlow', 679.6043182],
    ['14 AWG', 'section', 2.0809077],
    ['1,5 mm²', 'section', 1.5],
    ['12 k', 'resistance', 12_000],
    ['2 Mohm', 'resistance', 2_000_000],
    ['250 mA', 'current', 0.25],
    ['5 min', 'seconds', 300],
    ['30 gal', 'litres', 113.56235352],
  ] as const)('%s as %s', (text, quantity, si) => {
    expect(read(text, quantity)).toBeCloseTo(si, 4)
    // What is typed along counts, whatever the field shows.
    expect(read(text, quantity, us)).toBeCloseTo(si, 4)
  })
  it.each([
    ['60', 'length', us, 18.288],
    ['60', 'length', metric, 60],
    ['70', 'temperature', us, 21.1111111],
    ['1/2', 'thickness', us, 0.0127],
  ] as const)('%s alone is in the unit of its field (%s)', (text, quantity, preferences, si) => {
    expect(read(text, quantity, preferences)).toBeCloseTo(si, 4)
    expect(parseQuantity(text, quantity, preferences)).toMatchObject({ along: false })
  })
  it.each([
    ['60 furlongs', 'length'],
    ['21 V', 'temperature'],
    ['5 ft 6 ft', 'length'],
    ['1/0', 'factor'],
    ['2 mohm', 'resistance'],
    ['twelve', 'length'],
    ['', 'length'],
    ['1e5 m', 'length'],
    ['9'.repeat(60), 'length'],
  ] as const)('refuses %s as %s', (text, quantity) => expect(parseQuantity(text, quantity, metric).ok).toBe(false))
  it('says what may be typed along, the unit of the field first', () => {
    const parsed = parseQuantity('60 furlongs', 'length', us)
    expect(parsed).toMatchObject({ ok: false, units: ['ft', 'm', 'mm', 'cm', 'in'] })
  })
  it('reads back what any screen shows, with its unit', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...quantities),
        fc.constantFrom(metric, us),
        fc.double({ min: 0.5, max: 5000, noNaN: true }),
        (quantity, preferences, si) => {
          const shown = formatQuantity(si, quantity, preferences)
          const parsed = parseQuantity(shown, quantity, preferences)
          expect([shown, parsed.ok && formatQuantity(parsed.si, quantity, preferences)]).toEqual([shown, shown])
        },
      ),
    )
  })
  it('every unit that is offered is taken', () => {
    for (const quantity of quantities)
      for (const unit of unitsAlong(quantity))
        expect([unit, parseQuantity(`2 ${unit}`, quantity, us).ok]).toEqual([unit, true])
  })
  it('never throws, and never answers what is no number', () => {
    fc.assert(
      fc.property(fc.string(), fc.constantFrom(...quantities), (text, quantity) => {
        const parsed = parseQuantity(text, quantity, us)
        if (parsed.ok) expect(Number.isFinite(parsed.si)).toBe(true)
      }),
    )
  })
})
