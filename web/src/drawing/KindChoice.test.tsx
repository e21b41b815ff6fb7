/** @jest-environment jsdom */
import { expect, jest, test } from '@jest/globals'
import { act, fireEvent, render, screen } from '@testing-library/react'
import { useState } from 'react'
import type { LoopKind } from '@nachtigal/core/kinds/ids'
import { KindChoice } from './KindChoice'

function Asked() {
  const [kind, setKind] = useState<LoopKind>()
  return <KindChoice kind={kind} onChoose={setKind} />
}

test('a short press of an arrow chooses, though the key is up before the focus moves', () => {
  jest.useFakeTimers()
  try {
    render(<Asked />)
    const [first, second] = screen.getAllByRole('radio')
    act(() => first?.focus())
    expect(first?.getAttribute('aria-checked')).toBe('false')
    fireEvent.keyDown(first!, { key: 'ArrowDown' })
    fireEvent.keyUp(first!, { key: 'ArrowDown' })
    act(() => jest.runAllTimers())
    expect(document.activeElement).toBe(second)
    expect(second?.getAttribute('aria-checked')).toBe('true')
  } finally {
    jest.useRealTimers()
  }
})
