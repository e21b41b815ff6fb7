/** @jest-environment jsdom */
import { describe, expect, it } from '@jest/globals'
import { act, renderHook } from '@testing-library/react'
import { LONG_RUN_MS } from '@nachtigal/core/simulate/longRun'
import type { Scenario } from '@nachtigal/core/simulate/scenario'
import type { Simulator } from '../../workers/simulator'
import { useRun } from './useRun'

type Asked = Parameters<Simulator['run']>[0]
const scenario = (durationS: number) => ({ durationS }) as Scenario
const report = (durationS: number) => ({ of: durationS }) as never

/** The hook with a simulator whose runs the test ends as it likes. */
function running(first: Scenario | undefined) {
  const asked: Asked[] = []
  let stops = 0
  const simulator = {
    run: (given: Asked) => asked.push(given),
    stop: () => stops++,
  } as unknown as Simulator
  const { result, rerender } = renderHook(({ of }) => useRun(simulator, of, 300), { initialProps: { of: first } })
  return { asked, result, run: (of: Scenario | undefined) => rerender({ of }), stops: () => stops }
}

describe('useRun', () => {
  it('runs what it is given, and has its report when it is done', () => {
    const { asked, result } = running(scenario(1))
    expect(result.current.status).toBe('running')
    expect(asked[0]!.mayTakeMs).toBe(LONG_RUN_MS)
    act(() => asked[0]!.settle(report(1)))
    expect(result.current).toMatchObject({ status: 'done', share: 1, turn: 1, report: { of: 1 } })
  })
  it('nothing is run where there is nothing to run', () => {
    const { asked, result } = running(undefined)
    expect([asked.length, result.current.status]).toEqual([0, 'idle'])
  })
  it('the report of an older run stays in sight while a newer one runs', () => {
    const { asked, result, run } = running(scenario(1))
    act(() => asked[0]!.settle(report(1)))
    run(scenario(2))
    expect(result.current).toMatchObject({ status: 'running', report: { of: 1 } })
    act(() => asked[1]!.settle(report(2)))
    expect(result.current).toMatchObject({ status: 'done', turn: 2, report: { of: 2 } })
  })
  it('an older run that ends late does not end the newer one', () => {
    const { asked, result, run } = running(scenario(1))
    run(scenario(2))
    act(() => asked[0]!.fail(new Error('old')))
    act(() => asked[0]!.takesLong(9e9))
    expect(result.current.status).toBe('running')
  })
  it('one that would take long is told, and run when it is wanted all the same', () => {
    const { asked, result } = running(scenario(1))
    act(() => asked[0]!.takesLong(42_000))
    expect(result.current).toMatchObject({ status: 'long', takesMs: 42_000 })
    act(() => result.current.goAhead())
    expect(asked[1]!.mayTakeMs).toBe(Infinity)
  })
  it('a fault is told, and the same is run again when asked', () => {
    const { asked, result } = running(scenario(1))
    act(() => asked[0]!.fail(new Error('out of memory')))
    expect(result.current).toMatchObject({ status: 'failed', message: 'out of memory' })
    act(() => result.current.again())
    expect([asked.length, result.current.status, result.current.message]).toEqual([2, 'running', undefined])
  })
  it('is stopped with its worker', () => {
    const { result, stops } = running(scenario(1))
    act(() => result.current.stop())
    expect([result.current.status, stops()]).toEqual(['stopped', 1])
  })
})
