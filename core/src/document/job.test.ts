import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { applyCommand, setAt, valueAt } from './applyChange'
import { fromPoints, fromSetpoint, keyedSwingK, switchingOf } from '../settings/behaviour'
import { canonicalJson, sameValue } from './canonicalJson'
import { changesBetween } from './changesBetween'
import type { Change } from './command'
import { inverseChanges } from './inverse'
import { conventions } from '../settings/switching/law/switchingPoints'

const stamp = () => ({ id: 'new', at: '2026-01-01T00:00:00Z', by: 'Me' })
const change = (path: string[], from: unknown, to: unknown): Change => ({ document: 'd', path, from, to })

/** Documents hold no nulls and no arrays: null in a command means absent. */
const documents = fc.dictionary(
  fc.constantFrom('a', 'b', 'c'),
  fc.oneof(
    fc.integer(),
    fc.string(),
    fc.dictionary(fc.constantFrom('x', 'y', 'z'), fc.oneof(fc.integer(), fc.boolean())),
  ),
)

describe('canonicalJson', () => {
  it('does not depend on the order of keys', () =>
    expect(canonicalJson({ b: 1, a: { d: 2, c: [1] } })).toBe('{"a":{"c":[1],"d":2},"b":1}'))
  it('leaves out undefined', () => expect(canonicalJson({ a: undefined, b: 1 })).toBe('{"b":1}'))
  it('parses back to the same', () =>
    fc.assert(fc.property(fc.jsonValue(), (value) => sameValue(JSON.parse(canonicalJson(value)), value))))
})

describe('applyCommand', () => {
  it('sets, makes parents and takes away', () => {
    const made = applyCommand({ d: {} }, { change: [change(['a', 'b'], null, 5)] })
    expect(made).toEqual({ ok: true, documents: { d: { a: { b: 5 } } } })
    expect(applyCommand({ d: { a: { b: 5 } } }, { change: [change(['a', 'b'], 5, null)] })).toEqual({
      ok: true,
      documents: { d: { a: {} } },
    })
  })
  it('tells both sides of every clash and applies nothing', () => {
    const before = { d: { a: 1, b: 2 } }
    const result = applyCommand(before, { change: [change(['a'], 1, 9), change(['b'], 7, 8), change(['c'], 3, 4)] })
    expect(result).toEqual({
      ok: false,
      clashes: [
        { ...change(['b'], 7, 8), is: 2 },
        { ...change(['c'], 3, 4), is: null },
      ],
    })
    expect(before).toEqual({ d: { a: 1, b: 2 } })
  })
  it('makes and removes whole documents', () => {
    const made = applyCommand({}, { change: [change([], null, { a: 1 })] })
    expect(made).toEqual({ ok: true, documents: { d: { a: 1 } } })
    expect(applyCommand({ d: { a: 1 } }, { change: [change([], { a: 1 }, null)] })).toEqual({ ok: true, documents: {} })
  })
  it.each(['__proto__', 'constructor', 'prototype'])('refuses %s in a path', (key) => {
    expect(() => setAt({}, [key, 'polluted'], true)).toThrow(key)
    expect(({} as Record<string, unknown>)['polluted']).toBeUndefined()
  })
  it('does not read through the prototype', () => expect(valueAt({}, ['toString'])).toBeUndefined())
  it('refuses to walk through a number', () =>
    expect(() => setAt({ a: 1 }, ['a', 'b'], 2)).toThrow('runs through a value at b'))
})

describe('changesBetween and inverse', () => {
  it('turns any document into any other, and the inverse turns it back', () => {
    fc.assert(
      fc.property(documents, documents, (before, after) => {
        const made = changesBetween('d', before, after)
        const there = applyCommand({ d: before }, { change: made })
        expect(there.ok && sameValue(there.documents['d'], after)).toBe(true)
        const back = applyCommand({ d: after }, { change: inverseChanges({ change: made }, stamp) })
        expect(back.ok && sameValue(back.documents['d'], before)).toBe(true)
      }),
    )
  })
  it('says nothing when nothing changed', () => expect(changesBetween('d', { a: 1 }, { a: 1 })).toEqual([]))
  it('supersedes a reading instead of undoing it', () => {
    const reading = {
      text: '28.1',
      unit: '°C',
      state: 'value',
      value: 28.1,
      order: 3,
      test: 't',
      step: 's',
      at: 'then',
      by: 'Ann',
    }
    expect(inverseChanges({ change: [change(['proof', 'readings', 'r1'], null, reading)] }, stamp)).toEqual(
      [
        {
          document: 'd',
          path: ['proof', 'readings', 'new'],
          from: null,
          to: {
            text: '',
            unit: '°C',
            state: 'none',
            value: undefined,
            order: 4,
            test: 't',
            step: 's',
            supersedes: 'r1',
            ...stamp(),
            id: undefined,
          },
        },
      ].map(({ to, ...rest }) => {
        const { id: _id, ...reading_ } = to
        return { ...rest, to: reading_ }
      }),
    )
  })
})

describe('behaviour', () => {
  it.each(conventions)('%s: setpoint and points say the same, both actions', (convention) => {
    for (const action of ['heating', 'cooling'] as const) {
      const said = fromSetpoint(action, convention, 28, 1)
      const { onC, offC, swingK } = switchingOf(said)
      expect(swingK).toBe(1)
      expect(Math.abs(onC - offC)).toBeCloseTo(1, 12)
      const again = fromPoints(onC, offC, action, convention)
      expect(again.setpointC).toBeCloseTo(said.setpointC, 9)
      expect(switchingOf(again).swingK).toBeCloseTo(swingK, 9)
    }
  })
  it('keys half for each side and a sign for signed', () => {
    expect(keyedSwingK(fromSetpoint('heating', 'centred', 28, 1, { swingIs: 'each-side' }))).toBe(0.5)
    expect(keyedSwingK(fromSetpoint('heating', 'signed', 28, 1))).toBe(-1)
    expect(keyedSwingK(fromSetpoint('cooling', 'signed', 28, 1))).toBe(1)
  })
  it('total swing of 1 each side is 27.5 to 28.5', () => {
    const words = fromSetpoint('heating', 'centred', 28, 1, { swingIs: 'each-side' })
    expect(switchingOf(words)).toMatchObject({ onC: 27.5, offC: 28.5 })
  })
  it.each([0, -15, Number.NaN])('refuses a swing of %d', (swing) =>
    expect(() => fromSetpoint('heating', 'cut-out', 28, swing)).toThrow('must be over 0'),
  )
})
