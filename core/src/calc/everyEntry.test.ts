import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { calcData } from '../testing/calcData'
import type { Field, Fields } from './field'
import { boundsOf } from './quantityLimits'
import { calculations, drawPicture, plainly, runCalculation } from './registry'
import { workedLines } from './workedLines'

/** What nobody means to type: extremes, wrong types, nothing. */
const anything: fc.Arbitrary<unknown> = fc.oneof(
  fc.constantFrom<unknown>(
    0,
    -0,
    1,
    -1,
    1e-300,
    1e300,
    -1e300,
    Number.MAX_VALUE,
    NaN,
    Infinity,
    -Infinity,
    5e-324,
    null,
    undefined,
    '',
    'abc',
    '12',
    true,
    [],
    {},
    '__proto__',
    'constructor',
    [[]],
    { kind: 'ntc' },
    { kind: '__proto__' },
    { and: [] },
    { not: {} },
    '\u0000',
    '<b>',
  ),
  fc.double(),
  fc.string(),
  fc.jsonValue(),
)

/** A value that a field takes, often at its very ends. */
function fitting(field: Field): fc.Arbitrary<unknown> {
  switch (field.type) {
    case 'number': {
      const { min, over, max } = boundsOf(field)
      const low = min ?? over!
      const usual = fc.double({
        min: Math.max(low, -50),
        max: Math.min(max, Math.max(low + 1, 150)),
        noNaN: true,
        minExcluded: over !== undefined,
      })
      const ends = fc.constantFrom(
        min ?? (over! === 0 ? 1e-9 : over! + 1e-9),
        max,
        Math.min(max, Math.max(low + 1e-6, 0)),
        Math.min(max, Math.max(low + 1, 1)),
      )
      const all = fc.oneof(
        { weight: 4, arbitrary: usual },
        { weight: 1, arbitrary: ends },
        { weight: 1, arbitrary: fc.double({ min: low, max, noNaN: true, minExcluded: over !== undefined }) },
      )
      const chosen = field.integer ? all.map((n) => Math.min(max, Math.max(Math.ceil(low), Math.round(n)))) : all
      return field.nullable ? fc.oneof(chosen, fc.constant(null)) : chosen
    }
    case 'either':
      return fc.oneof(fitting(field.number), fc.constantFrom(...(field.words ?? ['A', 'hall'])))
    case 'choice':
      return fc.constantFrom(...field.choices)
    case 'boolean':
      return fc.boolean()
    case 'text':
      return fc.oneof(
        fc.string({ maxLength: 30 }),
        fc.constant(field.like ?? 'Pool'),
        fc.constantFrom('22:00', '2026-10-24T22:00:00Z', 'Europe/Oslo'),
      )
    case 'list':
      return fc.array(fitting(field.of), {
        minLength: field.least ?? 0,
        maxLength: Math.min(field.most ?? 12, Math.max(field.least ?? 0, 12)),
      })
    case 'tuple':
      return fc.tuple(...field.items.map(fitting))
    case 'object':
      return fittingObject(field.fields)
    case 'variant':
      return fc.oneof(
        ...Object.entries(field.of).map(([kind, fields]) =>
          fittingObject(fields).map((rest) => ({ kind, ...(rest as object) })),
        ),
      )
    case 'expression':
      return fc.letrec<{ node: unknown }>((tie) => ({
        node: fc.oneof(
          { depthSize: 'small' },
          fc.constantFrom('limit', 'stat', 'override', 'flow', '__proto__'),
          fc.record({ and: fc.array(tie('node'), { minLength: 1, maxLength: 3 }) }),
          fc.record({ or: fc.array(tie('node'), { minLength: 1, maxLength: 3 }) }),
          fc.record({ not: tie('node') }),
        ),
      })).node
    case 'map':
      return fc.dictionary(fc.string(), fitting(field.of))
  }
}

const fittingObject = (fields: Fields): fc.Arbitrary<unknown> =>
  fc
    .tuple(
      ...Object.entries(fields).map(([name, field]) => {
        const value = fitting(field)
        return (field.optional ? fc.option(value, { nil: undefined }) : value).map((v) => [name, v] as const)
      }),
    )
    .map((entries) => Object.fromEntries(entries.filter(([, value]) => value !== undefined)))

const rootsOf = (inputs: Fields, input: unknown) => [
  ...Object.keys(inputs),
  ...(typeof input === 'object' && input !== null ? Object.keys(input) : []),
]

describe.each(calculations.map((entry) => [entry.id, entry] as const))('%s', (_, entry) => {
  /** It answers, or names a field; and what it answers can be written down, drawn and said. */
  const holds = (input: unknown) => {
    const outcome = plainly(runCalculation(entry, input, calcData))
    const written = JSON.stringify(outcome)
    // A number that is not finite would be written as null, so it is looked for before.
    const walk = (value: unknown): void => {
      if (typeof value === 'number') expect(Number.isFinite(value)).toBe(true)
      else if (typeof value === 'object' && value !== null) Object.values(value).forEach(walk)
    }
    walk(outcome)
    if (!outcome.ok) {
      const root = outcome.error.field.split(/[.[]/)[0]!
      expect([...rootsOf(entry.inputs, input), 'input']).toContain(root)
      expect(outcome.error.message.length).toBeGreaterThan(5)
      return
    }
    expect(written).not.toMatch(/NaN|Infinity/)
    drawPicture(entry, input, outcome.output, calcData)
    const call = { calc: entry.id, input: input as Record<string, unknown>, output: 'x' }
    expect(JSON.stringify(workedLines(call, calcData, { temperatureUnit: 'F', system: 'us' }))).not.toMatch(
      /NaN|Infinity/,
    )
  }

  it('answers or names a field, with what fits its fields', () => {
    fc.assert(fc.property(fittingObject(entry.inputs), holds), { numRuns: 150 })
  })
  it('answers or names a field, with one field of an example spoilt', () => {
    const names = Object.keys(entry.inputs)
    fc.assert(
      fc.property(fc.constantFrom(...entry.examples), fc.constantFrom(...names), anything, ({ given }, name, value) =>
        holds({ ...given, [name]: value }),
      ),
      { numRuns: 100 },
    )
  })
  it('answers or names a field, with anything at all', () => {
    fc.assert(
      fc.property(
        fc.oneof(anything, fc.dictionary(fc.constantFrom(...Object.keys(entry.inputs), 'x'), anything)),
        holds,
      ),
      { numRuns: 60 },
    )
  })
  it('gives the same answer twice and leaves its input alone', () => {
    for (const { given } of entry.examples) {
      const before = JSON.stringify(given)
      const [one, two] = [0, 1].map(() => JSON.stringify(runCalculation(entry, given, calcData)))
      expect(one).toBe(two)
      expect(JSON.stringify(given)).toBe(before)
    }
  })
})
