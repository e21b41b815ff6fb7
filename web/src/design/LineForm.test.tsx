/** @jest-environment jsdom */
import { expect, it, jest } from '@jest/globals'
import { render, screen } from '@testing-library/react'
import userEvent from '@testing-library/user-event'
import { LineForm } from './LineForm'

const form = (onKeep: (line: string) => string | undefined) => (
  <LineForm label="Reason" empty="Reason is empty: say why." most={12} submit="Leave it out" onKeep={onKeep} />
)
const field = () => screen.getByRole('textbox', { name: 'Reason' })
const save = () => userEvent.click(screen.getByRole('button', { name: 'Leave it out' }))

it('says what it takes when nothing was typed, or blanks alone', async () => {
  const keep = jest.fn(() => undefined)
  render(form(keep))
  await save()
  expect((await screen.findByRole('alert')).textContent).toBe('Reason is empty: say why.')
  await userEvent.type(field(), '   ')
  await save()
  expect(keep).not.toHaveBeenCalled()
})

it('says how long it is and may be, and loses nothing', async () => {
  render(form(() => undefined))
  await userEvent.type(field(), 'longer than that')
  await save()
  expect((await screen.findByRole('alert')).textContent).toBe('Reason has 16 characters: 12 at most.')
  expect((field() as HTMLInputElement).value).toBe('longer than that')
})

it('keeps the line without its blanks and is empty again', async () => {
  const keep = jest.fn<(line: string) => undefined>(() => undefined)
  render(form(keep))
  await userEvent.type(field(), ' not here ')
  await save()
  expect(keep).toHaveBeenCalledWith('not here')
  expect((field() as HTMLInputElement).value).toBe('')
})

it('a refusal stands at the field, with what was typed', async () => {
  render(form(() => 'Reason is locked: the loop was handed over.'))
  await userEvent.type(field(), 'not here')
  await save()
  expect((await screen.findByRole('alert')).textContent).toBe('Reason is locked: the loop was handed over.')
  expect((field() as HTMLInputElement).value).toBe('not here')
})
