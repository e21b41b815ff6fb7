import { describe, expect, it } from '@jest/globals'
import { shelf } from '../testing/loops'
import { switchesAcross } from './switchesAcross'

describe('what may be laid across a contact', () => {
  it.each(['europe', 'us'] as const)('%s: a hand switch first, and nothing that parts several poles', (practice) => {
    const found = switchesAcross(shelf, practice).map(({ id }) => id)
    expect(found[0]).toBe('hand-switch')
    expect(found).toContain('filter-timer')
    expect(found.filter((id) => /disconnect|isolator|-3p-/.test(id))).toEqual([])
  })
})
