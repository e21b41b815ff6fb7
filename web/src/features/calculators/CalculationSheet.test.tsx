/** @jest-environment jsdom */
import { describe, expect, it, jest } from '@jest/globals'
import { fireEvent, screen, within } from '@testing-library/react'
import userEvent from '@testing-library/user-event'
import { findCalculation } from '@nachtigal/core/calc/registry'
import { calcData } from '@nachtigal/core/testing/calcData'
import type { UnitPreferences } from '@nachtigal/core/units/quantity'
import { renderPiece } from '../../testing/render'
import { Calculators } from './calculatorsContext'

// The page of the tests has no canvas to draw curves on; the browser tests look at them.
jest.unstable_mockModule('../../drawing/picture/LinesDrawing', () => ({ LinesDrawing: () => null }))
const { CalculationSheet } = await import('./CalculationSheet')

const metric: UnitPreferences = { temperatureUnit: 'C', system: 'metric' }
const us: UnitPreferences = { temperatureUnit: 'F', system: 'us' }

const sheet = (id: string, preferences = metric) => (
  <Calculators.Provider value={{ calcData, preferences, job: null, base: '/calculators' }}>
    <CalculationSheet entry={findCalculation(id)!} />
  </Calculators.Provider>
)
const field = (name: RegExp | string) => screen.getByRole('textbox', { name })
const answer = (name: string) => {
  const list = document.querySelector('.sum-answer') as HTMLElement
  return within(list).getByText(name).nextElementSibling!.textContent
}

describe('CalculationSheet', () => {
  it('answers as one types, and says which figures are the example\u2019s', async () => {
    sessionStorage.clear()
    renderPiece(sheet('cycling.worst'))
    expect(answer('Cycles')).toBe('1\u00a0an hour')
    expect(screen.getByText('What is marked example is not yours yet.')).toBeTruthy()
    const swing = field('Swing, \u0394T')
    await userEvent.clear(swing)
    expect(screen.getByText(/Still needed: swing/)).toBeTruthy()
    await userEvent.type(swing, '0,5')
    expect(answer('Cycles')).toBe('2\u00a0an hour')
    expect(screen.getAllByText('example')).toHaveLength(2)
  })
  it('names what is wrong at its field and keeps what was typed', async () => {
    sessionStorage.clear()
    renderPiece(sheet('cycling.worst'))
    const swing = field('Swing, \u0394T')
    await userEvent.clear(swing)
    await userEvent.type(swing, 'wide')
    expect(screen.getByRole('alert').textContent).toContain('Swing is "wide"')
    expect((swing as HTMLInputElement).value).toBe('wide')
    await userEvent.clear(swing)
    await userEvent.type(swing, '-3')
    expect(screen.getByRole('alert').textContent).toBe('Swing: a number over 0\u00a0K')
  })
  it('turns a form that stands to the other units: a swing without an offset, a temperature with it', () => {
    sessionStorage.clear()
    const { rerender } = renderPiece(sheet('switching.points'))
    fireEvent.change(field('Setpoint'), { target: { value: '20' } })
    fireEvent.change(field('Swing as keyed'), { target: { value: '5' } })
    expect(answer('Switches on')).toBe('15.0\u00a0°C')
    rerender(sheet('switching.points', us))
    expect((field('Setpoint') as HTMLInputElement).value).toBe('68')
    expect((field('Swing as keyed') as HTMLInputElement).value).toBe('9')
    expect(answer('Switches on')).toBe('59.0\u00a0°F')
  })
  it('asks only what belongs to the choice', async () => {
    sessionStorage.clear()
    renderPiece(sheet('switching.points'))
    expect(screen.queryByRole('textbox', { name: 'Above' })).toBeNull()
    await userEvent.selectOptions(screen.getByRole('combobox', { name: 'The set' }), 'split')
    expect(screen.queryByRole('textbox', { name: 'Swing as keyed' })).toBeNull()
    await userEvent.type(field('Above'), '1')
    await userEvent.type(field('Below'), '0.5')
    expect(answer('Switches on')).toBe('20.5\u00a0°C')
  })
  it('adds and takes out rows, and gives a verdict in words with its shape', async () => {
    sessionStorage.clear()
    renderPiece(sheet('probe.calibrate'))
    expect(answer('Verdict')).toBe('key in the offset')
    await userEvent.click(screen.getByRole('button', { name: 'Add a pair' }))
    expect(screen.getByText(/Still needed: reference thermometer, display shows/)).toBeTruthy()
    const [, , third] = screen.getAllByRole('textbox', { name: 'Reference thermometer' })
    const [, , shown] = screen.getAllByRole('textbox', { name: 'Display shows' })
    await userEvent.type(third!, '90')
    await userEvent.type(shown!, '95')
    expect(answer('Verdict')).toContain('not an offset')
    await userEvent.click(screen.getByRole('button', { name: 'Remove pair 3' }))
    expect(answer('Verdict')).toBe('key in the offset')
  })
  it('shows text from a user as text', async () => {
    sessionStorage.clear()
    renderPiece(sheet('logic.table'))
    const contacts = field('Contacts')
    await userEvent.clear(contacts)
    fireEvent.change(contacts, { target: { value: '<img src=x onerror=alert`1`> and limit' } })
    expect(document.querySelector('img')).toBeNull()
    expect(screen.getAllByText(/<img src=x onerror=alert/).length).toBeGreaterThan(0)
  })
  it('empties the form and puts an example back', async () => {
    sessionStorage.clear()
    renderPiece(sheet('wiring.drop'))
    await userEvent.click(screen.getByRole('button', { name: 'Clear' }))
    expect((field('Length, one way, L') as HTMLInputElement).value).toBe('')
    expect(screen.getByText(/Still needed: length, one way, section, current, supply/)).toBeTruthy()
    await userEvent.click(screen.getByRole('button', { name: 'Example 2' }))
    expect((field('Length, one way, L') as HTMLInputElement).value).toBe('30')
    expect(answer('Needs')).toBe('2.5\u00a0mm²')
  })
})
