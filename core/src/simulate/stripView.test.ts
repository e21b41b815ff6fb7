import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { meanWindow, thinWindow } from '../series/thinWindow'
import type { SimulationResult } from './scenario'
import { runCsv, stripView, valuesAt } from './stripView'

const samples = fc
  .array(fc.oneof(fc.double({ min: -50, max: 50, noNaN: true }), fc.constant(NaN)), { minLength: 1, maxLength: 400 })
  .map((values) => ({ timeS: Float64Array.from(values, (_, i) => i * 60), value: Float64Array.from(values) }))

describe('thinWindow', () => {
  it('never gives more than was asked for, in order, with the lowest and the highest of the window', () =>
    fc.assert(
      fc.property(samples, fc.integer({ min: 8, max: 60 }), fc.nat(200), fc.nat(200), (given, atMost, from, wide) => {
        const [fromS, toS] = [from * 60, (from + wide) * 60]
        const { x, y } = thinWindow(given, fromS, toS, atMost)
        expect(x.length).toBeLessThanOrEqual(atMost)
        expect(y.length).toBe(x.length)
        for (let i = 1; i < x.length; i++) expect(x[i]!).toBeGreaterThan(x[i - 1]!)
        const within = Array.from(given.value).filter(
          (v, i) => given.timeS[i]! >= fromS && given.timeS[i]! <= toS && !Number.isNaN(v),
        )
        if (within.length === 0) return
        const kept = Array.from(y).filter((v) => !Number.isNaN(v))
        expect(Math.min(...kept)).toBeLessThanOrEqual(Math.min(...within))
        expect(Math.max(...kept)).toBeGreaterThanOrEqual(Math.max(...within))
      }),
    ))
  it('keeps the neighbours outside, so that a line runs to both edges', () => {
    const { x } = thinWindow({ timeS: [0, 60, 120, 180, 240], value: [1, 2, 3, 4, 5] }, 90, 150, 8)
    expect([...x]).toEqual([60, 120, 180])
  })
  it('refuses too few points', () => expect(() => thinWindow({ timeS: [0], value: [1] }, 0, 1, 4)).toThrow('atMost 4'))
  it('meanWindow says how much of each slice was on', () => {
    const timeS = Array.from({ length: 100 }, (_, i) => i)
    const { y } = meanWindow({ timeS, value: timeS.map((s) => (s % 4 === 0 ? 1 : 0)) }, 0, 100, 5)
    for (const share of y) expect(share).toBeCloseTo(0.25, 2)
  })
})

const run = (switches: number): SimulationResult => {
  const n = 1441
  const timeS = Float64Array.from({ length: n }, (_, i) => i * 60)
  const events = Array.from({ length: switches }, (_, i) => ({
    atS: (i * 86400) / switches,
    what: i % 2 === 0 ? ('on' as const) : ('off' as const),
    of: 'pump',
  }))
  return {
    summary: {
      ...{
        engine: 'events',
        stepS: 60,
        energyKwh: {},
        starts: {},
        onS: {},
        minimumC: {},
        maximumC: {},
        meanC: {},
        settlesC: {},
      },
      ...{ alarms: 0, frostKg: {} },
    },
    trace: {
      timeS,
      nodes: { room: timeS.map((s) => 20 + Math.sin(s / 3000)) },
      probes: { p: timeS.map((s) => (s > 43200 ? NaN : 20)) },
      lines: {},
      contacts: {},
      demands: {},
      drives: { pump: Float32Array.from(timeS, (s) => (Math.floor((s * switches) / 86400) % 2 === 0 ? 1 : 0)) },
    },
    events: [...events, { atS: 50000, what: 'trip', of: 'F1' }],
  }
}

describe('stripView', () => {
  it('draws spans by the events, to the second, within the window', () => {
    const { rows, flags } = stripView(run(8), 5000, 40000, 400)
    expect([...rows[0]!.spans!]).toEqual([5000, 10800, 21600, 32400])
    expect(flags).toEqual([])
    expect(stripView(run(8), 0, 86400, 400).flags).toEqual([{ atS: 50000, what: 'trip', of: 'F1' }])
  })
  it('an actuator that is still on at the end runs to the end', () => {
    const { rows } = stripView(run(3), 0, 86400, 400)
    expect([...rows[0]!.spans!]).toEqual([0, 28800, 57600, 86400])
  })
  it('shows a share where there are more switchings than can be drawn', () => {
    const { rows } = stripView(run(2000), 0, 86400, 200)
    expect(rows[0]!.spans).toBeUndefined()
    expect(rows[0]!.share!.x.length).toBe(50)
    for (const share of rows[0]!.share!.y) expect(share).toBeGreaterThan(0.2)
  })
  it('valuesAt is straight between samples, and a drive is as it is', () => {
    const at = valuesAt(run(8), 90)
    expect(at.nodes['room']).toBeCloseTo((20 + Math.sin(60 / 3000) + 20 + Math.sin(120 / 3000)) / 2, 9)
    expect(at.drives['pump']).toBe(1)
    expect(valuesAt(run(8), 50000).probes['p']).toBeNaN()
    expect(valuesAt(run(8), 1e9).atS).toBe(86400)
  })
})

describe('runCsv', () => {
  it('has a column for each name, a row for each sample, and leaves a broken probe empty', () => {
    const rows = runCsv(run(8), { room: 'air', pump: 'M1 pump' }).trimEnd().split('\r\n')
    expect(rows[0]).toBe('"hours","air","p","M1 pump"')
    expect(rows.length).toBe(1442)
    expect(rows[1]).toBe('0.0000,20.000,20.000,1.000')
    expect(rows.at(-1)).toMatch(/^24\.0000,[\d.]+,,\d/)
  })
  it.each(['=1+1', '+cmd', '-2', '@x', '\tx'])('a name such as %j is text to a spreadsheet', (name) =>
    expect(runCsv(run(8), { room: `${name}"` }).split('\r\n')[0]).toContain(`"'${name}"""`),
  )
})
