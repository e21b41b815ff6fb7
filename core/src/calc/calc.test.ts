import { describe, expect, it } from '@jest/globals'
import { fieldData } from '../testing/fieldData'
import { calculations, findCalculation, runCalculation } from './registry'
import { workedLines } from './workedLines'

describe('registry', () => {
  const examples = calculations.flatMap((entry) =>
    entry.examples.map((example, i) => [`${entry.id} ${i + 1}`, entry, example] as const),
  )
  it('has an example for each', () => expect(new Set(examples.map(([, { id }]) => id)).size).toBe(calculations.length))
  it.each(examples)('%s', (_, entry, { given, gives }) => {
    const outcome = runCalculation(entry, given, fieldData)
    expect(outcome.ok).toBe(true)
    for (const [name, value] of Object.entries(gives)) {
      const answer = outcome.ok ? outcome.output[name] : undefined
      if (typeof value === 'number')
        expect(Math.abs((answer as number) - value)).toBeLessThan(Math.max(1e-3 * Math.abs(value), 1e-4))
      else expect(answer).toEqual(value)
    }
  })
  it.each(calculations.map((entry) => [entry.id, entry] as const))(
    '%s refuses unknown fields and an empty input by name',
    (_, entry) => {
      const extra = runCalculation(entry, { ...entry.examples[0]!.given, nonsense: 1 }, fieldData)
      expect(extra).toMatchObject({ ok: false, error: { field: 'nonsense' } })
      const empty = runCalculation(entry, {}, fieldData)
      expect(!empty.ok && empty.error.message).toMatch(/missing/)
    },
  )
})

describe('errors name field, value and what is allowed', () => {
  const refuse = (id: string, input: unknown) => {
    const outcome = runCalculation(findCalculation(id)!, input, fieldData)
    return outcome.ok ? null : outcome.error
  }
  it.each([
    ['cycling.worst', { powerW: 1, capacityJPerK: 1, swingK: -15 }, 'swingK', 'swingK is -15: a number over 0'],
    ['cycling.worst', { powerW: 1, capacityJPerK: 1, swingK: '5' }, 'swingK', 'swingK is "5": a number over 0'],
    ['units.convert', { value: 1, from: 'furlong', to: 'm' }, 'from', 'one of C, F'.slice(0, 6)],
    [
      'switching.points',
      { action: 'heating', convention: 'below', setpointC: 20, swingK: 0 },
      'swingK',
      'must be over 0',
    ],
    ['probe.resistance', { probe: { kind: 'ntc', r25Ohm: 1 }, temperatureC: 1 }, 'probe.betaK', 'missing'],
    ['probe.resistance', { probe: { kind: 'foil' }, temperatureC: 1 }, 'probe', 'one of rtd'],
    [
      'probe.resistance',
      { probe: { kind: 'ntc', r25Ohm: 1e4, betaK: 3435 }, temperatureC: 400 },
      'temperatureC',
      'from -50 to 150',
    ],
    [
      'probe.mismatch',
      { fitted: { kind: 'rtd', r0Ohm: 1 }, expected: { kind: 'rtd', r0Ohm: 1 }, temperatureC: 1, rangeC: [1] },
      'rangeC',
      'a list of 2',
    ],
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
      fieldData,
      { temperatureUnit: 'F', system: 'us' },
    )
    expect(sum.inputs).toContainEqual({ label: 'Swing', value: '5.0\u00a0°F' })
    expect(sum.outputs).toEqual([{ label: 'Cycles', value: '0.36\u00a0an hour', asked: true }])
  })
  it('refuses a calculation that is not there', () =>
    expect(() =>
      workedLines({ calc: 'x', input: {}, output: 'y' }, fieldData, { temperatureUnit: 'C', system: 'metric' }),
    ).toThrow('calculation x'))
})
