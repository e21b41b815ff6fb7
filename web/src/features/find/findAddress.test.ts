import { expect, it } from '@jest/globals'
import { findAddress } from './findAddress'

it.each([
  [{ at: ['log'] }, '/jobs/j/log'],
  [{ loop: 'l', at: ['wire', 'a.1~b.2'] }, '/jobs/j/loops/l/wire/a.1~b.2'],
  [{ loop: 'l', at: ['prove', 'find?symptom=never warm'] }, '/jobs/j/loops/l/prove/find?symptom=never%20warm'],
  [{ loop: 'l', at: ['wire', 'a/b'] }, '/jobs/j/loops/l/wire/a%2Fb'],
  [{ at: [] }, '/jobs/j'],
])('%j is at %s', (entry, address) => {
  expect(findAddress('j', entry)).toBe(address)
})
