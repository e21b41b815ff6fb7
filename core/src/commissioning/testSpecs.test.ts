import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { loopContext } from '../loop/context'
import { fromSetpoint } from '../settings/behaviour'
import { errsWords, instrumentFor, mayErr } from '../document/instruments'
import { loopKinds } from '../kinds/kinds'
import { answered, judged, testOf } from '../testing/answered'
import { chained, replanned } from '../testing/chains'
import { wordsFor } from '../words/words'
import { fieldData } from '../testing/fieldData'
import { failed, mayLeaveOut, proofTests, settled } from './proofTests'
import { readText, shouldText } from './judgedTest'
import { testKinds } from './proofTest'
import { stepWords, testTitles } from './testTitles'

const contextOf = ({ job, loop }: ReturnType<typeof chained>) => loopContext(job, loop, fieldData)

describe('tests made from the plan', () => {
  it.each(loopKinds)('%s: each says its purpose, what to have, how to read and by which rule', (kind) => {
    const tests = proofTests(contextOf(chained(kind)))
    expect(tests.length).toBeGreaterThan(4)
    expect(new Set(tests.map(({ id }) => id)).size).toBe(tests.length)
    expect(tests[0]!.kind).toBe('before')
    for (const test of tests) {
      expect(test.purpose.length).toBeGreaterThan(15)
      expect(test.have.length).toBeGreaterThan(0)
      expect(test.how).not.toBe('')
      expect(test.rule).not.toBe('')
      expect(test.safety.length).toBeGreaterThan(0)
      expect(test.steps.length).toBeGreaterThan(0)
      expect(test.result.verdict).toBe('waiting')
      for (const { main, does, title } of test.steps) {
        expect(`${does} ${title} ${JSON.stringify(main.ask)}`).not.toMatch(/undefined|NaN|\[object/)
        if (main.ask.kind === 'number' && !main.ask.free) expect(main.ask.source).not.toBe('')
        if (main.ask.kind === 'choice' && main.ask.wants)
          expect(Object.keys(main.ask.choices)).toContain(main.ask.wants)
      }
    }
  })
  it('comes in the order in which they are best made', () => {
    const kinds = proofTests(contextOf(chained('pool'))).map(({ kind }) => testKinds.indexOf(kind))
    expect(kinds).toEqual([...kinds].sort((a, b) => a - b))
  })
  it('names every kind for the log', () => {
    expect(Object.keys(testTitles).sort()).toEqual([...testKinds].sort())
    expect(stepWords({ test: 'rise-and-fall/plan-1', step: 'rise-2' })).toBe('Rise and fall, rise again')
    expect(stepWords({ test: 'sweep/plan-1', step: 'up-3/display' })).toBe('Modulating sweep, up 3 display')
  })
  it('makes tests of whatever is planned, however odd', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...loopKinds),
        fc.double({ min: -200, max: 900, noNaN: true }),
        fc.double({ min: 0.01, max: 300, noNaN: true }),
        fc.integer({ min: 0, max: 86400 }),
        (kind, setpointC, swingK, minimumOffS) => {
          const edited = chained(kind)
          const odd = replanned(edited, {
            ...fromSetpoint('heating', 'cut-out', setpointC, swingK),
            minimumOffS,
            bandK: swingK,
            alarmHighC: setpointC - 1,
          } as never)
          expect(proofTests(contextOf(odd)).length).toBeGreaterThan(0)
        },
      ),
      { numRuns: 60 },
    )
  })
  it('a reading counts for its take alone; the takes before stay', () => {
    const floor = chained('floor')
    const { id } = testOf(contextOf(floor), 'rise-and-fall')
    const context = answered(floor, id, { 'rise-1': 40 })
    expect(failed(testOf(context, id)) || testOf(context, id).steps[0]!.verdict === 'look').toBe(true)
    const again = {
      ...context.loop,
      proof: {
        ...context.loop.proof,
        attempts: { [id]: { attempt: 2 } },
        past: {
          p: {
            order: 1,
            test: id,
            attempt: 1,
            verdict: 'look' as const,
            head: 'Off',
            at: '2026-03-01T10:00:00Z',
            by: 'Ann',
          },
        },
      },
    }
    const second = testOf(loopContext(context.job, again, fieldData), id)
    expect(second.steps[0]!.verdict).toBe('waiting')
    expect(second.attempt).toBe(2)
    expect(second.past).toMatchObject([{ attempt: 1, head: 'Off' }])
  })
  it('may be left out with a reason, but not once it failed', () => {
    const floor = chained('floor')
    const { id } = testOf(contextOf(floor), 'probe-fault')
    const skipped = { [id]: { by: 'Ann', at: '2026-03-01T10:00:00Z', reason: 'not now' } }
    const leftOut = { ...floor.loop, proof: { ...floor.loop.proof, skipped } }
    expect(settled(testOf(loopContext(floor.job, leftOut, fieldData), id))).toBe(true)
    const { loop, job } = answered({ ...floor, loop: leftOut }, id, { open: 'number' })
    expect(settled(testOf(loopContext(job, loop, fieldData), id))).toBe(false)
  })
})

describe('what may be left out', () => {
  const floor = chained('floor')
  const by = { by: 'Ann', at: '2026-03-01T10:00:00Z' }
  /** A test that was found so in its first take and begun anew, left out with a reason or not. */
  const begunAnew = (start: string, verdict: 'good' | 'look' | undefined, reason?: string) => {
    const { id } = testOf(contextOf(floor), start)
    const proof = {
      readings: {},
      attempts: { [id]: { attempt: 2 } },
      ...(verdict ? { past: { p: { order: 1, test: id, attempt: 1, verdict, head: 'Found', ...by } } } : {}),
      ...(reason ? { skipped: { [id]: { ...by, reason } } } : {}),
    }
    return testOf(loopContext(floor.job, { ...floor.loop, proof }, fieldData), id)
  }
  it.each([
    ['one that failed, begun anew and left out', 'probe-fault', 'look', 'no time', false],
    ['one whose first take has no record', 'probe-fault', undefined, 'no time', false],
    ['one that was good, begun anew and left out', 'probe-fault', 'good', 'no time', true],
    ['one that nobody has to make, once it failed', 'warm-up', 'look', undefined, false],
    ['one that nobody has to make, once it was good', 'warm-up', 'good', undefined, true],
  ] as const)('%s', (_, start, verdict, reason, is) => expect(settled(begunAnew(start, verdict, reason))).toBe(is))
  it('never one that proves a safety, whoever wrote the reason', () => {
    const { id } = testOf(contextOf(floor), 'limiter')
    const loop = { ...floor.loop, proof: { readings: {}, skipped: { [id]: { ...by, reason: 'it is new' } } } }
    const test = testOf(loopContext(floor.job, loop, fieldData), id)
    expect([settled(test), mayLeaveOut(test)]).toEqual([false, false])
  })
  it('a step without a reading waits, whatever is said of it', () => {
    const { id, steps } = testOf(contextOf(floor), 'limiter')
    const readings = Object.fromEntries(
      steps.map((step, i) => [
        step.id,
        { order: i + 1, test: id, step: step.id, text: '', unit: '', state: 'none' as const, why: 'trust me', ...by },
      ]),
    )
    const test = testOf(loopContext(floor.job, { ...floor.loop, proof: { readings } }, fieldData), id)
    expect(test.result.verdict).toBe('waiting')
  })
  it('a test that is made dead says nothing of power', () => {
    const room = chained('room', {}, ['mains-230-10', 'bunting', 'panel-heater-1500'])
    expect(testOf(contextOf(room), 'dial').safety).toEqual([
      expect.stringMatching(/^Isolated, locked off, proved dead/),
    ])
  })
})

describe('what an instrument may err', () => {
  const meter = { order: 1, name: 'Vole', errs: { temperature: { fixed: 0.5 }, voltage: { fixed: 0.01, percent: 1 } } }
  const floor = chained('floor')
  const withMeter = (name: Partial<typeof meter> & { due?: string } = {}) => ({
    ...floor,
    job: { ...floor.job, instruments: { m: { ...meter, ...name } } },
  })
  it.each([
    ['temperature', 20, 0.5],
    ['voltage', 10, 0.11],
    ['current', 1, undefined],
  ] as const)('%s at %p: %p', (quantity, value, errs) => expect(mayErr(meter, quantity, value)).toBe(errs))
  it('is said in the units of whoever reads', () => {
    expect(errsWords(meter, wordsFor({ temperatureUnit: 'C', system: 'metric' }))).toBe(
      'temperature \u00b1 0.50\u00a0K; voltage \u00b1 0.01\u00a0V + 1\u00a0% of reading',
    )
    expect(errsWords(meter, wordsFor({ temperatureUnit: 'F', system: 'us' }))).toContain('0.90\u00a0°F')
  })
  it('is taken from those that are out today', () => {
    const job = { ...withMeter().job, kit: { '2026-03-01': { m: true as const } } }
    expect(instrumentFor(job, '2026-03-01', 'temperature')?.name).toBe('Vole')
    expect(instrumentFor(job, '2026-03-01', 'current')).toBeUndefined()
    expect(instrumentFor(job, '2026-03-02', 'temperature')).toBeUndefined()
  })
  it('over a third of the tolerance nothing can be told', () => {
    const { id } = testOf(contextOf(floor), 'rise-and-fall')
    const read = { 'rise-1': 28, 'fall-1': 27, 'rise-2': 28, 'fall-2': 27 }
    const coarse = testOf(answered(withMeter(), id, read, { instrument: 'm' }), id)
    expect(coarse.result.verdict).toBe('cannot-tell')
    expect(coarse.result.reason).toContain('Vole')
    const fine = testOf(
      answered(withMeter({ errs: { temperature: { fixed: 0.1 }, voltage: { fixed: 0, percent: 0 } } }), id, read, {
        instrument: 'm',
      }),
      id,
    )
    expect(fine.result.verdict).toBe('good')
  })
  it('says when its check had run out on the day of the reading', () => {
    const { id } = testOf(contextOf(floor), 'rise-and-fall')
    const edited = withMeter({
      due: '2026-02-28',
      errs: { temperature: { fixed: 0.1 }, voltage: { fixed: 0, percent: 0 } },
    })
    expect(testOf(answered(edited, id, { 'rise-1': 28 }, { instrument: 'm' }), id).steps[0]!.main.says).toContain(
      '2026-02-28',
    )
    const before = withMeter({
      due: '2026-03-02',
      errs: { temperature: { fixed: 0.1 }, voltage: { fixed: 0, percent: 0 } },
    })
    expect(
      testOf(answered(before, id, { 'rise-1': 28 }, { instrument: 'm' }), id).steps[0]!.main.outOfDate,
    ).toBeUndefined()
  })
})

describe('what is told of a step', () => {
  const floor = chained('floor')
  const { words } = contextOf(floor)
  it('in the units of whoever reads', () => {
    const test = judged(floor, 'rise-and-fall', { 'rise-1': 28.2, 'fall-1': null })
    expect(test.steps.map(({ main }) => readText(main))).toEqual(['28.2', 'does not switch', '', ''])
    expect(shouldText(test.steps[0]!.main.ask, words)).toBe('28.0\u00a0°C \u00b1 0.5\u00a0K')
  })
  it('one-sided and two-sided', () => {
    const [, trip] = testOf(contextOf(floor), 'limiter').steps
    expect(shouldText(trip!.main.ask, words)).toMatch(/ to /)
    const { ask } = testOf(contextOf(chained('enclosure')), 'cooler').steps[1]!.main
    expect(shouldText(ask, words)).toBe('8.0\u00a0K at least')
  })
})
