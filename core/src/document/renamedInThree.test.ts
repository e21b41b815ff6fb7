import { describe, expect, it } from '@jest/globals'
import { wordChange } from '../check/wordChange'
import { migrateDevice } from '../device/migrateDevice'
import { chained } from '../testing/chains'
import { applyCommand } from './applyChange'
import { loopKinds } from '../kinds/kinds'
import type { JobDocument, LoopDocument } from './documents'
import { migration } from './migrate'
import { readNow } from './renamedInThree'

const by = { by: 'Ann', at: '2026-03-01T10:00:00Z' }
const reading = { order: 1, step: 'off', text: '181', unit: 's', value: 181, state: 'value', ...by }
const celsius = { temperatureUnit: 'C', system: 'metric' } as const

/** A loop as version 2 kept it, with each thing that goes under another word now. */
function versionTwo() {
  const { job, loop } = chained('floor')
  const old = {
    ...loop,
    version: 2,
    proof: {
      readings: {
        a: { ...reading, test: 'rest/p1', take: 2 },
        b: { ...reading, test: 'before/p1' },
        c: { ...reading, test: 'restart/p1', take: 3 },
      },
      takes: { 'rest/p1': { take: 2 } },
      past: { x: { order: 1, test: 'rest/p1', take: 1, verdict: 'look', head: 'It starts too soon', ...by } },
      skipped: { 'rest/p1': { reason: 'no stopwatch', ...by } },
    },
    notes: { n: { ...by, order: 1, text: 'kept', sum: { calc: 'cycling.worst', given: '{}' } } },
    temporary: { t: { ...by, order: 1, kind: 'bridge', what: 'S1 bridged', during: 'test/rest/p1' } },
    waivers: {
      'C035_REST_TOO_SHORT/p1': { by: 'Ann', reason: 'the leaflet says so' },
      'C011_JOINT_LOOK/c/1': { by: 'Ann', reason: 'seen' },
    },
  }
  const applied = applyCommand(
    { [job.id]: job, [loop.id]: old },
    {
      change: migration({ [job.id]: job, [loop.id]: old }, by.at),
    },
  )
  if (!applied.ok) throw new Error('it clashes')
  return { old, now: applied.documents[loop.id] as LoopDocument }
}

describe('a loop of version 2', () => {
  it('has everything that goes under another word brought forward, and nothing else touched', () => {
    const { now } = versionTwo()
    expect(now.proof).toEqual({
      readings: {
        a: { ...reading, test: 'minimum-off/p1', attempt: 2 },
        b: { ...reading, test: 'before/p1' },
        c: { ...reading, test: 'restart/p1', attempt: 3 },
      },
      attempts: { 'minimum-off/p1': { attempt: 2 } },
      past: { x: { order: 1, test: 'minimum-off/p1', attempt: 1, verdict: 'look', head: 'It starts too soon', ...by } },
      skipped: { 'minimum-off/p1': { reason: 'no stopwatch', ...by } },
    })
    expect(now.notes?.['n']).toMatchObject({ text: 'kept', calculation: { calc: 'cycling.worst', given: '{}' } })
    expect(now.temporary['t']).toMatchObject({ during: 'test/minimum-off/p1' })
    expect(Object.keys(now.waivers)).toEqual(['C035_MINIMUM_OFF_SHORT/p1', 'C011_CONNECTION_LOOK/c/1'])
  })
})

describe('a row of a log from before', () => {
  it.each([
    [['proof', 'takes', 'rest/p1'], null, { take: 2 }, 'Test begun anew: Minimum off time', 'attempt 1', 'attempt 2'],
    [
      ['proof', 'skipped', 'rest/p1'],
      null,
      { reason: 'no stopwatch' },
      'Test left out: Minimum off time',
      'to be made',
      'no stopwatch',
    ],
    [
      ['proof', 'past', 'x'],
      null,
      { test: 'rest/p1', head: 'Off' },
      'Earlier attempt: Minimum off time',
      'nothing',
      'Off',
    ],
  ])('%j reads in the words of now', (path, from, to, what, before, after) => {
    expect(wordChange({ path, from, to }, celsius)).toEqual({ what, before, after })
  })
  it('of a note keeps its calculation', () => {
    const sum = { calc: 'cycling.worst', given: '{}' }
    const { path, to } = readNow({ path: ['notes', 'n'], from: null, to: { text: 'kept', sum } })
    expect({ path, to }).toEqual({ path: ['notes', 'n'], to: { text: 'kept', calculation: sum } })
  })
  it('that is about something else stays as it is', () => {
    const row = { path: ['settings', 'planned', 'p1'], from: null, to: { take: 1 } }
    expect(readNow(row)).toBe(row)
  })
})

describe('a job of version 1', () => {
  it('has its copies of devices described in the words of now', () => {
    for (const kind of loopKinds) {
      const { job } = chained(kind)
      const profiles = Object.fromEntries(
        Object.entries(job.profiles).map(([id, profile]) => {
          const { timesOwnMinimumOff, ...load } = profile.load ?? {}
          return [
            id,
            timesOwnMinimumOff === undefined
              ? profile
              : { ...profile, load: { ...load, timesOwnRest: timesOwnMinimumOff } },
          ]
        }),
      )
      const old = { ...job, version: 1, profiles } as unknown as JobDocument
      const applied = applyCommand({ [job.id]: old }, { change: migration({ [job.id]: old }, by.at) })
      if (!applied.ok) throw new Error('it clashes')
      expect(applied.documents[job.id]).toEqual(job)
    }
  })
  it.each([null, 1, 'x', [], { load: null }, { load: 1 }])('%j is no old device', (value) => {
    expect(migrateDevice(value)).toBe(value)
  })
})
