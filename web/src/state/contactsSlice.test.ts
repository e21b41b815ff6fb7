import { describe, expect, it } from '@jest/globals'
import { contactFlipped, contactsReducer, contactsSet } from './contactsSlice'

const begin = () => contactsReducer(undefined, { type: 'none' })

describe('contacts held closed on the screen', () => {
  it('a flip closes, a second one opens again', () => {
    const once = contactsReducer(begin(), contactFlipped({ loop: 'a', name: 'S1' }))
    expect(once).toEqual({ a: ['S1'] })
    expect(contactsReducer(once, contactFlipped({ loop: 'a', name: 'S1' }))).toEqual({ a: [] })
  })
  it('each loop has its own', () => {
    const one = contactsReducer(begin(), contactFlipped({ loop: 'a', name: 'S1' }))
    expect(contactsReducer(one, contactFlipped({ loop: 'b', name: 'S1' }))).toEqual({ a: ['S1'], b: ['S1'] })
  })
  it('a row of the table sets them all at once', () =>
    expect(contactsReducer({ a: ['S1'] }, contactsSet({ loop: 'a', names: ['A1', 'F1'] }))).toEqual({
      a: ['A1', 'F1'],
    }))
})
