import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { civilDay } from '../time/civilDay'
import { plainDay } from '../time/plainDay'
import { chained } from '../testing/chains'
import { applyCommand } from './applyChange'
import { LOOP_VERSION } from './fields/loopFields'
import { changesSince, isLocked, lockedOut } from './handover'
import { kindsOf, logKinds } from './logKind'
import { migration } from './migrate'

const { loop } = chained('floor')
const signed = { by: 'Ann', at: '2026-03-01T10:00:00Z', instrument: 'Ermine' }
const handedOver = { ...loop, handover: { signed } }
const opened = { ...loop, handover: { signed, reopened: { by: 'Ann', at: '2026-04-01T10:00:00Z', why: 'cooler' } } }
const at = (path: string[]) => [{ document: loop.id, path }]

describe('a loop that was handed over', () => {
  it('is locked until it is opened again', () => {
    expect([loop, handedOver, opened].map(isLocked)).toEqual([false, true, false])
  })
  it.each([
    ['a setting', ['settings', 'planned', 'p'], true],
    ['a wire', ['wiring', 'rows', 'r', 'landed'], true],
    ['a device', ['chain', 'devices', 'd'], true],
    ['an answer', ['survey', 'answers', 'target'], true],
    ['a waiver', ['waivers', 'k'], true],
    ['the loop itself', [], true],
    ['a note', ['notes', 'n'], false],
    ['a reading', ['proof', 'readings', 'r'], false],
    ['a run', ['trial', 'runs', 'r'], false],
    ['what is temporary', ['temporary', 't'], false],
    ['opening it again', ['handover', 'reopened'], false],
  ])('%s: kept out %s', (_, path, out) => {
    expect(lockedOut({ [loop.id]: handedOver }, at(path as string[])) !== undefined).toBe(out)
    expect(lockedOut({ [loop.id]: opened }, at(path as string[]))).toBeUndefined()
    expect(lockedOut({ [loop.id]: loop }, at(path as string[]))).toBeUndefined()
  })
  it('says by whom, and what to do', () => {
    expect(lockedOut({ [loop.id]: handedOver }, at(['name']))).toMatch(
      /handed over 2026-03-01 by Ann and is locked\. Open it again/,
    )
  })
  it('tells what of the signed parts is another since', () => {
    const later = { ...opened, name: 'Other', notes: { n: { order: 1, text: 'x', at: signed.at, by: 'Ann' } } }
    expect(changesSince(handedOver, later).map(({ path }) => path.join('/'))).toEqual(['name'])
    expect(changesSince(undefined, later)).toEqual([])
  })
})

describe('kinds of the log', () => {
  it.each([
    [['settings', 'planned', 'p'], 'settings'],
    [['proof', 'readings', 'r'], 'tests'],
    [['notes', 'n'], 'notes'],
    [['temporary', 't'], 'hand-over'],
    [['devices', 'd'], 'chain'],
    [[], 'job'],
    [['zone'], 'job'],
  ] as [string[], string][])('%j is %s', (path, kind) => {
    expect(kindsOf({ change: [{ document: 'd', path, from: null, to: 1 }] })).toEqual([kind])
    expect(Object.keys(logKinds)).toContain(kind)
  })
})

describe('a day', () => {
  it('is one of the calendar', () => {
    fc.assert(
      fc.property(fc.integer({ min: -200_000, max: 200_000 }), (n) => {
        const { year, month, day } = civilDay(n)
        if (year < 1000 || year > 9999) return
        const two = (value: number) => String(value).padStart(2, '0')
        expect(plainDay(`${year}-${two(month)}-${two(day)}`)).toBe(true)
      }),
    )
  })
  it.each(['2027-02-29', '2027-13-01', '2027-00-10', '2027-04-31', '27-04-01', 'tomorrow', ''])('%s is none', (text) =>
    expect(plainDay(text)).toBe(false),
  )
})

describe('bringing a loop forward', () => {
  const { version: _v, proof, ...rest } = loop
  const one = (answers: Record<string, string> | undefined) => ({
    ...rest,
    version: 1,
    proof: { readings: proof.readings, ...(answers ? { answers } : {}) },
  })
  it.each([[undefined], [{}], [{ commanded: 'yes' }], [{ commanded: 'yes', answered: 'no' }]])(
    'with answers %j',
    (answers) => {
      const documents = { [loop.id]: one(answers) }
      const applied = applyCommand(documents, { change: migration(documents, signed.at) })
      if (!applied.ok) throw new Error('it clashes')
      const next = applied.documents[loop.id] as typeof loop
      expect(next.version).toBe(LOOP_VERSION)
      expect(next.proof).not.toHaveProperty('answers')
      expect(Object.values(next.proof.readings).map(({ step, text }) => [step, text])).toEqual(
        Object.entries(answers ?? {}),
      )
      expect(migration(applied.documents, signed.at)).toEqual([])
    },
  )
})
