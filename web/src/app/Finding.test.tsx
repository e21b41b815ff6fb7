/** @jest-environment jsdom */
import { describe, expect, it, jest } from '@jest/globals'
import { act, render, screen } from '@testing-library/react'
import userEvent from '@testing-library/user-event'
import { lazy } from 'react'
import { Finding, type FindingProps } from './Finding'

/** A sheet that is fetched when the test says so. */
function fetched() {
  let arrive!: () => void
  const Sheet = ({ begun }: FindingProps) => <p>looks for {begun}</p>
  const sheet = lazy(
    () =>
      new Promise<{ default: typeof Sheet }>((resolve) => {
        arrive = () => resolve({ default: Sheet })
      }),
  )
  return { sheet, arrive: () => act(async () => Promise.resolve(arrive())) }
}

describe('Finding', () => {
  it('what is typed before the sheet is here goes on in it', async () => {
    const { sheet, arrive } = fetched()
    render(<Finding sheet={sheet} onClose={() => undefined} />)
    await userEvent.setup().keyboard('ground')
    await arrive()
    expect(screen.getByText('looks for ground')).toBeTruthy()
    expect(screen.queryByRole('textbox')).toBeNull()
  })
  it('is closed by Escape before it is here', async () => {
    const onClose = jest.fn()
    render(<Finding sheet={fetched().sheet} onClose={onClose} />)
    await userEvent.setup().keyboard('g{Escape}')
    expect(onClose.mock.calls.length).toBe(1)
  })
})
