/** @jest-environment jsdom */
import { expect, it, jest } from '@jest/globals'
import { render, screen } from '@testing-library/react'
import userEvent from '@testing-library/user-event'
import { useState } from 'react'
import { DateField } from './DateField'

function Held({ onKeep }: { onKeep?: (day: string) => string | undefined }) {
  const [day, setDay] = useState('')
  return (
    <DateField
      label="Next test on"
      value={day}
      today="2026-02-10"
      onKeep={(next) => {
        const refused = onKeep?.(next)
        if (refused === undefined) setDay(next)
        return refused
      }}
    />
  )
}
const field = () => screen.getByRole('textbox', { name: 'Next test on' }) as HTMLInputElement

it.each(['2026-02-30', 'next spring', '30.9.2027'])('%s is no day: it says so, and nothing is lost', async (typed) => {
  const keep = jest.fn<(day: string) => undefined>()
  render(<Held onKeep={keep} />)
  await userEvent.type(field(), typed)
  await userEvent.tab()
  expect(screen.getByRole('alert').textContent).toBe(
    `Next test on is \u201c${typed}\u201d: it takes a day such as 2026-02-10.`,
  )
  expect(field().value).toBe(typed)
  expect(keep).not.toHaveBeenCalled()
})

it('a day that is tapped stands in the field, also after something wrong was typed', async () => {
  render(<Held />)
  await userEvent.type(field(), 'soon')
  await userEvent.click(screen.getByRole('button', { name: 'Next test on: calendar' }))
  await userEvent.click(await screen.findByRole('button', { name: /February 28/ }))
  expect(field().value).toBe('2026-02-28')
  expect(screen.queryByRole('dialog')).toBeNull()
})

it('what is refused is said in the calendar, which stays open', async () => {
  render(<Held onKeep={() => 'The loop was handed over.'} />)
  await userEvent.click(screen.getByRole('button', { name: 'Next test on: calendar' }))
  await userEvent.click(await screen.findByRole('button', { name: /February 28/ }))
  expect((await screen.findByRole('alert')).textContent).toBe('The loop was handed over.')
  expect(field().value).toBe('')
})
