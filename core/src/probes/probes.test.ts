import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { readFileSync } from 'node:fs'
import { mismatch } from './mismatch'
import type { Probe } from './probe'
import { probeCurve } from './probeCurve'
import { readProbe } from './readProbe'

const printed = JSON.parse(readFileSync(new URL('../testing/printedValues.json', import.meta.url), 'utf8')) as {
  values: Record<string, { what: string; printed: number }[]>
}
const table = printed.values['rtd-platinum']!.flatMap(({ what, printed: ohm }) => {
  const at = /(?:ohm at|at) (-?\d+) C/.exec(what)
  return at && what.includes('table') ? [[Number(at[1]), ohm] as const] : []
})

const pt100: Probe = { kind: 'rtd', r0Ohm: 100 }
const pt1000: Probe = { kind: 'rtd', r0Ohm: 1000 }
const ntc: Probe = { kind: 'ntc', r25Ohm: 10000, betaK: 3435 }
const common10k: Probe = { kind: 'steinhart', a: 1.129148e-3, b: 2.34125e-4, c: 8.76741e-8 }

describe('platinum against the printed table of IEC 60751', () => {
  it('has the table', () => expect(table.length).toBeGreaterThan(30))
  it.each(table)('%d °C is %d ohm', (celsius, ohm) => {
    expect(Math.abs(probeCurve(pt100).resistance(celsius) - ohm)).toBeLessThanOrEqual(0.0051)
  })
})

describe('thermistors against printed values', () => {
  it.each([
    [32650, 0],
    [10000, 25],
    [3603, 50],
    [5971, 37.176247],
  ])('the common 10 k reads %d ohm as %d °C', (ohm, celsius) => {
    expect(probeCurve(common10k).temperature(ohm)).toBeCloseTo(celsius, 1)
  })
  it('B 3435 gives the printed 1451 ohm at 85 °C', () => expect(probeCurve(ntc).resistance(85)).toBeCloseTo(1451, -0.5))
})

describe('curves', () => {
  it.each([
    ['platinum', pt100],
    ['thermistor', ntc],
    ['Steinhart-Hart', common10k],
  ] as const)('%s goes there and back', (_, probe) => {
    const curve = probeCurve(probe)
    fc.assert(
      fc.property(fc.double({ min: curve.lowC, max: curve.highC, noNaN: true }), (celsius) => {
        expect(curve.temperature(curve.resistance(celsius))).toBeCloseTo(celsius, 5)
      }),
    )
  })
  it.each([
    ['rises', pt100, 1],
    ['falls', ntc, -1],
  ] as const)('%s all the way', (_, probe, sign) => {
    const curve = probeCurve(probe)
    for (let t = curve.lowC; t < curve.highC; t += 5)
      expect(Math.sign(curve.resistance(t + 5) - curve.resistance(t))).toBe(sign)
  })
  it.each([
    [{ kind: 'rtd', r0Ohm: 0 }, 'r0Ohm 0'],
    [{ kind: 'ntc', r25Ohm: 1e4, betaK: -1 }, 'betaK -1'],
  ] as const)('refuses %p', (probe, message) => {
    expect(() => probeCurve(probe)).toThrow(message)
  })
})

describe('readProbe', () => {
  it.each([
    [null, 'open'],
    [1e9, 'open'],
    [0, 'short'],
    [4000, 'out-of-range'],
    [170, 'out-of-range'],
  ])('%p ohm on a Pt1000 is %s', (ohm, reason) => {
    expect(readProbe(pt1000, ohm)).toEqual({ ok: false, reason })
  })
})

describe('mismatch', () => {
  it('shows 96 °C for a Pt1000 at 20 °C on an NTC 10 k input', () => {
    const { shownC, resistanceOhm } = mismatch(pt1000, ntc, 20, [-40, 110])
    expect(resistanceOhm).toBeCloseTo(1077.935, 2)
    // Hand sum: 1/T = 1/298.15 + ln(0.1077935)/3435
    expect(shownC).toBeCloseTo(1 / (1 / 298.15 + Math.log(0.1077935) / 3435) - 273.15, 4)
  })
  it('takes an NTC on a Pt1000 input for out of range', () => {
    expect(mismatch(ntc, pt1000, 20, [-50, 150])).toMatchObject({ shownC: null, reason: 'out-of-range' })
  })
  it('shows the truth for the right kind', () => expect(mismatch(ntc, ntc, 20, [-40, 110]).shownC).toBeCloseTo(20, 9))
})
