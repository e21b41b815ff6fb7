import { describe, expect, it } from '@jest/globals'
import { allowed, checkField, InputError } from './checkField'
import { choice, type Field, list, nullable, number, object, optional, text, yes } from './field'

const refusal = (field: Field, value: unknown) => {
  try {
    checkField('it', field, value)
    return null
  } catch (error) {
    if (!(error instanceof InputError)) throw error
    return [error.field, error.message] as const
  }
}

const speed: Field = {
  type: 'either',
  title: 'Speed',
  number: number('Speed', 'percent', { min: 0, max: 100 }),
  words: ['off'],
}
const group: Field = { type: 'either', title: 'Group', number: number('Group', 'count', { min: 0, integer: true }) }
const point: Field = {
  type: 'tuple',
  title: 'Point',
  items: [number('Temperature', 'temperature'), number('Ohms', 'resistance', { over: 0 })],
}
const shape: Field = {
  type: 'variant',
  title: 'Probe',
  of: { rtd: { r0Ohm: number('Ohms', 'resistance', { over: 0 }) }, open: {} },
}
const contacts: Field = { type: 'expression', title: 'Contacts' }

describe('a field takes what it says', () => {
  it.each([
    [number('Setpoint', 'temperature'), -273.15],
    [number('Swing', 'difference', { over: 0 }), 1e-9],
    [number('Stages', 'count', { min: 1, max: 4, integer: true }), 4],
    [nullable(number('Ohms', 'resistance', { min: 0 })), null],
    [optional(number('Setpoint', 'temperature')), undefined],
    [choice('Action', ['heating', 'cooling']), 'cooling'],
    [choice('Unit', ['gpm'], { alsoAccepted: ['gpm(US)'] }), 'gpm(US)'],
    [yes('On'), false],
    [text('Name'), ''],
    [list('Readings', number('Reading', 'temperature'), { least: 1 }), [1]],
    [speed, 'off'],
    [speed, 40],
    [group, 'hall'],
    [group, 3],
    [point, [20, 1000]],
    [shape, { kind: 'rtd', r0Ohm: 100 }],
    [shape, { kind: 'open' }],
    [object('Pair', { a: number('a', 'factor') }), { a: 1 }],
    [contacts, 'limit'],
    [contacts, { and: ['limit', { or: ['a', { not: 'b' }] }] }],
    [{ type: 'map', title: 'Closed', of: yes('Closed') } as Field, { a: true, b: false }],
  ])('%#', (field, value) => expect(refusal(field, value)).toBeNull())
})

describe('a field names itself, the value and what is allowed', () => {
  it.each([
    [number('Setpoint', 'temperature'), -300, 'it', 'it is -300: a number from -273.15 to 3000 °C'],
    [number('Setpoint', 'temperature'), NaN, 'it', 'it is NaN: a number from'],
    [number('Setpoint', 'temperature'), Infinity, 'it', 'it is Infinity: a number from'],
    [number('Setpoint', 'temperature'), '20', 'it', 'it is "20": a number from'],
    [number('Setpoint', 'temperature'), true, 'it', 'it is true: a number from'],
    [number('Setpoint', 'temperature'), undefined, 'it', 'it is missing: a number from'],
    [number('Swing', 'difference', { over: 0, max: 50 }), 0, 'it', 'it is 0: a number over 0, at most 50 K'],
    [number('Power', 'power', { min: 0 }), -1, 'it', 'it is -1: a number of 0 or more W'],
    [number('Stages', 'count', { min: 1, max: 4, integer: true }), 1.5, 'it', 'it is 1.5: a whole number from 1 to 4'],
    [nullable(number('Ohms', 'resistance', { min: 0 })), -1, 'it', 'a number of 0 or more ohm, or null'],
    [choice('Action', ['heating', 'cooling']), 'Heating', 'it', 'it is "Heating": one of heating, cooling'],
    [yes('On'), 'yes', 'it', 'it is "yes": true or false'],
    [text('At', { like: '07:00' }), 7, 'it', 'it is 7: a text like 07:00'],
    [text('Name'), 'x'.repeat(201), 'it', 'a text of at most 200 characters'],
    [list('Readings', number('Reading', 'temperature'), { least: 1, most: 3 }), [], 'it', 'it is []: a list of 1 to 3'],
    [list('Readings', number('Reading', 'temperature')), [20, 'hot'], 'it[1]', 'it[1] is "hot": a number from'],
    [speed, 'slow', 'it', 'it is "slow": a number from 0 to 100 %, or "off"'],
    [group, '  ', 'it', 'or a text of at most 40 characters'],
    [group, 'x'.repeat(41), 'it', 'or a text of at most 40 characters'],
    [point, [20], 'it', 'it is [20]: a list of temperature and ohms'],
    [point, [20, 0], 'it[1]', 'it[1] is 0: a number over 0 ohm'],
    [shape, { kind: 'foil' }, 'it', 'it is {"kind":"foil"}: an object whose kind is one of rtd, open'],
    [shape, { kind: 'toString' }, 'it', 'whose kind is one of rtd, open'],
    [shape, { kind: 'rtd', r0Ohm: 100, colour: 'red' }, 'it.colour', 'it.colour is unknown: allowed are r0Ohm'],
    [shape, { kind: 'rtd' }, 'it.r0Ohm', 'it.r0Ohm is missing'],
    [object('Pair', { a: number('a', 'factor') }), [1], 'it', 'it is [1]: it must be an object'],
    [object('Pair', { a: number('a', 'factor') }), { a: 1, __proto__x: 2 }, 'it.__proto__x', 'is unknown'],
    [contacts, '', 'it', "a contact's name of 1 to 40 characters"],
    [contacts, { and: [] }, 'it', '{"and": […]}'],
    [contacts, { and: ['a'], or: ['b'] }, 'it', '{"and": […]}'],
    [contacts, { and: ['a', 5] }, 'it.and[1]', 'it.and[1] is 5'],
    [contacts, { not: { not: null } }, 'it.not.not', 'it.not.not is null'],
    [contacts, null, 'it', 'it is null'],
  ])('%#: %p', (field, value, path, message) => {
    const [at, said] = refusal(field, value)!
    expect(at).toBe(path)
    expect(said).toContain(message)
  })
  it('ends on contacts nested without end', () => {
    let deep: unknown = 'a'
    for (let i = 0; i < 100; i++) deep = { not: deep }
    expect(refusal(contacts, deep)![1]).toContain('nested more than 20 deep')
  })
  it('says what each kind takes', () => {
    for (const field of [speed, group, point, shape, contacts, yes('a'), text('b'), list('c', yes('d'))])
      expect(allowed(field).length).toBeGreaterThan(5)
  })
})
