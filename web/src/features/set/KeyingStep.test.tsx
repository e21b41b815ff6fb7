/** @jest-environment jsdom */
import { afterEach, describe, expect, it } from '@jest/globals'
import { cleanup, fireEvent, screen } from '@testing-library/react'
import { plannedFloor } from '@nachtigal/core/testing/warmFloor'
import { PHONE } from '../../lib/useMedia'
import { pageInLoop } from '../../testing/inLoop'
import { KeyingStep } from './KeyingStep'

/** The sheet on a screen of one size. */
function keying({ phone, at }: { readonly phone: boolean; readonly at?: string }) {
  const listener = () => undefined
  // No page of the tests has a place to scroll to.
  Element.prototype.scrollIntoView = listener
  globalThis.matchMedia = ((query: string) => ({
    ...{ matches: query === PHONE && phone, media: query },
    ...{ addEventListener: listener, removeEventListener: listener },
  })) as never
  return pageInLoop(plannedFloor(), <KeyingStep />, at)
}
const codes = () => [...document.querySelectorAll('tr[data-code]')].map((row) => row.getAttribute('data-code')!)
const shown = () => document.querySelector('.key-one .mono')?.textContent

describe('KeyingStep', () => {
  afterEach(cleanup)
  it('is a whole sheet on the desk, and one value after another on the phone', () => {
    keying({ phone: false })
    expect(codes().length).toBeGreaterThan(2)
    cleanup()
    keying({ phone: true })
    expect([codes().length, shown() !== undefined]).toEqual([0, true])
  })
  it('a parameter found by its code is marked on the sheet, and opened on the phone', () => {
    keying({ phone: false })
    const last = codes().at(-1)!
    cleanup()
    keying({ phone: false, at: `/?code=${last}` })
    expect(document.querySelector('tr[aria-current]')?.getAttribute('data-code')).toBe(last)
    cleanup()
    keying({ phone: true, at: `/?code=${last}` })
    expect(shown()).toBe(last)
  })
  it('keying the one that was found goes on to the next; it does not turn to the whole sheet', () => {
    keying({ phone: false })
    const [first, second] = codes()
    cleanup()
    keying({ phone: true, at: `/?code=${first}` })
    fireEvent.click(screen.getByRole('button', { name: /^It shows/ }))
    expect([codes().length, shown()]).toEqual([0, second])
  })
})
