/** @jest-environment jsdom */
import { describe, expect, it } from '@jest/globals'
import { act, renderHook, waitFor } from '@testing-library/react'
import type { ReactNode } from 'react'
import { Provider } from 'react-redux'
import type { LogVerdict } from '@nachtigal/contract/api'
import { createStore } from '../../state/store'
import { answering } from '../../testing/answering'
import { useChain } from './useChain'

/** The hook over a log that is looked at so many rows at a time. */
function chain(verdict: (from: number) => LogVerdict | 'away') {
  const asked = answering(({ at }) => {
    const from = Number(new URL(at, 'http://x').searchParams.get('from') ?? 0)
    const body = verdict(from)
    return body === 'away' ? { status: 503, body: {} } : { body }
  })
  const store = createStore()
  const wrapper = ({ children }: { readonly children: ReactNode }) => <Provider store={store}>{children}</Provider>
  return { asked, ...renderHook(() => useChain('j', 250), { wrapper }) }
}
const hundredAtATime = (from: number): LogVerdict => ({ rows: 250, checked: Math.min(250, from + 100) })

describe('useChain', () => {
  it('goes on from where it is known until every row was looked at', async () => {
    const { asked, result } = chain(hundredAtATime)
    await waitFor(() => expect(result.current.verdict?.checked).toBe(250))
    expect(asked.map(({ at }) => new URL(at, 'http://x').search)).toEqual(['', '?from=100', '?from=200'])
    await waitFor(() => expect(result.current.busy).toBe(false))
  })
  it('stops at the row that does not follow, and names it', async () => {
    const { asked, result } = chain((from) => ({ ...hundredAtATime(from), ...(from >= 100 ? { brokenAt: 140 } : {}) }))
    await waitFor(() => expect(result.current.verdict?.brokenAt).toBe(140))
    await waitFor(() => expect(result.current.busy).toBe(false))
    expect(asked).toHaveLength(2)
  })
  it('begins with the first row when all of them are asked for', async () => {
    const { asked, result } = chain(hundredAtATime)
    await waitFor(() => expect(result.current.busy).toBe(false))
    const before = asked.length
    act(() => result.current.all())
    await waitFor(() => expect(asked.length).toBe(before + 3))
    expect(asked[before]!.at).toContain('from=0')
  })
  it('keeps what it knows where the server does not answer', async () => {
    const { result } = chain((from) => (from === 0 ? hundredAtATime(0) : 'away'))
    await waitFor(() => expect(result.current.busy).toBe(false))
    expect(result.current.verdict).toEqual({ rows: 250, checked: 100 })
  })
  it('is stopped by hand: nothing more is asked', async () => {
    const { asked, result } = chain(hundredAtATime)
    act(() => result.current.stop())
    await act(() => new Promise((resolve) => setTimeout(resolve, 50)))
    expect([asked.length, result.current.busy]).toEqual([1, false])
  })
})
