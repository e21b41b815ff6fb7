/** @jest-environment jsdom */
import { beforeEach, describe, expect, it } from '@jest/globals'
import { act, renderHook } from '@testing-library/react'
import type { ReactNode } from 'react'
import { Provider } from 'react-redux'
import { MemoryRouter, useLocation } from 'react-router'
import { createStore } from '../../state/store'
import { useImport } from './useImport'

/** A request that the test answers as it likes. */
class Sending {
  static last: Sending
  static count = 0
  status = 0
  responseText = ''
  upload: { onprogress?: (event: { loaded: number; total: number }) => void } = {}
  onload?: () => void
  onerror?: () => void
  onabort?: () => void
  constructor() {
    Sending.last = this
    Sending.count++
  }
  open() {}
  setRequestHeader() {}
  send() {}
  abort() {
    this.onabort?.()
  }
  answer(status: number, text: string) {
    Object.assign(this, { status, responseText: text })
    this.onload?.()
  }
}
beforeEach(() => {
  Sending.count = 0
  Object.assign(globalThis, { XMLHttpRequest: Sending })
})

const file = new File(['{}'], 'night <b>.json')
function opening() {
  const store = createStore()
  const wrapper = ({ children }: { readonly children: ReactNode }) => (
    <Provider store={store}>
      <MemoryRouter>{children}</MemoryRouter>
    </Provider>
  )
  return renderHook(() => ({ ...useImport(), at: useLocation().pathname }), { wrapper }).result
}
const begun = async () => {
  const result = opening()
  let ended: Promise<void> | undefined
  act(() => {
    ended = result.current.open(file)
  })
  return { result, ended: () => act(() => ended) }
}

describe('useImport', () => {
  it('says how much was sent, and goes to the job once it is taken in', async () => {
    const { result, ended } = await begun()
    expect(result.current.sent).toBe(0)
    act(() => Sending.last.upload.onprogress!({ loaded: 3, total: 4 }))
    expect(result.current.sent).toBe(0.75)
    Sending.last.answer(201, '{"jobId":"abc"}')
    await ended()
    expect([result.current.sent, result.current.problem, result.current.at]).toEqual([
      undefined,
      undefined,
      '/jobs/abc',
    ])
  })
  it.each([
    [422, '{"error":{"message":"loops.a.name is a number"}}', 'night <b>.json: loops.a.name is a number'],
    [500, '<html>', 'night <b>.json: The server answered 500. Nothing was opened; try again.'],
    [201, '{}', 'night <b>.json: The server answered 201.'],
  ])('an answer of %s is told with the file’s name, and nothing is gone to', async (status, text, says) => {
    const { result, ended } = await begun()
    Sending.last.answer(status, text)
    await ended()
    expect([result.current.problem, result.current.at]).toEqual([says, '/'])
  })
  it('is stopped by hand', async () => {
    const { result, ended } = await begun()
    act(() => result.current.stop())
    await ended()
    expect(result.current.problem).toContain('Stopped. Nothing of the file was kept.')
  })
  it('a second file waits for its turn: one is sent at a time', async () => {
    const { result, ended } = await begun()
    await act(() => result.current.open(file))
    expect(Sending.count).toBe(1)
    Sending.last.answer(201, '{"jobId":"abc"}')
    await ended()
  })
})
