/** @jest-environment jsdom */
import { afterEach, describe, expect, it, jest } from '@jest/globals'
import { cleanup, screen } from '@testing-library/react'
import userEvent from '@testing-library/user-event'
import type { UnitPreferences } from '@nachtigal/core/units/quantity'
import { renderPiece } from '../testing/render'
import { NumberField } from './NumberField'

afterEach(() => {
  cleanup()
  sessionStorage.clear()
})

const metric: UnitPreferences = { temperatureUnit: 'C', system: 'metric' }
const us: UnitPreferences = { temperatureUnit: 'F', system: 'us' }
type Props = Parameters<typeof NumberField>[0]

function field(props: Partial<Props> = {}) {
  const onCommit = jest.fn<(value: number | undefined, typed: string) => string | undefined>(() => undefined)
  const all: Props = {
    label: 'Swing',
    draftKey: 'swing',
    value: 1,
    quantity: 'difference',
    preferences: metric,
    over: 0,
    high: 20,
    required: true,
    onCommit,
    ...props,
  }
  const made = renderPiece(<NumberField {...all} />)
  return {
    ...made,
    onCommit,
    input: screen.getByRole<HTMLInputElement>('textbox', { name: all.label }),
    show: (next: Partial<Props>) => made.rerender(<NumberField {...all} {...next} />),
  }
}

async function type(input: HTMLInputElement, text: string) {
  await userEvent.clear(input)
  if (text) await userEvent.type(input, text)
  await userEvent.keyboard('{Enter}')
}

describe('NumberField', () => {
  it.each([
    ['2', 2],
    ['1,5', 1.5],
    ['0.25', 0.25],
    [' 3 ', 3],
  ])('takes %p as %d K', async (typed, value) => {
    const { input, onCommit } = field()
    await type(input, typed)
    expect(onCommit).toHaveBeenCalledWith(value, typed.trim())
    expect(screen.queryByRole('alert')).toBeNull()
  })
  it('takes five degrees Fahrenheit of swing as 2.78 K, not as a temperature', async () => {
    const { input, onCommit } = field({ preferences: us })
    expect(input.value).toBe('1.8')
    await type(input, '5')
    expect(onCommit.mock.calls[0]![0]).toBeCloseTo(25 / 9, 9)
  })
  it('takes the unit that is typed along, and hands on what was typed', async () => {
    const { input, onCommit } = field()
    await type(input, '9 °F')
    expect(onCommit.mock.calls[0]![0]).toBeCloseTo(5, 9)
    expect(onCommit.mock.calls[0]![1]).toBe('9 °F')
  })
  it('shows a temperature in the unit that is looked at', () => {
    expect(field({ quantity: 'temperature', value: 28, preferences: us }).input.value).toBe('82.4')
  })
  it.each([
    ['0', 'Swing is 0\u00a0K: it takes over 0.0\u00a0K, up to 20.0\u00a0K.'],
    ['-15', 'Swing is -15\u00a0K: it takes over 0.0\u00a0K, up to 20.0\u00a0K.'],
    ['21', 'Swing is 21\u00a0K: it takes over 0.0\u00a0K, up to 20.0\u00a0K.'],
    ['wide', 'Swing is “wide”: it takes over 0.0\u00a0K, up to 20.0\u00a0K.'],
    ['1e3', 'Swing is “1e3”: it takes over 0.0\u00a0K, up to 20.0\u00a0K.'],
    ['2 ft', 'Swing is “2 ft”: it takes over 0.0\u00a0K, up to 20.0\u00a0K, in K, °F.'],
    ['90 °F', 'Swing is 90 °F: it takes over 0.0\u00a0K, up to 20.0\u00a0K.'],
    ['', 'Swing is empty: it takes over 0.0\u00a0K, up to 20.0\u00a0K.'],
  ])('refuses %p by name, with what is allowed, and keeps what was typed', async (typed, message) => {
    const { input, onCommit } = field()
    await type(input, typed)
    expect(onCommit).not.toHaveBeenCalled()
    expect(screen.getByRole('alert').textContent).toBe(message)
    expect(input.value).toBe(typed)
    expect(input.getAttribute('aria-invalid')).toBe('true')
    expect(document.getElementById(input.getAttribute('aria-describedby')!)).not.toBeNull()
  })
  it('says nothing while one is still typing', async () => {
    const { input } = field()
    await userEvent.clear(input)
    await userEvent.type(input, 'wi')
    expect(screen.queryByRole('alert')).toBeNull()
  })
  it('keeps a draft over the life of the screen and on the device', async () => {
    const { input, store, unmount } = field()
    await type(input, 'wide')
    unmount()
    expect(store.getState().drafts['swing']).toBe('wide')
    expect(sessionStorage.getItem('nachtigal.drafts')).toContain('wide')
    const again = field()
    expect(again.input.value).toBe('wide')
    expect(screen.getByRole('alert')).toBeTruthy()
  })
  it('goes back to what it was on Escape', async () => {
    const { input, onCommit } = field()
    await userEvent.clear(input)
    await userEvent.type(input, '9{Escape}')
    expect(input.value).toBe('1.0')
    expect(onCommit).not.toHaveBeenCalled()
  })
  it('commits when it is left, and only what changed', async () => {
    const { input, onCommit } = field()
    await userEvent.click(input)
    await userEvent.tab()
    expect(onCommit).not.toHaveBeenCalled()
    await userEvent.clear(input)
    await userEvent.type(input, '4')
    await userEvent.tab()
    expect(onCommit).toHaveBeenCalledTimes(1)
  })
  it.each([
    ['{ArrowUp}', 1.1],
    ['{ArrowDown}', 0.9],
    ['{Shift>}{ArrowUp}{/Shift}', 2],
  ])('moves by a step on %s', async (keys, value) => {
    const { input, onCommit } = field({ stepSi: 0.1 })
    await userEvent.click(input)
    await userEvent.keyboard(keys)
    expect(onCommit.mock.calls.at(-1)![0]).toBeCloseTo(value, 9)
  })
  it('shows what whoever keeps it answers, and keeps what was typed', async () => {
    const { input } = field({ onCommit: () => 'Something newer stands there.' })
    await type(input, '2')
    expect(screen.getByRole('alert').textContent).toBe('Something newer stands there.')
    expect(input.value).toBe('2')
  })
  it('may be emptied where it is not required', async () => {
    const { input, onCommit } = field({ required: false })
    await type(input, '')
    expect(onCommit).toHaveBeenCalledWith(undefined, '')
  })
  it('shows a finding by shape beside the unit', () => {
    const { container } = field({ finding: 'look' })
    expect(container.querySelector('.comb.look svg')).not.toBeNull()
  })
})
