import { expect, it } from '@jest/globals'
import { aboutTime } from './aboutTime'

it.each([
  [0, 'about 1 s'],
  [3400, 'about 3 s'],
  [41_000, 'about 40 s'],
  [88_000, 'about 90 s'],
  [91_000, 'about 2 min'],
  [185_000, 'about 3 min'],
  [5_399_000, 'about 90 min'],
  [7_300_000, 'about 2 h'],
])('%d ms is %s', (ms, words) => {
  // A figure and its unit stay on one line.
  expect(aboutTime(ms)).toMatch(/\d\u00a0\D/)
  expect(aboutTime(ms).replace('\u00a0', ' ')).toBe(words)
})
