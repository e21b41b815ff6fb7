import { describe, expect, it } from '@jest/globals'
import { tenfold } from './tenfold'

describe('tenfold', () => {
  it.each([
    [2, 20, 0.1],
    [200, 20, 10],
    [2.8, 27.8, 0.1],
    [-50, -5, 10],
    [20, 20, undefined],
    [19, 20, undefined],
    [4, 20, undefined],
    [-2, 20, undefined],
    [0, 20, undefined],
    [5, 0, undefined],
    [NaN, 20, undefined],
  ])('%s for %s: %s', (read, wanted, is) => expect(tenfold(read, wanted)).toBe(is))
})
