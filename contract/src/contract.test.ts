import { randomUUID } from 'node:crypto'
import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { loopContext } from '@nachtigal/core/loop/context'
import { emptyJob, emptyLoop, type LoopDocument } from '@nachtigal/core/document/documents'
import { setAt } from '@nachtigal/core/document/applyChange'
import { winterDay } from '@nachtigal/core/plant/winterDay'
import { loopScenario } from '@nachtigal/core/simulate/loop/loopScenario'
import { simulate } from '@nachtigal/core/simulate/simulate'
import { fieldData } from '@nachtigal/core/testing/fieldData'
import { basics, plannedFloor, twoOutputs } from '@nachtigal/core/testing/warmFloor'
import { refusal } from './check'
import { commandSchema } from './commandSchema'
import { jobSchema, loopSchema } from './documentSchemas'
import { fill, routes } from './api'
import { httpStatus } from './errors'
import { finite, mapOf, over, shape } from './parts'

const plain = <T>(value: T) => JSON.parse(JSON.stringify(value)) as T

describe('documents', () => {
  it('empty ones have the right shape', () => {
    expect(refusal(jobSchema, emptyJob('j', basics))).toBeUndefined()
    expect(refusal(loopSchema, emptyLoop('l', 'j', 'floor', 'Floor', 1))).toBeUndefined()
  })
  it('a planned floor and its job have the right shape', () => {
    const { job, loop } = plannedFloor()
    expect(refusal(jobSchema, plain(job))).toBeUndefined()
    expect(refusal(loopSchema, plain(loop))).toBeUndefined()
  })

  describe('a second loop with two probes, two outputs and limiters', () => {
    const two = plannedFloor(twoOutputs)
    it('loads without a change of schema', () => {
      expect(refusal(jobSchema, plain(two.job))).toBeUndefined()
      expect(refusal(loopSchema, plain(two.loop))).toBeUndefined()
    })
    it('simulates both outputs', () => {
      const context = loopContext(two.job, two.loop, fieldData)
      const { scenario, outputs } = loopScenario(context, context.survey!, { hourlyC: winterDay(-10), days: 1 })
      const { summary, trace } = simulate(scenario)
      expect(outputs.map(({ actuator }) => actuator)).toEqual(['device-4', 'device-5'])
      expect(summary.starts['device-4']).toBeGreaterThan(0)
      expect(summary.starts['device-5']).toBeGreaterThan(0)
      expect(Object.keys(trace.drives)).toEqual(['device-4', 'device-5'])
    })
  })

  const at = '2026-01-05T08:00:00Z'
  const reading = { text: '28.1', unit: '°C', state: 'value', value: 28.1, at, by: 'Ann' }
  const { loop } = plannedFloor()
  const put = (path: string[], value: unknown) => setAt(plain(loop), path, value) as LoopDocument

  it.each([
    ['an answer in SI', ['survey', 'answers', 'target'], 28],
    ['a ticked hazard', ['survey', 'hazards', 'mains'], true],
    ['a complaint', ['survey', 'complaint'], 'Cold at dawn'],
    ['an as-found value out of any range', ['settings', 'asFound', 'device-2', 'goal'], { ...reading, value: 999 }],
    [
      'an over-range meter',
      ['wiring', 'rows', 'a:1~b:2', 'tested'],
      { ...reading, state: 'over-range', value: undefined },
    ],
    ['a landed wire', ['wiring', 'rows', 'a:1~b:2', 'landed'], true],
    ['a proof reading', ['proof', 'readings', 'r'], { ...reading, order: 1, test: 't', step: 's' }],
    ['a value of the plant changed for trying', ['trial', 'plant', 'sim.leak'], 0.4],
    [
      'a run that is kept',
      ['trial', 'runs', 'r'],
      {
        ...{ order: 1, title: 'Week', at, by: 'Ann', choice: '{}', planned: '{}' },
        ...{ starts: 12, energyKwh: 30.5, lowestC: 20, highestC: 22 },
      },
    ],
    ['a waiver', ['waivers', 'C040/x'], { by: 'Ann', reason: 'long lead' }],
    ['temporary work', ['temporary', 't'], { order: 1, what: 'bridge', by: 'Ann', at }],
    ['a signature', ['handover', 'signed'], { by: 'Ann', at, instrument: 'DM-2' }],
    ['the number of a landed wire', ['wiring', 'rows', 'a:1~b:2', 'number'], 7],
    ['a screen of a cable', ['wiring', 'rows', 'a:screen.probe1~b:screen.out', 'landed'], true],
    [
      'a row that moved',
      ['wiring', 'changed'],
      { 'a:1~b:2': { order: 1, what: 'moved', says: '4: A1 5 to K1 A1', landed: true } },
    ],
    ['a step that is done', ['wiring', 'done'], { 'isolate/off:x': { answer: 'yes', by: 'Ann', at } }],
    ['a step that could not be done', ['wiring', 'done'], { 'isolate/off:x': { answer: 'no', by: 'Ann', at } }],
    ['a box half known', ['wiring', 'box'], { heightM: 0.4, build: 'steel', outsideC: -20 }],
    ['a lifted wire on the register', ['temporary', 't'], { order: 1, kind: 'lifted', what: 'wire 4', by: 'Ann', at }],
    [
      'volts found on a terminal',
      ['survey', 'found'],
      { terminals: { t: { order: 1, terminal: '3', wire: 'brown', volts: 231 } } },
    ],
    [
      'an insulation in megohm',
      ['proof', 'readings', 'r'],
      { ...reading, unit: 'Mohm', value: 2e8, order: 1, test: 'dead', step: 'insulation:mains:abc' },
    ],
    ['a limiter without a dial', ['chain', 'devices', 'device-4', 'dialC'], null],
  ] as [string, string[], unknown][])('take %s', (_, path, value) => {
    expect(refusal(loopSchema, plain(put(path, value)))).toBeUndefined()
  })

  it.each([
    ['an infinite answer', ['survey', 'answers', 'target'], Number.POSITIVE_INFINITY],
    ['an answer that is a list', ['survey', 'answers', 'target'], [1]],
    ['a hazard unticked by false', ['survey', 'hazards', 'mains'], false],
    ['a kind that is none', ['kind'], 'spaceship'],
    ['a name of nothing', ['name'], ''],
    ['a name that is long', ['name'], 'x'.repeat(201)],
    ['a reading without a time', ['settings', 'asLeft', 'd', 'goal'], { ...reading, at: undefined }],
    ['a reading at no time', ['settings', 'asLeft', 'd', 'goal'], { ...reading, at: 'yesterday' }],
    ['a state that is none', ['settings', 'asLeft', 'd', 'goal'], { ...reading, state: 'guess' }],
    ['a value as text', ['settings', 'asLeft', 'd', 'goal'], { ...reading, value: '28.1' }],
    ['a negative length', ['wiring', 'rows', 'a~b', 'lengthM'], -1],
    ['a section of nothing', ['wiring', 'rows', 'a~b', 'sizeMm2'], 0],
    ['a connection from nowhere', ['chain', 'connections', 'c'], { order: 1, to: { device: 'a', port: 'b' } }],
    ['a key with a bracket', ['survey', 'answers', 'a<b'], 1],
    ['a wire without a number', ['wiring', 'rows', 'a~b', 'number'], 0],
    ['a change that is none', ['wiring', 'changed'], { 'a~b': { order: 1, what: 'danced', says: 'x' } }],
    ['a change without words', ['wiring', 'changed'], { 'a~b': { order: 1, what: 'came', says: '' } }],
    ['an answer that is maybe', ['wiring', 'done'], { 'isolate/off:x': { answer: 'maybe', by: 'Ann', at } }],
    ['an answer by nobody', ['wiring', 'done'], { 'isolate/off:x': { answer: 'yes', by: '', at } }],
    ['an answer under a hostile key', ['wiring', 'done'], { '<b>': { answer: 'yes', by: 'Ann', at } }],
    ['a box of no height', ['wiring', 'box'], { heightM: 0 }],
    ['a box of paper', ['wiring', 'box'], { build: 'paper' }],
    ['a box that stands nowhere', ['wiring', 'box'], { mounting: 'in the air' }],
    ['a temporary thing of no kind', ['temporary', 't'], { order: 1, kind: 'magic', what: 'x', by: 'Ann', at }],
    ['volts as text', ['survey', 'found'], { terminals: { t: { order: 1, terminal: '3', wire: '', volts: '231' } } }],
    ['a signature without an instrument', ['handover', 'signed'], { by: 'Ann', at }],
    ['an unknown branch', ['secrets'], {}],
  ] as [string, string[], unknown][])('refuse %s', (_, path, value) => {
    const wrong = refusal(loopSchema, put(path, value))
    expect(wrong).toBeDefined()
    expect(wrong!.message.length).toBeGreaterThan(5)
  })

  it('refuse a map that is too large', () => {
    const answers = Object.fromEntries(Array.from({ length: 501 }, (_, i) => [`a${i}`, i]))
    expect(refusal(loopSchema, put(['survey', 'answers'], answers))?.message).toContain('more than 500')
  })
  it('name the field of whatever is thrown at them, and never throw themselves', () => {
    fc.assert(
      fc.property(fc.jsonValue(), (value) => {
        const wrong = refusal(loopSchema, value)
        expect(typeof wrong?.field).toBe('string')
      }),
    )
  })
})

describe('commands', () => {
  const command = () => ({
    id: randomUUID(),
    jobId: randomUUID(),
    baseRevision: 0,
    at: '2026-01-05T08:00:00.000Z',
    by: 'Ann',
    change: [{ document: randomUUID(), path: ['a'], from: null, to: 1 }],
  })
  it('of the right shape pass', () => expect(refusal(commandSchema, command())).toBeUndefined())
  it('that make a document have an empty path', () => {
    expect(
      refusal(commandSchema, { ...command(), change: [{ document: randomUUID(), path: [], from: null, to: {} }] }),
    ).toBeUndefined()
  })
  it.each([
    ['no id', { id: undefined }, 'id'],
    ['an id that is none', { id: '1' }, 'id'],
    ['a capital UUID', { id: randomUUID().toUpperCase() }, 'id'],
    ['nobody', { by: '' }, 'by'],
    ['a time that is none', { at: 'now' }, 'at'],
    ['no change', { change: [] }, 'change'],
    ['a change without a from', { change: [{ document: randomUUID(), path: [], to: 1 }] }, 'change[0].from'],
    ['a path of numbers', { change: [{ document: randomUUID(), path: [0], from: null, to: 1 }] }, 'change[0].path[0]'],
    [
      'a path that never ends',
      { change: [{ document: randomUUID(), path: Array(13).fill('a'), from: null, to: 1 }] },
      'change[0].path',
    ],
    ['an unknown field', { sudo: true }, ''],
  ])('with %s are refused', (_, change, field) => {
    expect(refusal(commandSchema, { ...command(), ...change })?.field).toBe(field)
  })
})

describe('parts', () => {
  it('a finite number is neither infinite nor text', () => {
    const schema = shape({ x: finite(0, 10).required() })
    expect(refusal(schema, { x: 10 })).toBeUndefined()
    for (const x of [Number.NaN, Number.POSITIVE_INFINITY, '5', null, 11, -1])
      expect(refusal(schema, { x })?.field).toBe('x')
  })
  it('over is not at', () => {
    const schema = shape({ x: over(0).required() })
    expect(refusal(schema, { x: 0 })?.message).toBe('x is 0: it must be over 0')
    expect(refusal(schema, { x: 1e-9 })).toBeUndefined()
  })
  it('maps name the member that is wrong', () => {
    expect(refusal(shape({ m: mapOf(finite(0, 1).required()) }), { m: { a: 1, b: 2 } })?.field).toBe('m.b')
  })
})

describe('routes and codes', () => {
  it('fill in ids safely', () => expect(fill(routes.job, { jobId: 'a/b' })).toBe('/api/jobs/a%2Fb'))
  it('each code has a status of its own meaning', () => {
    for (const status of Object.values(httpStatus)) expect(status).toBeGreaterThanOrEqual(400)
  })
})
