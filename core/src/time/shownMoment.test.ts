import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { shownDay, shownMoment, zonedIso } from './shownMoment'

describe('a moment on the wall of a job', () => {
  it.each([
    ['2026-07-01T10:00:00Z', 'Europe/Oslo', '2026-07-01 12:00'],
    ['2026-01-01T10:00:00Z', 'Europe/Oslo', '2026-01-01 11:00'],
    ['2026-03-29T00:59:00Z', 'Europe/Oslo', '2026-03-29 01:59'],
    ['2026-03-29T01:00:00Z', 'Europe/Oslo', '2026-03-29 03:00'],
    ['2026-03-01T23:30:00Z', 'Europe/Oslo', '2026-03-02 00:30'],
    ['2026-03-01T23:30:00.123Z', 'America/Chicago', '2026-03-01 17:30'],
    ['2026-03-01T23:30:00+05:30', 'UTC', '2026-03-01 18:00'],
    ['2026-03-01T23:30:00Z', 'Mars/Olympus', '2026-03-01 23:30 UTC'],
    ['yesterday', 'Europe/Oslo', 'yesterday'],
    ['', 'Europe/Oslo', ''],
  ])('%s in %s is %s', (iso, zone, shown) => expect(shownMoment(iso, zone)).toBe(shown))
  it('its day, and the same for a table, are parts of it', () => {
    expect(shownDay('2026-03-01T23:30:00Z', 'Europe/Oslo')).toBe('2026-03-02')
    expect(zonedIso('2026-03-01T23:30:05.2Z', 'Europe/Oslo')).toBe('2026-03-02T00:30:05+01:00')
    expect(zonedIso('=1+1', 'Europe/Oslo')).toBe('=1+1')
  })
  it('never throws, whatever it is given', () =>
    fc.assert(
      fc.property(fc.string(), fc.string(), (iso, zone) => expect(shownMoment(iso, zone).length).toBeLessThan(45)),
    ))
})
