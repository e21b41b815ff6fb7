import { describe, expect, it } from '@jest/globals'
import { DocumentCache } from './documentCache'

const held = (revision: number) => ({ revision, documents: {}, headHash: null })
const row = (sequence: number) => ({ sequence, command: { id: `row ${sequence}` } as never })
const ids = (rows: readonly { readonly id: string }[] | undefined) => rows?.map(({ id }) => id)

describe('commands that are remembered', () => {
  it('are told where all of them are known, one after the other', () => {
    const cache = new DocumentCache()
    cache.put('j', held(3))
    cache.put('j', held(5), [row(4), row(5)])
    expect(ids(cache.rowsAfter('j', 3))).toEqual(['row 4', 'row 5'])
    expect(ids(cache.rowsAfter('j', 4))).toEqual(['row 5'])
    expect(cache.rowsAfter('j', 2)).toBeUndefined()
  })
  it('count once when two read them at once, and never stand in for one that is missing', () => {
    const cache = new DocumentCache()
    cache.put('j', held(4))
    cache.put('j', held(5), [row(5)])
    cache.put('j', held(5), [row(5)])
    cache.put('j', held(6), [row(6)])
    expect(cache.rowsAfter('j', 3)).toBeUndefined()
    expect(ids(cache.rowsAfter('j', 4))).toEqual(['row 5', 'row 6'])
  })
  it('are not told as the newest when somebody was heard to write, or nothing was heard for a while', () => {
    const cache = new DocumentCache()
    cache.put('j', held(4))
    expect(cache.current('j')?.revision).toBe(4)
    cache.hear('j', 5)
    expect(cache.current('j')).toBeUndefined()
    cache.put('j', held(5), [row(5)])
    expect(cache.current('j')?.revision).toBe(5)
    cache.doubt()
    expect(cache.current('j')).toBeUndefined()
  })
})
