import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { readFileSync } from 'node:fs'
import { mismatch } from './mismatch'
import { calcData } from '../testing/calcData'
import { betaModelErrorAtK, betaModelErrorK, usualCurve3435 } from './betaModelError'
import { faultyProbe } from './faultyProbe'
import { identifyProbe } from './identifyProbe'
import type { Probe, ResistiveProbe } from './probe'
import { steinhartFit } from './steinhartFit'
import { probeCurve } from './probeCurve'
import { readProbe } from './readProbe'

const printed = JSON.parse(readFileSync(new URL('../testing/printedValues.json', import.meta.url), 'utf8')) as {
  values: Record<string, { what: string; printed: number }[]>
}
const table = printed.values['rtd-platinum']!.flatMap(({ what, printed: ohm }) => {
  const at = /(?:ohm at|at) (-?\d+) C/.exec(what)
  return at && what.includes('table') ? [[Number(at[1]), ohm] as const] : []
})

const pt100: ResistiveProbe = { kind: 'rtd', r0Ohm: 100 }
const pt1000: ResistiveProbe = { kind: 'rtd', r0Ohm: 1000 }
const ntc: ResistiveProbe = { kind: 'ntc', r25Ohm: 10000, betaK: 3435 }
const common10k: ResistiveProbe = { kind: 'steinhart', a: 1.129148e-3, b: 2.34125e-4, c: 8.76741e-8 }

describe('platinum against the printed table of IEC 60751', () => {
  it('has the table', () => expect(table.length).toBeGreaterThan(30))
  it.each(table)('%d °C is %d ohm', (celsius, ohm) => {
    expect(Math.abs(probeCurve(pt100).resistance(celsius) - ohm)).toBeLessThanOrEqual(0.0051)
  })
})

describe('platinum over the rest of its range', () => {
  it.each([
    [-150, 39.72],
    [-100, 60.26],
    [300, 212.05],
    [400, 247.09],
    [500, 280.98],
    [600, 313.71],
    [700, 345.28],
    [800, 375.7],
    [850, 390.48],
  ])('%d °C is %d ohm (IEC 60751 table)', (celsius, ohm) => {
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

describe('the ends of a range', () => {
  const kinds: readonly ResistiveProbe[] = [
    pt1000,
    ntc,
    common10k,
    { kind: 'nickel', r0Ohm: 1000, ppmPerK: 6180 },
    { kind: 'nickel', r0Ohm: 100, ppmPerK: 5000 },
    { kind: 'ptc-silicon', r25Ohm: 990 },
    { kind: 'ptc-silicon', r25Ohm: 2000 },
    ...calcData.parts.map(({ curve }) => curve),
  ]
  it.each(kinds.map((probe, i) => [`${probe.kind} ${i}`, probe] as const))(
    '%s read back exactly, a hair beyond them is off',
    (_, probe) => {
      const { lowC, highC, resistance } = probeCurve(probe)
      for (const end of [lowC, highC]) {
        const read = readProbe(probe, resistance(end))
        expect(read).toEqual({ ok: true, temperatureC: expect.closeTo(end, 6) })
      }
      const [least, most] = [resistance(lowC), resistance(highC)].sort((a, b) => a - b)
      expect(readProbe(probe, most! * 1.001)).toEqual({ ok: false, reason: 'out-of-range' })
      expect(readProbe(probe, least! * 0.999)).toEqual({ ok: false, reason: 'out-of-range' })
      expect(readProbe(probe, most! * 10.01)).toEqual({ ok: false, reason: 'open' })
      expect(readProbe(probe, least! * 0.0999)).toEqual({ ok: false, reason: 'short' })
    },
  )
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

const silicon = printed.values['thermistors']!.flatMap(({ what, printed: ohm }) => {
  const at = /typical ohm at (-?\d+) C/.exec(what)
  return at ? [[Number(at[1]), ohm] as const] : []
})

describe('the silicon curve against its printed table', () => {
  it('has the table', () => expect(silicon.length).toBeGreaterThan(20))
  it.each(silicon)('%d °C is %d ohm', (celsius, ohm) => {
    const got = probeCurve({ kind: 'ptc-silicon', r25Ohm: 1000 }).resistance(celsius)
    // The formula rounds the table to about one ohm in a thousand.
    expect(Math.abs(got - ohm)).toBeLessThanOrEqual(0.0015 * ohm)
  })
  it('does not bend for the 2 k kind', () => {
    expect(probeCurve({ kind: 'ptc-silicon', r25Ohm: 2000 }).resistance(150)).toBeCloseTo(2000 * 2.277063, 1)
  })
})

describe('nickel by DIN 43760', () => {
  it.each([
    [-60, 69.5],
    [0, 100],
    [50, 129.1],
    [100, 161.8],
    [150, 198.6],
    [180, 223.2],
    [250, 289.2],
  ])('%d °C is %d ohm', (celsius, ohm) => {
    const got = probeCurve({ kind: 'nickel', r0Ohm: 100, ppmPerK: 6180 }).resistance(celsius)
    expect(Math.abs(got - ohm)).toBeLessThanOrEqual(0.06)
  })
  it('of 5000 ppm/K gives one and a half times at 100 °C', () =>
    expect(probeCurve({ kind: 'nickel', r0Ohm: 1000, ppmPerK: 5000 }).resistance(100)).toBeCloseTo(1500, 1))
})

describe('real parts', () => {
  it.each(calcData.parts.map((part) => [part.name, part] as const))(
    '%s has one direction and goes there and back',
    (_, { curve, source }) => {
      const { lowC, highC, resistance, temperature } = probeCurve(curve)
      const sign = Math.sign(resistance(highC) - resistance(lowC))
      for (let t = lowC; t + 1 <= highC; t++) {
        expect(Math.sign(resistance(t + 1) - resistance(t))).toBe(sign)
        expect(temperature(resistance(t + 0.3))).toBeCloseTo(t + 0.3, 6)
      }
      expect(source.length).toBeGreaterThan(5)
    },
  )
  it.each([
    ['ntc-10k-3977', 0, 32650],
    ['ntc-10k-3977', 50, 3603],
    ['ntc-10k-3695', 0, 29490],
    ['ntc-10k-3695', 50, 3893],
    ['ntc-3k-3977', 0, 9796],
    ['ntc-5k-3977', 50, 1801],
    ['ntc-10k-3435', 100, 973.1],
  ])('%s is printed with %d °C as %d ohm', (name, celsius, ohm) => {
    const { curve } = calcData.parts.find((part) => part.name === name)!
    expect(Math.abs(probeCurve(curve).resistance(celsius) / ohm - 1)).toBeLessThan(1e-3)
  })
  it('the curve that the model is held against is the part\u2019s own table', () => {
    const { curve } = calcData.parts.find(({ name }) => name === 'ntc-10k-3435')!
    const table = new Map(curve.kind === 'table' ? curve.points : [])
    for (const [celsius, ohm] of usualCurve3435) expect(table.get(celsius)).toBe(ohm)
  })
  it('says how far the two-parameter model is off: field data model.beta', () => {
    expect(betaModelErrorAtK(0)).toBeCloseTo(1.1, 1)
    expect(betaModelErrorAtK(-20)).toBeCloseTo(2.5, 1)
    expect(betaModelErrorAtK(-40)).toBeCloseTo(4.4, 1)
    expect(betaModelErrorAtK(50)).toBeNull()
    // A model that shows −17.5 stands on a part at −20.
    expect(betaModelErrorK(-17.47)).toBeCloseTo(2.53, 1)
  })
})

describe('steinhartFit', () => {
  const points = [
    { temperatureC: 0, resistanceOhm: 32650 },
    { temperatureC: 25, resistanceOhm: 10000 },
    { temperatureC: 50, resistanceOhm: 3603 },
  ]
  it('agrees with the printed coefficients between its points', () => {
    const fitted = probeCurve({ kind: 'steinhart', ...steinhartFit(points) }).temperature(5971)
    expect(probeCurve(common10k).temperature(5971)).toBeCloseTo(37.176247, 5)
    expect(Math.abs(fitted - 37.176247)).toBeLessThan(0.01)
  })
  it('goes through its points, in whatever order they come', () => {
    fc.assert(
      fc.property(
        fc.tuple(
          fc.double({ min: -40, max: 5, noNaN: true }),
          fc.double({ min: 20, max: 40, noNaN: true }),
          fc.double({ min: 60, max: 120, noNaN: true }),
        ),
        fc.double({ min: 3000, max: 4500, noNaN: true }),
        fc.shuffledSubarray([0, 1, 2], { minLength: 3, maxLength: 3 }),
        (temperatures, betaK, order) => {
          const curve = probeCurve({ kind: 'ntc', r25Ohm: 10000, betaK })
          const given = temperatures.map((temperatureC) => ({
            temperatureC,
            resistanceOhm: curve.resistance(temperatureC),
          }))
          const fitted = probeCurve({ kind: 'steinhart', ...steinhartFit(order.map((i) => given[i]!)) })
          for (const { temperatureC, resistanceOhm } of given) {
            expect(fitted.temperature(resistanceOhm)).toBeCloseTo(temperatureC, 6)
            expect(fitted.resistance(temperatureC) / resistanceOhm).toBeCloseTo(1, 6)
          }
        },
      ),
    )
  })
  it.each([
    [points.slice(0, 2), 'three are needed'],
    [[points[0]!, points[0]!, points[2]!], 'twice'],
    [points.map(({ temperatureC }, i) => ({ temperatureC, resistanceOhm: 100 + i })), 'falls as it warms'],
  ])('refuses %#', (given, message) => expect(() => steinhartFit(given)).toThrow(message))
})

describe('identifyProbe', () => {
  const known = calcData.parts.map((part) => [part.title, part.curve] as const)
  it.each(known)('knows %s from two readings', (title, curve) => {
    const { resistance } = probeCurve(curve)
    const readings = [5, 70].map((temperatureC) => ({ temperatureC, resistanceOhm: resistance(temperatureC) }))
    const { candidates, verdict } = identifyProbe(readings, calcData.parts)
    expect(candidates[0]!.name).toBe(title)
    expect(candidates[0]!.worstErrorK).toBeLessThan(0.05)
    expect(verdict).not.toBe('none')
  })
  it('lists both when two fit at one temperature, and the second reading tells them apart', () => {
    const { candidates, verdict, second } = identifyProbe([{ temperatureC: 25, resistanceOhm: 10000 }], calcData.parts)
    expect(verdict).toBe('several')
    expect(candidates.filter(({ fits }) => fits).map(({ name }) => name)).toEqual(
      expect.arrayContaining(['NTC 10k, B 3435', 'NTC 10k, B 3977']),
    )
    expect(Math.abs(second!.temperatureC - 25)).toBeGreaterThanOrEqual(10)
    for (const { name, resistanceOhm } of second!.expected) {
      const again = identifyProbe(
        [
          { temperatureC: 25, resistanceOhm: 10000 },
          { temperatureC: second!.temperatureC, resistanceOhm },
        ],
        calcData.parts,
      )
      expect(again.candidates[0]!.name).toBe(name)
    }
  })
  it('finds nothing in ohms that no probe has', () => {
    expect(identifyProbe([{ temperatureC: 20, resistanceOhm: 3 }], calcData.parts)).toEqual({
      candidates: [],
      verdict: 'none',
      second: null,
    })
  })
})

describe('faultyProbe', () => {
  const kinds: readonly ResistiveProbe[] = [
    pt1000,
    ntc,
    { kind: 'nickel', r0Ohm: 1000, ppmPerK: 6180 },
    { kind: 'ptc-silicon', r25Ohm: 1000 },
  ]
  it.each(kinds.map((kind) => [kind.kind, kind] as const))(
    '%s errs one way through a bad connection and the other through damp',
    (kind, probe) => {
      const connection = faultyProbe(probe, 20, { seriesOhm: 30 })
      const damp = faultyProbe(probe, 20, { parallelOhm: 50_000 })
      expect([connection.errs, damp.errs]).toEqual(kind === 'ntc' ? ['cold', 'hot'] : ['hot', 'cold'])
      expect(Math.sign(connection.errorK!)).toBe(kind === 'ntc' ? -1 : 1)
      expect(Math.sign(damp.errorK!)).toBe(kind === 'ntc' ? 1 : -1)
    },
  )
  it('shows nothing where the fault takes it off the curve', () => {
    expect(faultyProbe(ntc, 20, { parallelOhm: 1 })).toMatchObject({ shownC: null, reason: 'short', errs: 'hot' })
  })
})

describe('mismatch of other kinds', () => {
  const k = { kind: 'thermocouple', type: 'K' } as const
  const range = [-50, 400] as const
  it('a swapped thermocouple falls when it is heated', () => {
    const at = (celsius: number) => mismatch(k, k, celsius, range, { coldJunctionC: 25, reversed: true }).shownC!
    expect(at(50)).toBeLessThan(at(30))
    expect(at(25)).toBeCloseTo(25, 6)
  })
  it.each([
    ['a resistance on a thermocouple input shows the terminals', pt1000, k, 23, null],
    ['a thermocouple on a resistance input reads as a short', k, ntc, null, 'short'],
    [
      'a passive probe on a 4–20 mA input gives nothing',
      pt1000,
      { kind: 'linear', signal: '4-20mA', lowC: 0, highC: 100 },
      null,
      'open',
    ],
    [
      'a transmitter on a resistance input is open',
      { kind: 'linear', signal: '0-10V', lowC: 0, highC: 100 },
      pt1000,
      null,
      'open',
    ],
    [
      'volts on a milliamp input say nothing',
      { kind: 'linear', signal: '0-10V', lowC: 0, highC: 100 },
      { kind: 'linear', signal: '4-20mA', lowC: 0, highC: 100 },
      null,
      'out-of-range',
    ],
  ] as const)('%s', (_, fitted, expected, shownC, reason) => {
    const got = mismatch(fitted as Probe, expected as Probe, 40, range, { coldJunctionC: 23 })
    if (shownC === null) expect(got).toMatchObject({ shownC: null, reason })
    else expect(got.shownC).toBeCloseTo(shownC, 6)
  })
})
