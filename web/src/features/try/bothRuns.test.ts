import { describe, expect, it, jest } from '@jest/globals'
import { bothRuns } from './bothRuns'
import type { RunState } from './useRun'

const run = (given: Partial<RunState>): RunState => ({
  ...{ status: 'idle', share: 0, slow: false, turn: 0, report: undefined, of: undefined, part: undefined },
  ...{ stop: jest.fn(), again: jest.fn(), goAhead: jest.fn() },
  ...given,
})

describe('bothRuns', () => {
  it('one alone is told as it is', () => {
    const only = run({ status: 'done' })
    expect(bothRuns(only, undefined)).toBe(only)
  })
  it.each([
    ['running', 'failed', 'failed'],
    ['running', 'long', 'long'],
    ['done', 'running', 'running'],
    ['stopped', 'done', 'stopped'],
    ['done', 'done', 'done'],
  ] as const)('%s and %s is %s, whichever is the first', (a, b, told) => {
    const of = (x: typeof a | typeof b, y: typeof a | typeof b) =>
      bothRuns(run({ status: x }), run({ status: y })).status
    expect([of(a, b), of(b, a)]).toEqual([told, told])
  })
  it('the longer of both is what they take, and one yes begins both', () => {
    const [a, b] = [run({ status: 'long', takesMs: 61_000 }), run({ status: 'long', takesMs: 90_000 })]
    const told = bothRuns(a, b)
    expect(told.takesMs).toBe(90_000)
    told.goAhead()
    expect([a.goAhead, b.goAhead].map((each) => jest.mocked(each).mock.calls.length)).toEqual([1, 1])
  })
  it('one that is not yet known to be long is begun with the yes too; one that is done is not run again', () => {
    const [long, runs, done] = [run({ status: 'long' }), run({ status: 'running' }), run({ status: 'done' })]
    bothRuns(long, runs).goAhead()
    bothRuns(long, done).again()
    expect(jest.mocked(runs.goAhead).mock.calls.length).toBe(1)
    expect(jest.mocked(done.again).mock.calls.length).toBe(0)
  })
  it('says why the one that failed did, and is half way when one is done', () => {
    expect(bothRuns(run({ status: 'done' }), run({ status: 'failed', message: 'gone' })).message).toBe('gone')
    expect(bothRuns(run({ status: 'done', share: 1 }), run({ status: 'running', share: 0.2 })).share).toBe(0.6)
  })
})
