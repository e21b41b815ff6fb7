import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { DAILY, outlived, WEEKLY } from './keepBackups'

const made = (...days: string[]) => days.map((at) => ({ name: at, at, why: 'daily' as const }))
const nights = (count: number) =>
  made(...Array.from({ length: count }, (_, i) => new Date(Date.UTC(2026, 0, 1 + i, 3)).toISOString()))

describe('which backups are kept', () => {
  it('of sixty nights: the last seven, and the newest of the last four weeks', () => {
    const all = nights(60)
    const gone = new Set(outlived(all))
    const kept = all.filter(({ name }) => !gone.has(name)).map(({ at }) => at.slice(0, 10))
    // 1 March 2026 is a Sunday: the newest of its week is the newest of all.
    expect(kept).toEqual([
      '2026-02-08',
      '2026-02-15',
      '2026-02-22',
      '2026-02-23',
      '2026-02-24',
      '2026-02-25',
      '2026-02-26',
      '2026-02-27',
      '2026-02-28',
      '2026-03-01',
    ])
  })
  it('of several on one day only the newest counts, and the newest of all always stays', () => {
    const day = made('2026-01-05T03:00:00Z', '2026-01-05T12:00:00Z', '2026-01-05T18:00:00Z')
    expect(outlived(day)).toEqual(['2026-01-05T03:00:00Z', '2026-01-05T12:00:00Z'])
  })
  it('others are the newest five, and take no place of a night', () => {
    const asked = nights(9).map((each) => ({ ...each, name: `asked ${each.at}`, why: 'asked' as const }))
    const gone = outlived([...nights(3), ...asked])
    expect(gone).toEqual(asked.slice(0, 4).map(({ name }) => name))
  })
  it('a machine that was off for months keeps what it had', () =>
    expect(outlived(made('2025-03-01T03:00:00Z', '2026-01-05T03:00:00Z'))).toEqual([]))
  it('never more than days and weeks together, never the newest', () => {
    const times = fc
      .uniqueArray(fc.integer({ min: 0, max: 3_000_000 }), { minLength: 1, maxLength: 60 })
      .map((minutes) => made(...minutes.map((m) => new Date(Date.UTC(2026, 0, 1) + m * 60_000).toISOString())))
    fc.assert(
      fc.property(times, (all) => {
        const gone = outlived(all)
        expect(all.length - gone.length).toBeLessThanOrEqual(DAILY + WEEKLY)
        expect(gone).not.toContain([...all].sort((a, b) => (a.at < b.at ? 1 : -1))[0]!.name)
      }),
    )
  })
})
