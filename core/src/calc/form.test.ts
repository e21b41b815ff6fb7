import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { calcData } from '../testing/calcData'
import { emptyForm, type Form, isAsked, isLine, readForm, sayError, turnForm, writeForm } from './form'
import { calculations, findCalculation, runCalculation } from './registry'

const metric = { temperatureUnit: 'C', system: 'metric' } as const
const us = { temperatureUnit: 'F', system: 'us' } as const
const all = calculations.flatMap((entry) =>
  entry.examples.map(({ given }, i) => [`${entry.id} ${i + 1}`, entry, given] as const),
)

/** Numbers to six digits, so that a unit that was written with eight reads back the same. */
const near = (value: unknown): unknown =>
  typeof value === 'number'
    ? Number(value.toPrecision(6)) + 0
    : Array.isArray(value)
      ? value.map(near)
      : typeof value === 'object' && value !== null
        ? Object.fromEntries(Object.entries(value).map(([key, each]) => [key, near(each)]))
        : value

/** What `when` hides is not read. */
const asked = (entry: (typeof all)[number][1], given: Readonly<Record<string, unknown>>, form: Form) =>
  Object.fromEntries(Object.entries(given).filter(([name]) => isAsked(entry.inputs[name]!, form)))

describe('a form', () => {
  it.each(all)('of %s reads back what was written, in either unit', (_, entry, given) => {
    for (const preferences of [metric, us]) {
      const form = writeForm(entry.inputs, given, preferences)
      const { input, errors, missing } = readForm(entry.inputs, form, preferences)
      expect([errors, missing]).toEqual([{}, []])
      expect(near(input)).toEqual(near(asked(entry, given, form)))
    }
  })
  it.each(all)('of %s turns to the other units and back', (_, entry, given) => {
    const form = writeForm(entry.inputs, given, metric)
    const turned = turnForm(entry.inputs, form, metric, us)
    expect(near(readForm(entry.inputs, turned, us).input)).toEqual(near(readForm(entry.inputs, form, metric).input))
  })
  it.each(calculations.map((entry) => [entry.id, entry] as const))('of %s, empty, says what is needed', (_, entry) => {
    const { errors, missing } = readForm(entry.inputs, emptyForm(entry.inputs), metric)
    expect(errors).toEqual({})
    // A list that may be empty is the only input that nothing need be typed into.
    const mayBeEmpty = Object.values(entry.inputs).every(
      (field) => field.type === 'list' && !field.least && isLine(field),
    )
    expect(missing.length > 0).toBe(!mayBeEmpty)
  })
  it('takes a unit that is typed along, and names those that may be where it takes none of them', () => {
    const { inputs } = findCalculation('wiring.drop')!
    const typed = (lengthM: string): Form => ({ ...emptyForm(inputs), lengthM, areaMm2: '14 AWG' })
    expect(readForm(inputs, typed('80 ft'), metric).input['lengthM']).toBeCloseTo(24.384, 6)
    expect(readForm(inputs, typed('80 ft'), metric).input['areaMm2']).toBeCloseTo(2.0809, 3)
    expect(readForm(inputs, typed('80 furlongs'), us).errors['lengthM']).toMatch(
      /^Length, one way is "80 furlongs": .*, in ft, m, /,
    )
  })
  it('keeps what cannot be read when the units turn, and says where it is', () => {
    const { inputs } = findCalculation('switching.points')!
    const form: Form = { ...emptyForm(inputs), action: 'heating', convention: 'below', setpointC: 'warm', swingK: '5' }
    const turned = turnForm(inputs, form, us, metric)
    expect(turned['setpointC']).toBe('warm')
    // Five degrees of swing are five ninths of that in kelvin; a temperature would be −15.
    expect(Number(String(turned['swingK']))).toBeCloseTo(25 / 9, 5)
    expect(readForm(inputs, turned, metric).errors['setpointC']).toContain('Setpoint is "warm"')
  })
  it('reads figures apart by blanks, semicolons or lines, and a probe that is out', () => {
    const { inputs } = findCalculation('group.average')!
    const read = (readingsC: string) => readForm(inputs, { readingsC }, metric)
    expect(read('20 21,5;out\n\u22123').input).toEqual({ readingsC: [20, 21.5, null, -3] })
    expect(read('20; hot').errors).toEqual({ readingsC: expect.stringContaining('"hot"') })
  })
  it.each([
    ['12.4k', 12_400],
    ['0,4 M', 400_000],
    ['0.4Mohm', 400_000],
    ['970', 970],
  ])('reads ohms as a meter shows them: %s', (text, ohm) => {
    const { inputs } = findCalculation('probe.temperature')!
    const form = { ...emptyForm(inputs), probe: { kind: 'rtd', r0Ohm: '1k' }, resistanceOhm: text }
    expect(readForm(inputs, form, us).input).toEqual({ probe: { kind: 'rtd', r0Ohm: 1000 }, resistanceOhm: ohm })
  })
  it('asks a transmitter for its signal and a resistance for its ohms, never both', () => {
    const { inputs } = findCalculation('probe.temperature')!
    const form = { ...emptyForm(inputs), resistanceOhm: '1000', value: '12' }
    const read = (kind: string) => Object.keys(readForm(inputs, { ...form, probe: { kind } }, metric).input)
    expect(read('rtd')).toEqual(['probe', 'resistanceOhm'])
    expect(read('linear')).toEqual(['probe', 'value'])
  })
  it('takes no k where it means nothing', () => {
    const { inputs } = findCalculation('cycling.worst')!
    expect(readForm(inputs, { ...emptyForm(inputs), swingK: '5k' }, metric).errors['swingK']).toContain('"5k"')
  })
  it('reads anything without failing', () => {
    const value = fc.letrec<{ v: unknown }>((tie) => ({
      v: fc.oneof(
        { depthSize: 'small' },
        fc.string(),
        fc.array(tie('v'), { maxLength: 3 }),
        fc.dictionary(fc.string(), tie('v'), { maxKeys: 3 }),
      ),
    })).v
    fc.assert(
      fc.property(
        fc.constantFrom(...calculations),
        fc.dictionary(fc.string(), value),
        fc.array(value, { maxLength: 12 }),
        (entry, extra, values) => {
          const form = Object.fromEntries([
            ...Object.entries(extra),
            ...Object.keys(entry.inputs).map((name, i) => [name, values[i] ?? '']),
          ]) as Form
          const { input, errors, missing } = readForm(entry.inputs, form, us)
          turnForm(entry.inputs, form, us, metric)
          if (Object.keys(errors).length === 0 && missing.length === 0) {
            const outcome = runCalculation(entry, input, calcData)
            if (!outcome.ok) expect(sayError(entry, outcome.error, us).text.length).toBeGreaterThan(3)
          }
        },
      ),
      { numRuns: 400 },
    )
  })
})

describe('sayError', () => {
  const say = (id: string, input: unknown, preferences: typeof metric | typeof us) => {
    const entry = findCalculation(id)!
    const outcome = runCalculation(entry, input, calcData)
    return outcome.ok ? null : sayError(entry, outcome.error, preferences)
  }
  it.each([
    [
      'the limits of a temperature in the user\u2019s degrees',
      'water.heatUp',
      { volumeM3: 1, fromC: -400, toC: 20, powerW: 1, lossWPerK: 1, ambientC: 1 },
      us,
      { path: 'fromC', text: 'From: a number from \u2212459.67\u00a0°F to 5432\u00a0°F' },
    ],
    [
      'the limits of a difference without an offset',
      'cycling.worst',
      { powerW: 1, capacityJPerK: 1, swingK: 4000 },
      us,
      { path: 'swingK', text: 'Swing: a number over 0\u00a0°F' },
    ],
    [
      'a figure in a sentence',
      'probe.resistance',
      { probe: { kind: 'rtd', r0Ohm: 100 }, temperatureC: 900 },
      us,
      {
        path: 'temperatureC',
        text: 'Temperature is 1652.0\u00a0°F: this probe\u2019s curve goes from \u2212328\u00a0°F to 1562\u00a0°F'.replace(
          '\u2019',
          "'",
        ),
      },
    ],
    [
      'points the wrong way round, by their titles and in the user\u2019s units',
      'switching.translate',
      { onC: 21, offC: 20, action: 'heating', toConvention: 'below' },
      us,
      { path: 'onC', text: 'Switches on 69.8\u00a0°F must be under switches off 68.0\u00a0°F for heating' },
    ],
    [
      'a field inside rows',
      'probe.calibrate',
      { pairs: [{ referenceC: 20, shownC: -300 }], toleranceK: 1, offsetLimitK: 1 },
      metric,
      { path: 'pairs[0].shownC', text: 'Display shows: a number from \u2212273.15\u00a0°C to 3000\u00a0°C' },
    ],
  ] as const)('tells %s', (_, id, input, preferences, told) => expect(say(id, input, preferences)).toEqual(told))
})
