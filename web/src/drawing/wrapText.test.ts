import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { linesOf } from './wrapText'

describe('linesOf', () => {
  // Ten letters of 10 px at 0.4 take 40 px.
  it.each([
    ['Pool probe', 40, 1],
    ['Pool probe', 39, 2],
    ['Flow switch slab', 44, 2],
    ['Compressorcontactor', 40, 2],
    ['a Compressorcontactor', 40, 3],
    ['', 40, 1],
  ])('%j in %d px stands in %d lines', (text, width, lines) => {
    expect(linesOf(text, width, 10)).toBe(lines)
  })
  it('never takes fewer lines in less room', () => {
    fc.assert(
      fc.property(
        fc.string({ maxLength: 80 }),
        fc.integer({ min: 10, max: 300 }),
        fc.integer({ min: 1, max: 50 }),
        (text, width, less) => {
          expect(linesOf(text, Math.max(5, width - less), 14)).toBeGreaterThanOrEqual(linesOf(text, width, 14))
        },
      ),
    )
  })
})
