/** @jest-environment jsdom */
import { describe, expect, it } from '@jest/globals'
import { sumTyped } from './calculatorsSlice'
import { createStore } from './store'
import { themeTurned } from './viewSlice'

const preferences = { temperatureUnit: 'C', system: 'metric' } as const

describe('store', () => {
  it('puts the theme on the page before anyone who listens draws with it', () => {
    const store = createStore()
    const { theme } = store.getState().view
    expect(document.documentElement.dataset['theme']).toBe(theme)
    let seen: string | undefined
    store.subscribe(() => {
      seen = document.documentElement.dataset['theme']
    })
    store.dispatch(themeTurned())
    expect(seen).toBe(theme === 'day' ? 'night' : 'day')
  })
  it('keeps what was typed into a sum for the tab, and does without when the tab has no room', () => {
    sessionStorage.clear()
    const store = createStore()
    const typed = { id: 'cycling.worst', form: { swingK: '1,5' }, preferences, own: { swingK: true as const } }
    store.dispatch(sumTyped(typed))
    expect(createStore().getState().calculators['cycling.worst']?.form).toEqual({ swingK: '1,5' })
    const full = Storage.prototype.setItem
    Storage.prototype.setItem = () => {
      throw new DOMException('full', 'QuotaExceededError')
    }
    store.dispatch(sumTyped({ ...typed, form: { swingK: '2' } }))
    Storage.prototype.setItem = full
    expect(store.getState().calculators['cycling.worst']?.form).toEqual({ swingK: '2' })
  })
  it.each(['{"cycling', 'null', '5', ''])('starts empty on what is no form: %p', (kept) => {
    sessionStorage.setItem('nachtigal.calculators', kept)
    expect(createStore().getState().calculators).toEqual({})
  })
})
