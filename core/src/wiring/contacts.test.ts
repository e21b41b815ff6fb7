import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { fieldData } from '../testing/fieldData'
import { contactLoad, coveredInrush } from './contactLoad'
import { type ContactExpression, contactLogic, contactsOf } from './contactLogic'
import { deadTestVerdict } from './deadTest'
import { sayStep } from '../words/stepWords'
import { ohmWords } from '../words/ohmWords'
import { parseExpression, sayExpression } from './parseExpression'
import { transformerLoad } from './transformerLoad'
import { voltageDrop } from './voltageDrop'
import { constructions, coreOhm, listedMm2 } from './wireResistance'

const expression: fc.Arbitrary<ContactExpression> = fc.letrec<{ node: ContactExpression }>((tie) => ({
  node: fc.oneof(
    { depthSize: 'small' },
    fc.constantFrom('limit', 'stat', 'override', 'flow switch', 'door'),
    fc.record({ and: fc.array(tie('node'), { minLength: 1, maxLength: 3 }) }),
    fc.record({ or: fc.array(tie('node'), { minLength: 1, maxLength: 3 }) }),
    fc.record({ not: tie('node') }),
  ),
})).node

const runs = (e: ContactExpression, closed: Readonly<Record<string, boolean>>): boolean =>
  typeof e === 'string'
    ? closed[e]!
    : 'not' in e
      ? !runs(e.not, closed)
      : 'and' in e
        ? e.and.every((i) => runs(i, closed))
        : e.or.some((i) => runs(i, closed))

describe('contactLogic', () => {
  it('tells the table, what must close and what is by-passed by trying every state', () => {
    fc.assert(
      fc.property(expression, (e) => {
        const { contacts, rows, mustClose, bypasses, idle } = contactLogic(e)
        expect(rows).toHaveLength(2 ** contacts.length)
        expect(new Set(rows.map(({ inputs }) => JSON.stringify(inputs))).size).toBe(rows.length)
        for (const row of rows) expect(row.runs).toBe(runs(e, row.inputs))
        const running = rows.filter((row) => row.runs)
        for (const name of contacts) {
          const needed = running.length > 0 && running.every(({ inputs }) => inputs[name])
          expect(mustClose.includes(name)).toBe(needed)
          const flips = (held: (inputs: Readonly<Record<string, boolean>>) => boolean) =>
            rows.some(({ inputs, runs: on }) => held(inputs) && on !== runs(e, { ...inputs, [name]: !inputs[name] }))
          expect(idle.includes(name)).toBe(!flips(() => true))
          for (const by of contacts) {
            if (by === name) continue
            const defeated = !flips((i) => i[by]!) && flips((i) => !i[by]) && running.some(({ inputs }) => inputs[by])
            expect(bypasses.some((each) => each.contact === name && each.by === by)).toBe(defeated)
          }
        }
        // What must close is never by-passed: it stays.
        for (const { contact } of bypasses) expect(mustClose).not.toContain(contact)
      }),
    )
  })
  it('an override across the thermostat leaves the limit in series', () => {
    const { mustClose, bypasses } = contactLogic({ and: ['limit', { or: ['thermostat', 'override'] }] })
    expect(mustClose).toEqual(['limit'])
    expect(bypasses).toContainEqual({ contact: 'thermostat', by: 'override' })
    expect(bypasses.map(({ contact }) => contact)).not.toContain('limit')
  })
  it('refuses more contacts than anyone reads', () => {
    const many = { and: Array.from({ length: 11 }, (_, i) => `c${i}`) }
    expect(() => contactLogic(many)).toThrow('names 11 contacts: at most 10')
  })
})

describe('parseExpression', () => {
  it('reads back what it says', () => {
    fc.assert(
      fc.property(expression, (e) => {
        const parsed = parseExpression(sayExpression(e))
        if (!parsed.ok) throw new Error(parsed.message)
        expect(contactsOf(parsed.expression).sort()).toEqual(contactsOf(e).sort())
        const { contacts, rows } = contactLogic(e)
        for (const { inputs, runs: on } of rows) expect(runs(parsed.expression, inputs)).toBe(on)
        expect(contacts.length).toBeGreaterThan(0)
      }),
    )
  })
  it.each([
    ['limit and (thermostat or override)', { and: ['limit', { or: ['thermostat', 'override'] }] }],
    ['a or b and c', { or: ['a', { and: ['b', 'c'] }] }],
    ['NOT door AND high limit', { and: [{ not: 'door' }, 'high limit'] }],
  ])('reads %s', (text, expected) => expect(parseExpression(text)).toEqual({ ok: true, expression: expected }))
  it.each([
    ['', 'missing'],
    ['a and', 'missing'],
    ['(a', 'not closed'],
    ['a)', 'one too many'],
    ['and a', 'where a contact'],
    ['('.repeat(50) + 'a', 'too many brackets'],
    ['x'.repeat(41), '40 characters'],
    ['a '.repeat(600), '1000 characters'],
  ])('refuses %p', (text, message) => {
    const parsed = parseExpression(text)
    expect(parsed.ok ? '' : parsed.message).toContain(message)
  })
  it('never fails on what is typed', () =>
    fc.assert(
      fc.property(fc.string(), (text) => {
        parseExpression(text)
      }),
    ))
})

describe('wires', () => {
  it.each([
    [1.5, 'class2', 12.1],
    [1.5, 'class5', 13.3],
    [0.5, 'class5', 39],
    [6, 'class2', 3.08],
  ] as const)('%d mm² %s is %d mohm a metre (IEC 60228)', (area, kind, milliohm) =>
    expect(coreOhm(1, area, 20, kind) * 1000).toBeCloseTo(milliohm, 9),
  )
  it('classes are 4 to 16 % over pure copper of that section', () => {
    for (const kind of ['class2', 'class5'] as const)
      for (const area of listedMm2(kind)) {
        const over = coreOhm(1, area, 20, kind) / coreOhm(1, area) - 1
        expect(over).toBeGreaterThan(0.03)
        expect(over).toBeLessThan(0.17)
      }
  })
  it('gauges are 1 to 5 % over pure copper of their section', () => {
    for (const area of listedMm2('gauge')) {
      const over = coreOhm(1, area, 20, 'gauge') / coreOhm(1, area) - 1
      expect(over).toBeGreaterThan(0.01)
      expect(over).toBeLessThan(0.05)
    }
  })
  it('its longest length and its least section lose just what is allowed', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 1, max: 500, noNaN: true }),
        fc.constantFrom(...constructions).chain((construction) =>
          fc.record({
            construction: fc.constant(construction),
            areaMm2: fc.constantFrom(...listedMm2(construction)),
          }),
        ),
        fc.double({ min: 0.1, max: 30, noNaN: true }),
        fc.constantFrom(24, 230, 400),
        fc.constantFrom<1 | 3>(1, 3),
        fc.double({ min: 0.5, max: 10, noNaN: true }),
        (lengthM, wire, currentA, supplyV, phases, allowedPercent) => {
          const { construction } = wire
          const given = { ...wire, lengthM, currentA, supplyV, phases, allowedPercent }
          const { maximumLengthM, minimumAreaMm2, tradeAreaMm2 } = voltageDrop(given)
          expect(voltageDrop({ ...given, lengthM: maximumLengthM! }).dropPercent).toBeCloseTo(allowedPercent, 6)
          if (construction === 'pure')
            expect(voltageDrop({ ...given, areaMm2: minimumAreaMm2! }).dropPercent).toBeCloseTo(allowedPercent, 6)
          if (tradeAreaMm2 !== null)
            expect(voltageDrop({ ...given, areaMm2: tradeAreaMm2! }).dropPercent).toBeLessThanOrEqual(
              allowedPercent + 1e-9,
            )
        },
      ),
    )
  })
  it('never leaves less than nothing at the end', () =>
    expect(voltageDrop({ lengthM: 1e4, areaMm2: 0.5, currentA: 10, supplyV: 24 }).endV).toBe(0))
})

describe('loads', () => {
  it.each([
    [24, 0, true],
    [25, 25, false],
    [18.75, 25, true],
  ])('%d VA of 25 with %d %% reserve: %p', (va, reserve, enough) =>
    expect(transformerLoad(25, [{ va }], reserve).enough).toBe(enough),
  )
  it('a lamp on a resistive rating alone is looked at again', () =>
    expect(
      contactLoad([{ load: 'resistive', volts: 250, amps: 10 }], { kind: 'lamp', powerW: 100, volts: 230 }).verdict,
    ).toBe('look-again'))
  it('a load whose inrush is over what its rating covers is looked at again', () =>
    expect(
      contactLoad([{ load: 'motor', volts: 250, amps: 10 }], { kind: 'motor', amps: 1, volts: 230, inrush: 12 }),
    ).toMatchObject({ verdict: 'look-again', inrushA: 12 }))
  it('a nameplate current goes before the power', () =>
    expect(
      contactLoad([{ load: 'motor', volts: 250, amps: 10 }], { kind: 'motor', powerW: 5000, amps: 4, volts: 230 })
        .loadA,
    ).toBe(4))
})

describe('figures that the rules hold themselves', () => {
  it.each([
    ['motor', 'inrush.dol'],
    ['compressor', 'inrush.compressor'],
    ['lamp', 'inrush.filament'],
    ['capacitive', 'inrush.smps'],
    ['coil', 'inrush.accoil'],
    ['resistive', 'inrush.ptcheater'],
  ] as const)('the inrush that a %s rating covers is the high end of %s', (kind, id) =>
    expect(coveredInrush[kind]).toBe(fieldData[id]!.high),
  )
  it('earth may be over its wire by what pe.limit says', () => {
    const { typical, high } = fieldData['pe.limit']!
    const at = (reading: number) => deadTestVerdict({ test: 'earth', expected: 0.2, reading }).verdict
    expect([at(0.2 + typical), at(0.2 + high), at(0.2 + high + 0.01)]).toEqual(['good', 'look-again', 'stop'])
  })
  it('a supply may be off by what supply.mains says', () => {
    const { low, high } = fieldData['supply.mains']!
    const at = (percent: number) =>
      deadTestVerdict({ test: 'supply', expected: 230, reading: 2.3 * (100 + percent) }).verdict
    expect([at(low), at(high), at(low - 1), at(high + 1)]).toEqual(['good', 'good', 'stop', 'stop'])
  })
})

describe('deadTestVerdict', () => {
  it.each([
    ['earth as its wire reckons', { test: 'earth', reading: 0.14, expected: 0.1 }, 'good', false],
    ['earth a little over', { test: 'earth', reading: 0.19, expected: 0.1 }, 'look-again', true],
    ['earth far over', { test: 'earth', reading: 2, expected: 0.1 }, 'stop', true],
    ['no earth', { test: 'earth', reading: null, expected: 0.1 }, 'stop', true],
    ['a row through', { test: 'continuity', reading: 0.4, expected: 0.3 }, 'good', false],
    ['a row open', { test: 'continuity', reading: null, expected: 0.3 }, 'stop', true],
    ['a row through its load', { test: 'continuity', reading: 52, expected: 0.3 }, 'look-again', false],
    ['apart', { test: 'separation', reading: null }, 'good', false],
    ['joined', { test: 'separation', reading: 0.2 }, 'stop', true],
    ['joined across a load', { test: 'separation', reading: 0.2, loadOhm: 52.9 }, 'stop', true],
    ['the load itself', { test: 'separation', reading: 55, loadOhm: 52.9 }, 'good', false],
    ['an earthed common that is planned', { test: 'separation', reading: 0.3, expected: 0.2 }, 'good', false],
    ['neither apart nor joined', { test: 'separation', reading: 40_000 }, 'stop', true],
    ['good insulation', { test: 'insulation', reading: 200e6, testV: 500 }, 'good', false],
    ['insulation that passes and is not good', { test: 'insulation', reading: 2e6, testV: 500 }, 'look-again', false],
    ['poor insulation', { test: 'insulation', reading: 0.5e6, testV: 500 }, 'stop', true],
    ['poor insulation even at less voltage', { test: 'insulation', reading: 0.5e6, testV: 250 }, 'stop', true],
    [
      'extra-low at its own limit',
      { test: 'insulation', reading: 0.6e6, testV: 250, circuit: 'extra-low' },
      'look-again',
      false,
    ],
    ['a test with too few volts', { test: 'insulation', reading: 200e6, testV: 100 }, 'look-again', true],
    [
      'electronics still on',
      { test: 'insulation', reading: 200e6, testV: 500, electronicsConnected: true },
      'stop',
      true,
    ],
    ['the right supply', { test: 'supply', reading: 232, expected: 230 }, 'good', false],
    ['the wrong pair of terminals', { test: 'supply', reading: 400, expected: 230 }, 'stop', true],
    ['no supply', { test: 'supply', reading: 0.3, expected: 24 }, 'look-again', true],
    ['swapped', { test: 'polarity', reading: -24, expected: 24 }, 'stop', true],
    ['a good probe', { test: 'probe', reading: 10_100, expected: 10_000 }, 'good', false],
    ['another probe', { test: 'probe', reading: 5000, expected: 10_000 }, 'look-again', false],
    ['a broken probe', { test: 'probe', reading: null, expected: 10_000 }, 'look-again', false],
    ['a shorted probe', { test: 'probe', reading: 3, expected: 10_000 }, 'look-again', false],
  ] as const)('%s', (_, input, verdict, forbids) => {
    const found = deadTestVerdict(input)
    expect([found.verdict, found.forbidsEnergising]).toEqual([verdict, forbids])
    const { cause, next } = sayStep(found)
    expect(cause).toMatch(/\d|over-range|Electronics|No earth|open/)
    expect(next.length).toBeGreaterThan(5)
    if (verdict === 'stop') expect(`${next} ${cause}`).toMatch(/energise|Lift|Isolate/)
  })
  it('one test can forbid, none can permit: a good one says no more than that it is good', () => {
    fc.assert(
      fc.property(
        fc.constantFrom('earth', 'continuity', 'separation', 'insulation', 'polarity', 'probe', 'supply'),
        fc.oneof(fc.constant(null), fc.double({ min: -1e9, max: 1e9, noNaN: true })),
        fc.double({ min: -1e6, max: 1e6, noNaN: true }),
        (test, reading, expected) => {
          const found = deadTestVerdict({ test: test as 'earth', reading, expected })
          const { cause, next } = sayStep(found)
          expect(`${cause} ${next}`).not.toMatch(/\bsafe\b|may be energised|switch on/i)
          if (found.verdict === 'stop') expect(found.forbidsEnergising).toBe(true)
        },
      ),
    )
  })
  it.each([
    [null, 'over-range'],
    [0.4, '0.4 ohm'],
    [12_345, '12.3 kohm'],
    [2e6, '2 Mohm'],
  ])('%p is said as %s', (ohm, said) => expect(ohmWords(ohm)).toBe(said))
})
