import { describe, expect, it } from '@jest/globals'
import { calcData } from '../testing/calcData'
import { plainDigits } from '../units/plainDigits'
import { quantities, quantityView } from '../units/quantity'
import { choice, type Field, list, nullable, number, object, optional, text, yes } from './field'
import { storedUnit } from '../schema/storedUnit'
import { sayField, calculationNote, sumText, workedLines } from './workedLines'

const metric = { temperatureUnit: 'C', system: 'metric' } as const
const us = { temperatureUnit: 'F', system: 'us' } as const

describe('plainDigits', () => {
  it.each([
    [0, '0'],
    [1077.9352, '1077.94'],
    [0.0000876741, '0.0000876741'],
    [-12.5, '-12.5'],
    [1e6, '1000000'],
    [1234567.8, '1234568'],
    [100, '100'],
    [0.1 + 0.2, '0.3'],
    [1e-13, '1.00000e-13'],
    [1e18, '1.00000e+18'],
  ])('%d is written %s', (value, shown) => expect(plainDigits(value)).toBe(shown))
})

describe('sayField', () => {
  const cases: [Field, unknown, string, string][] = [
    [number('Setpoint', 'temperature'), 20, '20.0\u00a0°C', '68.0\u00a0°F'],
    [number('Swing', 'difference'), 5, '5.0\u00a0K', '9.0\u00a0°F'],
    [number('Swing', 'difference'), 0.004, '0.004\u00a0K', '0.0072\u00a0°F'],
    [number('Error', 'difference'), 1e-10, '0.0\u00a0K', '0.0\u00a0°F'],
    [number('Resistance', 'resistance'), 138.50546, '138.505\u00a0ohm', '138.505\u00a0ohm'],
    [number('Cycles', 'perHour'), 0.9997917, '0.9998\u00a0an hour', '0.9998\u00a0an hour'],
    [number('Current', 'current'), 16, '16\u00a0A', '16\u00a0A'],
    [number('Takes', 'seconds'), 3601, '3601\u00a0s (60.0\u00a0min)', '3601\u00a0s (60.0\u00a0min)'],
    [number('Takes', 'seconds'), 90, '90\u00a0s', '90\u00a0s'],
    [number('Loss', 'power'), 1000, '1000\u00a0W', '3412\u00a0Btu/h'],
    [number('c', 'factor'), 8.76741e-8, '0.0000000876741', '0.0000000876741'],
    [number('Offset', 'difference'), -0.5, '\u22120.5\u00a0K', '\u22120.9\u00a0°F'],
    [nullable(number('Hours', 'hours')), null, 'none', 'none'],
    [yes('On'), true, 'yes', 'yes'],
    [choice('Verdict', ['leave'], { says: { leave: 'leave it' } }), 'leave', 'leave it', 'leave it'],
    [
      text('Next'),
      'Measure at {20 C}, {1.5 K} off.',
      'Measure at 20\u00a0°C, 1.5\u00a0K off.',
      'Measure at 68\u00a0°F, 2.7\u00a0°F off.',
    ],
    [
      list('Setpoints', number('Setpoint', 'temperature')),
      [0, 10],
      '0.0\u00a0°C; 10.0\u00a0°C',
      '32.0\u00a0°F; 50.0\u00a0°F',
    ],
    [list('Setpoints', number('Setpoint', 'temperature')), [], 'none', 'none'],
    [
      object('Pair', { a: number('Reference at 0 °C', 'temperature'), b: optional(number('b', 'factor')) }),
      { a: 1 },
      'reference at 0 °C 1.0\u00a0°C',
      'reference at 0 °C 33.8\u00a0°F',
    ],
    [
      { type: 'expression', title: 'Contacts' },
      { and: ['limit', { or: ['a', 'b'] }] },
      'limit and (a or b)',
      'limit and (a or b)',
    ],
    [{ type: 'map', title: 'Closed', of: yes('Closed') }, { a: true }, 'a yes', 'a yes'],
    [{ type: 'either', title: 'Speed', number: number('Speed', 'percent'), words: ['off'] }, 'off', 'off', 'off'],
    [
      { type: 'tuple', title: 'Point', items: [number('t', 'temperature'), number('r', 'resistance')] },
      [0, 100],
      '0.0\u00a0°C at 100\u00a0ohm',
      '32.0\u00a0°F at 100\u00a0ohm',
    ],
    [
      {
        type: 'variant',
        title: 'Probe',
        of: { rtd: { r0Ohm: number('Ohms', 'resistance') } },
        says: { rtd: 'Platinum' },
      },
      { kind: 'rtd', r0Ohm: 100 },
      'Platinum: ohms 100\u00a0ohm',
      'Platinum: ohms 100\u00a0ohm',
    ],
  ]
  it.each(cases)('%#: %p', (field, value, inMetric, inUs) => {
    expect([sayField(field, value, metric), sayField(field, value, us)]).toEqual([inMetric, inUs])
  })
  it('stops in a long list and says how many more there are', () =>
    expect(
      sayField(
        list('Hours', number('Hour', 'count')),
        Array.from({ length: 8760 }, (_, i) => i),
        metric,
      ),
    ).toContain('and 8748 more'))
})

describe('quantities', () => {
  it.each([
    ['volume', 1, us, 264.172],
    ['litres', 10, us, 2.64172],
    ['massFlow', 1, us, 2.20462],
    ['speed', 1, us, 196.85],
    ['density', 1000, us, 62.428],
    ['specificHeat', 4186.8, us, 1],
    ['pressure', 6894.757, us, 1],
    ['humidityRatio', 0.0073, metric, 7.3],
    ['gain', 0.5, us, 0.9],
    ['controllerGain', 18, us, 10],
    ['difference', 10, us, 18],
    ['temperature', 10, us, 50],
  ] as const)('%s %d is shown as %p', (quantity, si, preferences, shown) => {
    expect(quantityView(quantity, preferences).toShown(si) / shown).toBeCloseTo(1, 4)
  })
  it('each has a unit it is stored in', () => {
    for (const quantity of quantities) expect(typeof storedUnit(quantity)).toBe('string')
  })
})

describe('a worked sum', () => {
  const input = { volumeM3: 60, fromC: 20, toC: 26, powerW: 36_000, lossWPerK: 1500, ambientC: 12 }
  const sum = workedLines({ calc: 'water.heatUp', input, output: 'hours' }, calcData, metric)
  it('names letters, figures put in, result, source and cautions', () => {
    expect(sum.inputs).toContainEqual({ label: 'Volume', value: '60\u00a0m³', symbol: 'V' })
    expect(sum.outputs[0]).toEqual({ label: 'Takes', value: '21.8\u00a0h', asked: true })
    expect(sum.cautions[0]).toContain('20\u00a0°C and 50\u00a0°C')
    expect(workedLines({ calc: 'water.heatUp', input, output: 'hours' }, calcData, us).cautions[0]).toContain(
      '68\u00a0°F and 122\u00a0°F',
    )
  })
  it('is copied as lines and noted in one', () => {
    const lines = sumText(sum).split('\n')
    expect(lines[0]).toBe('How long to heat water')
    expect(lines).toContain('  Power: 36000\u00a0W')
    expect(lines).toContain('= Takes: 21.8\u00a0h')
    expect(lines.some((line) => line.startsWith('Source: '))).toBe(true)
    expect(calculationNote(sum)).toMatch(
      /^How long to heat water: takes 21\.8\u00a0h, would settle at 36\.0\u00a0°C \(volume 60\u00a0m³, /,
    )
  })
  it('is cut when a note would be too long for a log', () => {
    const long = workedLines(
      {
        calc: 'net.check',
        input: { units: Array.from({ length: 12 }, () => ({ name: 'x'.repeat(190), role: 'single' })), nameLimit: 1 },
        output: 'findings',
      },
      calcData,
      metric,
    )
    expect(calculationNote(long).length).toBeLessThanOrEqual(1500)
    expect(calculationNote(long).endsWith('…')).toBe(true)
  })
})
