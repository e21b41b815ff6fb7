/** @jest-environment jsdom */
import { beforeEach, describe, expect, it } from '@jest/globals'
import { fireEvent, screen, within } from '@testing-library/react'
import userEvent from '@testing-library/user-event'
import { profileRefusal } from '@nachtigal/contract/profileRefusal'
import { leaflet } from '@nachtigal/core/device/leaflet'
import { calcData } from '@nachtigal/core/testing/calcData'
import { device } from '@nachtigal/core/testing/loops'
import type { UnitPreferences } from '@nachtigal/core/units/quantity'
import { wordsFor } from '@nachtigal/core/words/words'
import { renderPiece } from '../../testing/render'
import { DeviceForm } from './DeviceForm'
import { ShelfContext } from './shelfContext'

const metric: UnitPreferences = { temperatureUnit: 'C', system: 'metric' }
const us: UnitPreferences = { temperatureUnit: 'F', system: 'us' }
const dipper = device('dipper')

const form = (from?: typeof dipper, preferences = metric) => (
  <ShelfContext.Provider
    value={{
      profiles: [dipper],
      broken: [],
      own: new Set(),
      calcData,
      words: wordsFor(preferences),
      preferences,
      base: '/shelf',
    }}
  >
    <DeviceForm {...(from ? { from } : {})} />
  </ShelfContext.Provider>
)
const type = (name: string | RegExp, text: string) =>
  fireEvent.change(screen.getByRole('textbox', { name }), { target: { value: text } })
const pick = (name: string | RegExp, value: string) =>
  fireEvent.change(screen.getByRole('combobox', { name }), { target: { value } })

beforeEach(() => sessionStorage.clear())
// The page of the tests lays nothing out; ticks measure themselves.
globalThis.ResizeObserver = class {
  observe() {}
  unobserve() {}
  disconnect() {}
}

describe('DeviceForm', () => {
  it('makes a whole probe of what a leaflet says, and nothing else', async () => {
    const { store } = renderPiece(form())
    const draft = () => JSON.parse(store.getState().drafts['shelf/new']!) as Record<string, unknown>
    pick('What it is', 'probe')
    type('Name', 'Reed probe')
    type('In a few words', 'platinum, three wires')
    const terminals = () => screen.getByRole('group', { name: /^Terminals/ })
    for (const label of ['1', '2']) {
      await userEvent.click(within(terminals()).getByRole('button', { name: /^Add a terminal/ }))
      const fields = within(terminals()).getAllByRole('textbox', { name: /^Printed/ })
      fireEvent.change(fields.at(-1)!, { target: { value: label } })
      const sorts = within(terminals()).getAllByRole('combobox')
      fireEvent.change(sorts.at(-1)!, { target: { value: 'extra-low' } })
    }
    const { terminals: held } = draft() as { terminals: Record<string, unknown> }
    const [one, two] = Object.keys(held)
    pick(/^Add a use/, 'probe-out')
    type(/^Called/, 'leads')
    const feet = within(screen.getByRole('group', { name: /^What the terminals/ })).getAllByRole('combobox')
    fireEvent.change(feet[0]!, { target: { value: one } })
    fireEvent.change(feet[1]!, { target: { value: two } })
    // As far as it is filled in it is refused by the field that is still missing.
    expect(profileRefusal({ ...draft(), id: 'reed' })?.field).toMatch(/^probe/)
    type('Good for', '0.3')
    type('Lag, 63 %', '20')
    type('Bears from', 'cold')
    expect(screen.getByText(/Bears from is .cold.: it takes a number/)).toBeTruthy()
    type('Bears from', '-30')
    const curve = screen.getByRole('combobox', { name: 'Curve' }) as HTMLSelectElement
    const platinum = [...curve.options].find(({ text }) => /Pt1000/i.test(text))!
    fireEvent.change(curve, { target: { value: platinum.value } })
    const made = { ...draft(), id: 'reed' }
    expect(profileRefusal(made)).toBeUndefined()
    expect(made).toMatchObject({
      category: 'probe',
      name: 'Reed probe',
      probe: { toleranceK: 0.3, lagS: 20, lowC: -30, curve: { kind: 'rtd', r0Ohm: 1000 } },
    })
    expect(leaflet(made as unknown as typeof dipper, calcData.parts, wordsFor(metric)).length).toBeGreaterThan(0)
  })
  it('reads temperatures in the units that are shown, and keeps them in SI', () => {
    const { store } = renderPiece(form(undefined, us))
    pick('What it is', 'probe')
    type('Bears to', '212')
    type('Good for', '1.8')
    const { probe } = JSON.parse(store.getState().drafts['shelf/new']!) as { probe: Record<string, number> }
    expect(probe['highC']).toBeCloseTo(100, 9)
    expect(probe['toleranceK']).toBeCloseTo(1, 9)
  })
  it('keeps what was typed when another sort of device is chosen, and begins again only when told', async () => {
    const { store } = renderPiece(form())
    type('Name', 'Reed')
    pick('What it is', 'load')
    expect((screen.getByRole('textbox', { name: 'Name' }) as HTMLInputElement).value).toBe('Reed')
    await userEvent.click(screen.getByRole('button', { name: 'Start again' }))
    expect(store.getState().drafts['shelf/new']).toBeUndefined()
    expect((screen.getByRole('textbox', { name: 'Name' }) as HTMLInputElement).value).toBe('')
  })
  // By text, not by role: what a reader is told of some hundred fields takes this page a minute to find out.
  it('shows every part of a device that is copied: form and JSON say the same', () => {
    const { container } = renderPiece(form(dipper))
    fireEvent.click(screen.getByText('As JSON'))
    const { version: _version, ...bare } = dipper
    expect(JSON.parse(container.querySelector('textarea')!.value)).toEqual({ ...bare, name: `${dipper.name} copy` })
    fireEvent.click(screen.getByText('As a form'))
    const shown = [...container.querySelectorAll('input')].map(({ value }) => value)
    expect(shown).toEqual(expect.arrayContaining(Object.keys(dipper.controller!.parameters)))
  })
})
