import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { type Findable, makeFinder } from './makeFinder'

const entry = (id: string, kind: Findable['kind'], what: string, more: Partial<Findable> = {}): Findable => ({
  ...{ id, kind, what, where: 'Seal pool', at: [] },
  ...more,
})
const entries = [
  entry('l1', 'loop', 'Seal pool', { where: 'Pool or tank' }),
  entry('w17', 'wire', 'Wire 17 X1 PE to M1 PE', { words: 'earth green-yellow' }),
  entry('w1', 'wire', 'Wire 1 X1 L to A1 1', { words: 'line brown' }),
  entry('s', 'setting', 'EFtr Earth fault trip', { where: 'Quarantine fan, A2, planned 30 mA' }),
  entry('t', 'test', 'Rise and fall, B1 Water probe'),
  entry('c', 'calculator', 'Pt1000 at a temperature'),
  ...[1, 2, 3, 4, 5, 6].map((n) => entry(`d${n}`, 'device', `M${n} Circulator`)),
]
const find = makeFinder(entries, 'europe')
const ids = (query: string) => find(query).groups.flatMap(({ entries: of }) => of.map(({ id }) => id))

describe('makeFinder', () => {
  it.each([
    ['wire 17', ['w17']],
    ['eftr', ['s']],
    ['sael', []],
    ['circulater', ['d1', 'd2', 'd3', 'd4']],
    ['pt1000', ['c']],
    ['pt10', ['c']],
    ['rise fall', ['t']],
    ['', []],
    ['%%%', []],
  ])('%j finds %j', (query, found) => {
    expect(ids(query)).toEqual(found)
  })
  it('finds by the word of another practice and says which word is used here', () => {
    const { word } = find('ground')
    expect(word).toEqual({ typed: 'ground', here: 'earth' })
    expect(ids('ground').sort()).toEqual(['s', 'w17'])
  })
  it('counts all of a kind and shows the first of them, or all when that kind alone is wanted', () => {
    expect(find('circulator').groups[0]).toMatchObject({ kind: 'device', count: 6 })
    expect(find('circulator', 'device').groups[0]!.entries).toHaveLength(6)
  })
  it('takes whatever is typed', () => {
    fc.assert(
      fc.property(fc.string({ maxLength: 200 }), (query) => {
        expect(find(query).count).toBeGreaterThanOrEqual(0)
      }),
    )
  })
})
