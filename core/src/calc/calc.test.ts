import { describe, expect, it } from '@jest/globals'
import { calcData } from '../testing/calcData'
import { checkFields } from './checkField'
import type { Calculation } from './calculation'
import type { Fields } from './field'
import { calculations, drawPicture, findCalculation, plainly, runCalculation } from './registry'
import { workedLines } from './workedLines'

/** Every id that must be there. */
const contract =
  `units.convert display.round probe.resistance probe.temperature probe.fit probe.tolerance probe.emf probe.hotJunction
  probe.leadError probe.mismatch probe.identify probe.fault probe.calibrate switching.points switching.sequence switching.translate
  switching.dialTest stages.ladder stages.shift stages.energised stages.diagnose cycling.onOff cycling.worst cycling.swingFor
  cycling.relayLife cycling.buffer modulating.output modulating.temperature modulating.sweep modulating.diagnose signal.acrossResistor
  signal.loop signal.budget drive.frequency fan.demand control.droop control.tune reset.supply reset.emitter reset.saving plant.estimate
  floor.output floor.surface water.heatUp water.heaterSize water.coolDown pool.evaporation brine.properties enclosure.area
  enclosure.cooling air.state battery.runtime wiring.drop wiring.transformer wiring.contact logic.table deadtest.verdict schedule.next
  schedule.overlaps group.average net.check water.flow electric.load electric.derate electric.elements air.sensible valve.size
  valve.authority fan.laws mixing.ratio gas.rate vessel.size heat.lmtd vent.co2 heatpump.cop`.split(/\s+/)

const optionalAll = (fields: Fields): Fields =>
  Object.fromEntries(Object.entries(fields).map(([name, field]) => [name, { ...field, optional: true as const }]))

/** A value by its path: `candidates.0.name`. */
const at = (output: unknown, path: string): unknown =>
  path.split('.').reduce<unknown>((value, key) => (value as Record<string, unknown> | null)?.[key], output)

/** Numbers within their tolerance, everything else as it is; objects may hold more than is expected. */
function expectClose(actual: unknown, expected: unknown, within: number | undefined): void {
  if (typeof expected === 'number') {
    expect(typeof actual).toBe('number')
    expect(Math.abs((actual as number) - expected)).toBeLessThanOrEqual(
      within ?? Math.max(1e-5 * Math.abs(expected), 1e-9),
    )
  } else if (Array.isArray(expected)) {
    expect(actual).toHaveLength(expected.length)
    expected.forEach((each, i) => expectClose((actual as unknown[])[i], each, within))
  } else if (typeof expected === 'object' && expected !== null) {
    for (const [key, each] of Object.entries(expected))
      expectClose((actual as Record<string, unknown>)[key], each, within)
  } else expect(actual).toEqual(expected)
}

describe('registry', () => {
  it('holds every id of the contract', () => {
    const ids = calculations.map(({ id }) => id)
    expect(contract.filter((id) => !ids.includes(id))).toEqual([])
  })

  const examples = calculations.flatMap((entry) =>
    entry.examples.map((example, i) => [`${entry.id} ${i + 1}: ${example.source}`, entry, example] as const),
  )
  it.each(calculations.map((entry) => [entry.id, entry] as const))(
    '%s has three examples with a source',
    (_, entry) => {
      expect(entry.examples.length).toBeGreaterThanOrEqual(3)
      for (const { gives, source } of entry.examples) {
        expect(Object.keys(gives).length).toBeGreaterThan(0)
        expect(source.length).toBeGreaterThan(5)
      }
    },
  )
  it.each(examples)('%s', (_, entry, { given, gives, within }) => {
    const outcome = runCalculation(entry, given, calcData)
    if (!outcome.ok) throw new Error(outcome.error.message)
    for (const [path, value] of Object.entries(gives))
      expectClose(at(outcome.output, path), value, typeof within === 'object' ? within[path] : within)
    // What comes out is what the entry says comes out, and can be drawn and put into words.
    checkFields(optionalAll(entry.outputs), JSON.parse(JSON.stringify(outcome.output)))
    for (const [name, field] of Object.entries(entry.outputs))
      if (!field.optional) expect(outcome.output).toHaveProperty([name])
    drawPicture(entry, given, outcome.output, calcData)
    const call = { calc: entry.id, input: given, output: Object.keys(entry.outputs)[0]! }
    for (const preferences of [
      { temperatureUnit: 'F', system: 'us' },
      { temperatureUnit: 'C', system: 'metric' },
    ] as const)
      expect(JSON.stringify(workedLines(call, calcData, preferences))).not.toMatch(/NaN|Infinity|undefined|\[object/)
  })

  const pictured = calculations.filter(({ picture }) => picture)
  it.each(pictured.map((entry) => [entry.id, entry] as const))('%s is drawn for one of its examples', (_, entry) => {
    const drawn = entry.examples.map(({ given }) => {
      const outcome = runCalculation(entry, given, calcData)
      return outcome.ok ? drawPicture(entry, given, outcome.output, calcData) : null
    })
    expect(drawn.some((picture) => picture !== null)).toBe(true)
  })
})

const refuse = (id: string, input: unknown) => {
  const outcome = plainly(runCalculation(findCalculation(id)!, input, calcData))
  return outcome.ok ? null : outcome.error
}

describe('errors name field, value and what is allowed', () => {
  it.each(calculations.map((entry) => [entry.id, entry] as const))(
    '%s refuses unknown fields and an empty input by name',
    (_, entry: Calculation) => {
      expect(refuse(entry.id, { ...entry.examples[0]!.given, nonsense: 1 })).toMatchObject({ field: 'nonsense' })
      expect(refuse(entry.id, {})?.message).toMatch(/missing/)
    },
  )
  const ntc = { kind: 'ntc', r25Ohm: 1e4, betaK: 3435 }
  const rtd = { kind: 'rtd', r0Ohm: 100 }
  it.each([
    ['cycling.worst', { powerW: 1, capacityJPerK: 1, swingK: -15 }, 'swingK', 'swingK is -15: a number over 0 K'],
    ['cycling.worst', { powerW: 1, capacityJPerK: 1, swingK: '5' }, 'swingK', 'swingK is "5": a number over 0'],
    ['units.convert', { value: 1, from: 'furlong', to: 'm' }, 'from', 'one of C, K, F'],
    ['units.convert', { value: 1, from: 'C', to: 'm' }, 'to', 'to is m, a length: C is a temperature'],
    ['units.convert', { value: -300, from: 'C', to: 'F' }, 'value', 'absolute zero, \u2212273.15\u00a0°C'],
    ['switching.points', { action: 'heating', convention: 'below', setpointC: 20, swingK: 0 }, 'swingK', 'over 0'],
    ['probe.resistance', { probe: { kind: 'ntc', r25Ohm: 1 }, temperatureC: 1 }, 'probe.betaK', 'missing'],
    ['probe.resistance', { probe: { kind: 'foil' }, temperatureC: 1 }, 'probe', 'one of rtd'],
    ['probe.resistance', { probe: { kind: 'named', name: 'x' }, temperatureC: 1 }, 'probe.name', 'one of ntc-10k-3435'],
    ['probe.resistance', { probe: ntc, temperatureC: 400 }, 'temperatureC', 'from \u221250\u00a0°C to 150\u00a0°C'],
    ['probe.mismatch', { fitted: rtd, expected: rtd, temperatureC: 1, rangeC: [1] }, 'rangeC', 'a list of from and to'],
    ['probe.temperature', { probe: rtd }, 'resistanceOhm', 'missing'],
    ['probe.temperature', { probe: rtd, resistanceOhm: 100, value: 1 }, 'value', 'one too many'],
    [
      'probe.resistance',
      {
        probe: {
          kind: 'table',
          points: [
            [0, 10],
            [10, 20],
            [20, 15],
          ],
        },
        temperatureC: 5,
      },
      'probe.points',
      'only rise or only fall',
    ],
    [
      'modulating.output',
      { action: 'heating', anchor: 'centred', setpointC: 20, bandK: 2, temperatureC: 20, signal: 'three-point' },
      'travelS',
      'missing',
    ],
    [
      'fan.demand',
      { temperatureC: 20, temperatureSetC: 20, temperatureBandK: 2, humidityPercent: 50 },
      'humiditySetPercent',
      'missing',
    ],
    [
      'schedule.next',
      { zone: 'Nowhere/At all', from: '2026-01-01T00:00:00Z', periods: [], count: 1 },
      'zone',
      'not known',
    ],
    ['schedule.next', { zone: 'Europe/Oslo', from: 'soon', periods: [], count: 1 }, 'from', 'must be a moment'],
    [
      'schedule.next',
      {
        zone: 'Europe/Oslo',
        from: '2026-01-01T00:00:00Z',
        periods: [{ days: [1], start: '25:00', minutes: 1 }],
        count: 1,
      },
      'periods[0].start',
      'must be a time like 07:00',
    ],
    ['plant.estimate', { kind: 'chiller', insulation: 'fair' }, 'volumeM3', 'missing'],
    ['brine.properties', { fluid: 'propylene-glycol', volumePercent: 80 }, 'volumePercent', 'between 0 and 50'],
    [
      'wiring.drop',
      { lengthM: 1, areaMm2: 1.2, currentA: 1, supplyV: 24, construction: 'class5' },
      'areaMm2',
      'mm² are listed',
    ],
    ['deadtest.verdict', { test: 'supply', reading: 230 }, 'expected', 'missing'],
    ['logic.table', { expression: { xor: ['a', 'b'] } }, 'expression', '{"and": […]}'],
    ['cycling.worst', null, 'input', 'must be an object'],
    ['cycling.worst', [1], 'input', 'must be an object'],
  ] as const)('%s %j: %s', (id, input, field, message) => {
    const error = refuse(id, input)
    expect(error?.field).toBe(field)
    expect(error?.message).toContain(message)
  })
})

describe('workedLines', () => {
  it('opens a sum in the user\u2019s units', () => {
    const sum = workedLines(
      {
        calc: 'cycling.worst',
        input: { powerW: 2000, capacityJPerK: 1.8e6, swingK: 5 / 1.8 },
        output: 'cyclesPerHour',
      },
      calcData,
      { temperatureUnit: 'F', system: 'us' },
    )
    expect(sum.inputs).toContainEqual(expect.objectContaining({ label: 'Swing', value: '5.0\u00a0°F' }))
    expect(sum.outputs).toEqual([expect.objectContaining({ label: 'Cycles', value: '0.36\u00a0an hour', asked: true })])
  })
  it('refuses a calculation that is not there', () =>
    expect(() =>
      workedLines({ calc: 'x', input: {}, output: 'y' }, calcData, { temperatureUnit: 'C', system: 'metric' }),
    ).toThrow('calculation x'))
})
